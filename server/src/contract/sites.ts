import type { Static } from '@sinclair/typebox';
import { REMOTE_DIMENSIONS, REMOTE_VERDICTS } from '@toplens/core/remote';
import { LAYERS, LIKENESSES, STRATA, VERDICTS, WORK_DIMENSIONS } from '@toplens/core/sites';
import { array, date, number as numberOf, object, string } from 'yup';
import { Interval, Window } from './common';
import { get, type Paths } from './paths';
import { focusQuery, windowQuery } from './queries';
import {
  EPOCH_MS,
  MS,
  SHARE,
  flag,
  integer,
  list,
  number,
  numbers,
  numbersOrNull,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
} from './words';

export const workQuery = object({
  by: string()
    .oneOf(WORK_DIMENSIONS)
    .default('site')
    .meta({ description: 'what the groups are told apart by', example: 'site' }),
});

const counts = {
  attempts: integer('attempts that came', 'attempts', 420),
  good: integer('of them, those that did not fail and were in time', 'attempts', 410),
  people: integer('people, each counted once', 'people', 28),
};

const againstLike = {
  factor: number('so many times as long as like people', '1', 1.9),
  low: number('begin of the 95 % interval', '1', 1.6),
  high: number('end of it', '1', 2.2),
  likeness: oneOf(LIKENESSES, 'who is compared with'),
  like: integer('people compared with', 'people', 14),
  isOff: flag('beyond chance among all people compared'),
};

export const Sites = resource('Sites', 'What people at work do, where, and what is off', {
  window: ref(Window, 'what was looked at: of a long window its last day'),
  by: oneOf(WORK_DIMENSIONS, 'what the groups are told apart by'),
  activities: list(
    record({
      id: integer('number of the flow', '1', 3),
      name: text('name of the flow', 'Receive parcels'),
      application: text('name of the application', 'Depot Desk'),
      ...counts,
      overMs: number('all that people waited longer than usual', MS, 184000),
    }),
    'those that people waited for longer than usual the most first',
  ),
  groups: list(
    record({
      group: text('site, department or the like', 'Brackwater'),
      ...counts,
      overMs: number('all that people waited longer than usual', MS, 184000),
      score: number(
        'chance that a random attempt here takes longer than a random one of everybody, of the same activity; 0.5 is the norm',
        SHARE,
        0.74,
      ),
      standardError: number('of the score', SHARE, 0.02),
      unsteadiness: number('spread of its attempts on that scale; 0.29 is that of everybody', SHARE, 0.27),
    }),
    'on one scale whatever they do; the worst first, by how far off the norm and how much is done',
  ),
  cells: list(
    record({
      id: integer('number of the flow', '1', 3),
      group: text('site, department or the like', 'Brackwater'),
      ...counts,
      medianMs: orNull(number('half took less; null without any', MS, 1240)),
      usualMs: orNull(number('usual duration; null while nothing is learned', MS, 520)),
    }),
    'each activity in each group',
  ),
  servers: list(
    record({
      server: text('name of the server', 'desk-mid'),
      ...counts,
      overMs: number('all that people waited longer than usual', MS, 184000),
    }),
    'servers that people work with, those with the most waiting first',
  ),
  off: list(
    record({
      layer: oneOf(LAYERS, 'where it lies'),
      name: text('name of the application, server or site; of a person a pseudonym', 'Brackwater'),
      group: text("site of a person, '' else", 'Brackwater'),
      words: text('where it lies and why, to be read out', 'It is the line of Brackwater, or something else there: …'),
      application: text('name of the application', 'Depot Desk'),
      factor: number('so many times as long as those it is compared with', '1', 2.4),
      low: number('begin of the 95 % interval', '1', 2.1),
      high: number('end of it', '1', 2.7),
      people: integer('people whom it slows', 'people', 28),
      attempts: integer('attempts that tell', 'attempts', 840),
      team: orNull(text('team that owns it by the rules; null when none does', 'Sites & Network')),
    }),
    'what is off beyond chance and beyond what a day brings, the most people first',
  ),
  persons: list(
    record({
      person: text('a pseudonym', 'person 3f9a-20c1'),
      site: text('place of work', 'Brackwater'),
      server: text('server that they mostly work with', 'desk-mid'),
      station: text("kind of device; '' when not told", 'desktop'),
      host: text("name of the device; '' when not told", 'brac-104'),
      attempts: integer('attempts that tell', 'attempts', 41),
      ...againstLike,
    }),
    'people against those like them, the slowest first',
  ),
  people: integer('people at work who did anything', 'people', 240),
  compared: integer('of them, people who did enough to be compared with others', 'people', 180),
});
export type SitesShape = Static<typeof Sites>;

const LONGEST_DAYS = 14;

export const siteChangeQuery = workQuery.concat(
  object({
    at: date().required('at: say when it was changed').meta({
      description: 'when it was changed',
      example: '2026-03-02T09:00:00Z',
    }),
    until: date().meta({
      description: 'when the change was done, where it took a while; what is between is not compared',
      example: '2026-03-03T09:00:00Z',
    }),
    days: numberOf().integer().min(1).max(LONGEST_DAYS).default(7).meta({
      description: 'so long before and after at most; shorter where less time has gone by',
      unit: 'd',
      example: 7,
    }),
    changed: array(string().trim().min(1).max(300).required())
      .max(200)
      .default([])
      .meta({ description: 'groups that were changed, each by its name', example: ['Brackwater'] }),
  }),
);

