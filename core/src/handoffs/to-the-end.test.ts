import { MINUTE_MS } from '../time';
import {
  canBecome,
  dueOf,
  fixReportMarkdown,
  fixReportRows,
  MAY_WAIT,
  proposeNext,
  remainingWords,
  stageTimes,
  timesBy,
  type FixReport,
  type TimedHandoff,
} from './index';

test('a fix is watched, and may be reported again until it is proven', () => {
  expect(canBecome('fixReported', 'watching')).toBe(true);
  expect(canBecome('watching', 'inPart')).toBe(true);
  expect(canBecome('notProven', 'fixReported')).toBe(true);
  expect(canBecome('proven', 'fixReported')).toBe(false);
  // What another team's fix has proven is over for all who had it.
  expect(canBecome('sent', 'proven')).toBe(true);
});

test('what waits for a team is due by its priority; what is watched waits for nobody', () => {
  expect(dueOf({ state: 'sent', sinceMs: 0 }, MAY_WAIT.P1)).toEqual({ for: 'accept', dueMs: 15 * MINUTE_MS });
  expect(dueOf({ state: 'notProven', sinceMs: 60_000 }, MAY_WAIT.P4)).toEqual({
    for: 'fix',
    dueMs: 60_000 + 4_320 * MINUTE_MS,
  });
  for (const state of ['watching', 'proven', 'returned', 'merged', 'kept'] as const)
    expect(dueOf({ state, sinceMs: 0 }, MAY_WAIT.P1)).toBeUndefined();
});

test('after a return the owner of the next likely origin is proposed, and never who gave it back', () => {
  const rules = [
    { component: 'db', team: 'Data Stores' },
    { component: 'gateway', team: 'Partners' },
    { application: 'Shop', team: 'Shop' },
    { team: 'Desk' },
  ];
  const subjects = [
    { application: 'Shop', component: 'db' },
    { application: 'Shop', component: 'gateway' },
    { application: 'Shop' },
  ];
  const said = { team: 'Data Stores', reason: 'the store is well' };
  expect(proposeNext(rules, subjects, [said])).toEqual({
    team: 'Partners',
    reason: 'owns component gateway (rule 2); Data Stores returned it (the store is well)',
  });
  const both = [said, { team: 'Partners', reason: '' }];
  expect(proposeNext(rules, subjects, both)?.team).toBe('Shop');
  expect(proposeNext(rules, subjects, [...both, { team: 'Shop', reason: '' }])?.team).toBe('Desk');
  expect(proposeNext(rules.slice(0, 1), subjects, [said])).toBeUndefined();
});

const at = (minute: number) => minute * MINUTE_MS;

test('stages come from what happened; nothing takes less than no time', () => {
  const whole = stageTimes({
    onsetMs: at(0),
    detectedMs: at(3),
    sentMs: at(10),
    fixedMs: at(40),
    provenMs: at(62),
    events: [{ what: 'taken', atMs: at(14) }],
  });
  expect(whole).toEqual({ detect: at(3), send: at(7), accept: at(4), fix: at(26), prove: at(22) });
  const early = stageTimes({
    onsetMs: at(0),
    detectedMs: null,
    sentMs: at(10),
    fixedMs: at(8),
    provenMs: null,
    events: [],
  });
  expect(early).toEqual({ detect: null, send: at(10), accept: null, fix: 0, prove: null });
});

test('medians by group leave out what has not come; months stand in order', () => {
  const one = (more: Partial<TimedHandoff>): TimedHandoff => ({
    team: 'A',
    flow: 'Pay',
    createdAt: '2026-03-02T09:00:00.000Z',
    state: 'proven',
    detect: at(2),
    send: null,
    accept: at(4),
    fix: null,
    prove: null,
    ...more,
  });
  const all = [
    one({}),
    one({ accept: at(8), state: 'returned' }),
    one({ team: 'B', createdAt: '2026-02-01T00:00:00Z' }),
  ];
  expect(timesBy(all, 'team')).toEqual([
    {
      name: 'A',
      handoffs: 2,
      returned: 1,
      proven: 1,
      detect: at(2),
      send: null,
      accept: at(6),
      fix: null,
      prove: null,
    },
    {
      name: 'B',
      handoffs: 1,
      returned: 0,
      proven: 1,
      detect: at(2),
      send: null,
      accept: at(4),
      fix: null,
      prove: null,
    },
  ]);
  expect(timesBy(all, 'month').map(({ name }) => name)).toEqual(['2026-02', '2026-03']);
});

const REPORT: FixReport = {
  title: 'Pay *fails* for <b>24 %</b>',
  team: 'Payments',
  purpose: 'workaround',
  onset: '2026-03-02T09:14:00.000Z',
  fix: '2026-03-02T10:00:00.000Z',
  watched: { from: '2026-03-02T10:05:00.000Z', to: '2026-03-02T10:35:00.000Z' },
  verdict: 'inPart',
  remaining: { share: 0.34, low: 0.28, high: 0.41 },
  parts: [
    { flow: 'Pay', signal: 'failing', before: 0.24, since: 0.08, usual: 0.004, attempts: 310, isStillThere: true },
    { flow: 'Print', signal: 'missing', before: 0.4, since: null, usual: 1, attempts: 0, isStillThere: false },
  ],
  total: {
    harm: 5_120,
    money: 1_840,
    currency: 'EUR',
    people: 412,
    from: '2026-03-02T09:14:00.000Z',
    to: '2026-03-02T10:35:00.000Z',
  },
  behind: { component: 'slots', words: 'holds 80 % of the added time', team: 'Slots Team' },
  times: { detect: 180_000, send: 480_000, accept: 38_000, fix: null, prove: null },
};

test('the report tells before and after, all that it cost, and what took how long; nothing in it becomes markup', () => {
  const page = fixReportMarkdown(REPORT);
  expect(page).toContain('# Before and after: Pay \\*fails\\* for \\<b\\>24 %');
  expect(page).toContain('**Fixed in part.** 34 % of the harm goes on (28 % to 41 %).');
  expect(page).toContain('| Pay | failed | 24 % | 8 % (goes on) | 0.4 % | 310 |');
  expect(page).toContain('| Print | came, of those expected | 40 % | not known | 100 % | 0 |');
  expect(page).toContain('5,120 harm points, 412 people hurt, €1,840 not earned');
  expect(page).toContain('**What goes on** comes from slots: holds 80 % of the added time (Slots Team)');
  expect(page).toContain('| Until it was accepted | 38 s |');
  expect(page).not.toContain('Until a fix was in');
  expect(fixReportRows(REPORT)[1]).toEqual(['Pay', 'failing', 0.24, 0.08, 0.004, 310, 'yes']);
  expect(remainingWords({ share: null, low: null, high: null })).toBe('Nothing has come yet to tell by');
  expect(remainingWords({ share: -0.01, low: -0.2, high: 0.04 })).toBe('0 % of the harm goes on (0 % to 4 %)');
});
