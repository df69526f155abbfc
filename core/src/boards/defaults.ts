import type { Board } from './tiles';

const HOUR = 60;
const DAY = 24 * HOUR;

/** Boards that every installation begins with: they name nothing of it, so each shows what is worst there. */
export const DEFAULT_BOARDS: readonly Board[] = [
  {
    name: 'Duty desk',
    for: 'Whoever is on duty',
    tiles: [
      { shows: 'figure', figure: 'people' },
      { shows: 'list', most: 5 },
      { shows: 'curve' },
      { shows: 'feed', minutes: 8 * HOUR, most: 8 },
      { shows: 'feed', title: 'Handoffs', kind: 'handoff', minutes: DAY, most: 5 },
      { shows: 'promise' },
    ],
  },
  {
    name: 'Application owner',
    for: 'Who answers for an application',
    tiles: [
      { shows: 'figure', figure: 'failed', minutes: DAY },
      { shows: 'figure', figure: 'money', minutes: DAY },
      { shows: 'promise' },
      { shows: 'list', minutes: DAY, most: 5 },
      { shows: 'journey', minutes: DAY },
      { shows: 'feed', title: 'Releases', kind: 'release', minutes: 7 * DAY, most: 5 },
    ],
  },
  {
    name: 'Executives',
    for: 'Who answers to customers',
    tiles: [
      { shows: 'figure', figure: 'people', minutes: DAY },
      { shows: 'figure', figure: 'money', minutes: DAY },
      { shows: 'promise' },
      { shows: 'journey', minutes: DAY },
      { shows: 'list', title: 'Worst in 24 hours', minutes: DAY, most: 3 },
    ],
  },
  {
    name: 'Web team',
    for: 'Who builds pages and applications for phones',
    tiles: [
      { shows: 'figure', figure: 'failed' },
      { shows: 'figure', figure: 'crashes', minutes: DAY },
      { shows: 'map', minutes: DAY },
      { shows: 'curve' },
      { shows: 'journey', minutes: DAY },
      { shows: 'feed', title: 'Releases', kind: 'release', minutes: 7 * DAY, most: 5 },
    ],
  },
];