export const SiteChange = resource(
  'SiteChange',
  'Before and after a change, of groups that had it and groups that did not',
  {
    by: oneOf(WORK_DIMENSIONS, 'what the groups are told apart by'),
    atMs: number('when it was changed', EPOCH_MS, 1772442000000),
    untilMs: number('when it was done; the same where it was at once', EPOCH_MS, 1772528400000),
    strata: oneOf(STRATA, 'what is compared with what: the same hour of the week, of the day, or all with all'),
    drawing: record(
      {
        startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
        stepMs: number('length of a step', MS, 86400000),
        changed: numbersOrNull('so many times as long as usual, of groups that had it; null where nothing came'),
        unchanged: numbersOrNull('the same of the others'),
      },
      'over time',
    ),
    before: ref(Window, 'the time before'),
    after: ref(Window, 'the time after, as long'),
    verdict: oneOf(VERDICTS, 'of the changed ones against the others'),
    factor: orNull(
      ref(
        Interval,
        'so many times as long as it would have become without the change, with its 95 % interval over groups; null for fewer than two of either',
      ),
    ),
    groups: list(
      record({
        group: text('site, department or the like', 'Brackwater'),
        isChanged: flag('it had the change'),
        before: integer('attempts before', 'attempts', 420),
        after: integer('attempts after', 'attempts', 410),
        factor: orNull(number('so many times as long as before; null for fewer than twenty', '1', 1.8)),
        failed: orNull(ref(Interval, 'share that failed or hung after, less that before, with its 95 % interval')),
      }),
      'the changed ones first',
    ),
  },
);
export type SiteChangeShape = Static<typeof SiteChange>;

export const workPersonQuery = object({
  host: string()
    .trim()
    .required('host: say which device')
    .max(300)
    .meta({ description: 'name of the device', example: 'brac-104' }),
});

export const WorkPerson = resource('WorkPerson', 'One person at work over time, against like people', {
  window: ref(Window, 'what was looked at: of a long window its last day'),
  host: text('name of the device', 'brac-104'),
  person: text('a pseudonym', 'person 3f9a-20c1'),
  site: text('place of work', 'Brackwater'),
  server: text("server that they work with; '' when not told", 'desk-mid'),
  station: text("kind of device; '' when not told", 'desktop'),
  attempts: integer('all that they did', 'attempts', 44),
  failed: integer('of them, failed', 'attempts', 1),
  judged: integer('of them, ended well, and it is known what is usual: these are compared', 'attempts', 41),
  compared: orNull(record(againstLike, 'null when they did too little, or too few are like them')),
  startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
  stepMs: number('length of a step', MS, 1800000),
  own: numbersOrNull('so many times as long as usual; null where nothing came'),
  like: numbersOrNull('the same of like people'),
  volume: numbers('attempts in each step', 'attempts', [3, 5, 0]),
});
export type WorkPersonShape = Static<typeof WorkPerson>;

export const remoteQuery = object({
  by: string()
    .oneOf(REMOTE_DIMENSIONS)
    .default('site')
    .meta({ description: 'what sessions are told apart by; centre: the data centre', example: 'site' }),
});

export const Remote = resource('Remote', 'Sessions on remote desktops: the way there, beside what is done there', {
  window: ref(Window, 'what was looked at: of a long window its last day'),
  before: ref(Window, 'the day before it, which round trips are compared with'),
  by: oneOf(REMOTE_DIMENSIONS, 'what sessions are told apart by'),
  sessions: integer('sessions', 'sessions', 64),
  groups: list(
    record({
      group: text('site, server, client or data centre', 'Brackwater'),
      sessions: integer('sessions', 'sessions', 7),
      roundTripMs: orNull(number('median round trip over sessions; null without any', MS, 84)),
      beforeMs: orNull(number('the same before; null without any', MS, 31)),
      factor: orNull(number('so many times as long as before; null without a time before', '1', 2.7)),
      activityFactor: orNull(
        number('so many times as long as usual activities of these sessions take; null without any', '1', 2.4),
      ),
      verdict: oneOf(REMOTE_VERDICTS, 'is it the way to the desktop, or what runs there'),
      words: text('in words', 'It is the way to the desktop: from Brackwater it takes 2.7× as long as before …'),
      curve: record(
        {
          startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
          stepMs: number('length of a step', MS, 900000),
          roundTripMs: numbersOrNull('median round trip, milliseconds; null where nothing came'),
          activityFactor: numbersOrNull('so many times as long as usual activities took; null where nothing came'),
        },
        'both over time',
      ),
    }),
    'the worst first',
  ),
});
export type RemoteShape = Static<typeof Remote>;

export const sitesPaths: Paths = {
  '/api/sites': {
    get: get('Activities of people at work by site or the like, on one scale, and what is off', Sites, {
      query: [windowQuery, focusQuery.pick(['application', 'flow', 'host', ...WORK_DIMENSIONS]), workQuery],
    }),
  },
  '/api/sites/person': {
    get: get('One person at work over time, against like people', WorkPerson, {
      query: [windowQuery, focusQuery.pick(['application', 'flow', ...WORK_DIMENSIONS]), workPersonQuery],
    }),
  },
  '/api/remote-desktops': {
    get: get('Sessions on remote desktops: the way there, beside what is done there', Remote, {
      query: [windowQuery, focusQuery.pick(['application', 'flow', ...WORK_DIMENSIONS]), remoteQuery],
    }),
  },
  '/api/sites/change': {
    get: get('Groups that had a change against groups that did not, before and after it', SiteChange, {
      query: [focusQuery.pick(['application', 'flow', ...WORK_DIMENSIONS]), siteChangeQuery],
    }),
  },
};
