import type { Static } from '@sinclair/typebox';
import { INDICATORS } from '@toplens/core/flows';
import { BURN_ALERTS } from '@toplens/core/promises';
import { number as yupNumber, object, string } from 'yup';
import { Sample } from './attempts';
import { Window } from './common';
import { get, incidentId, path, problem, type Paths } from './paths';
import { windowQuery } from './queries';
import {
  CURRENCY,
  EPOCH_MS,
  MS,
  SHARE,
  flag,
  integer,
  list,
  number,
  numbers,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
} from './words';

const STATES = ['kept', 'atRisk', 'broken', 'noData'] as const;

/** As many as a promise counts: attempts, person-hours, page views, launches or runs of probes. */
const attempts = (words: string, example: number) => number(words, '1', example);
const FAN = { minItems: 5, maxItems: 5 };
const fan = (words: string) =>
  numbers(`${words}: 2.5 %, 10 %, middle, 90 %, 97.5 %`, SHARE, [0.1, 0.2, 0.4, 0.5, 0.6], FAN);

export const ServiceLevel = resource('ServiceLevel', 'A promise, and how it stands in its period', {
  name: text('name; tells it apart from others', 'Labels for partners'),
  to: text("to whom it was given; '' when not said", 'Partners'),
  rule: text('how it is counted, in one sentence', '99.5 % of the attempts of “Print labels” in time: within 1.2 s.'),
  indicator: oneOf(INDICATORS, 'what it counts, and what makes that good'),
  unit: text('one of what it counts', 'attempt'),
  units: text('many of what it counts', 'attempts'),
  limitMs: orNull(number("the promise's own limit; null for the limit that judged each", MS, 1200)),
  target: number('share that is promised to be good', SHARE, 0.995),
  period: ref(Window, 'over what it is kept'),
  periodWords: text('the same in words', 'a calendar month (Europe/Dublin)'),
  flows: integer('flows that it is about', 'flows', 3),
  state: oneOf(STATES, 'how it stands: at risk when breaking it is likelier than not, or its budget is spent'),
  valid: attempts('how many count, up to now', 48_000),
  good: attempts('of these good ones', 47_900),
  kept: orNull(
    record(
      {
        share: number('share of good ones', SHARE, 0.9979),
        low: number('begin of the 95 % interval (Wilson)', SHARE, 0.9975),
        high: number('end of it', SHARE, 0.9983),
      },
      'kept so far; null without an attempt',
    ),
  ),
  budget: record(
    {
      allowed: attempts('that may be bad in the whole period, as many as are expected', 360),
      spent: attempts('that were bad', 100),
      left: attempts('that may still be bad; below 0 when more were than may be', 260),
      leftShare: orNull(number('of those allowed; null when none are expected', SHARE, 0.72)),
    },
    'how many may be bad, and were',
  ),
  burn: list(
    record({
      windowMs: number('over so long up to now', MS, 3_600_000),
      rate: orNull(number('1 spends the budget in just its period; null without attempts', '1', 2.4)),
    }),
    'how fast the budget is spent',
  ),
  pace: orNull(
    oneOf(
      BURN_ALERTS.map(({ pace }) => pace),
      'the fastest pace that alerts; null when none does',
    ),
  ),
  endsMs: orNull(
    number(
      'when the budget is spent at the pace of the last six hours; null beyond the period',
      EPOCH_MS,
      1772446440000,
    ),
  ),
  line: record(
    {
      startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
      stepMs: number('length of a step', MS, 3_600_000),
      left: numbers('share of the budget that was left at the end of each step', SHARE, [1, 0.98, 0.91]),
    },
    'the budget, burning down',
  ),
  forecast: orNull(
    record(
      {
        endMs: number('for when', EPOCH_MS, 1772446440000),
        share: fan('share of good attempts at the end'),
        chanceOfBreaking: number('chance that it is broken at the end', SHARE, 0.2),
        expectedPenalty: number('sum of the chance of each step times what it adds', CURRENCY, 800),
        fan: list(
          record({ atMs: number('end of a day', EPOCH_MS, 1772446440000), left: fan('share of the budget left') }),
          'the budget to come, day by day',
        ),
      },
      'what it may come to; null with fewer than three whole days known',
    ),
  ),
  penalties: list(
    record({
      below: number('due when less than this share was good', SHARE, 0.995),
      amount: number('what it costs', CURRENCY, 4000),
      chance: orNull(number('that it is due at the end; null without a forecast', SHARE, 0.2)),
    }),
    'steps of what breaking it costs',
  ),
  isRough: flag('hours of which single attempts are gone were counted from sums, within 1.6 % of the limit'),
});
export type ServiceLevelShape = Static<typeof ServiceLevel>;

export const Promises = resource('Promises', 'All that was promised', {
  window: ref(Window, 'what was looked at: its end is the moment for which they stand'),
  nowMs: number('up to when attempts are counted', EPOCH_MS, 1772446440000),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  promises: list(ref(ServiceLevel), 'the one with the largest expected penalty first, then the likeliest to break'),
});
export type PromisesShape = Static<typeof Promises>;

const spender = {
  bad: attempts('bad ones', 42),
  share: number('of all bad ones', SHARE, 0.4),
};

export const PromisePage = resource('PromisePage', 'A promise, who spent its budget, and where', {
  nowMs: number('up to when attempts are counted', EPOCH_MS, 1772446440000),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  level: ref(ServiceLevel, 'how it stands'),
  incidents: list(
    record({
      id: integer('number of the incident', '1', 7),
      onsetMs: number('when it began', EPOCH_MS, 1772442840000),
      endMs: number('when it ended, or up to when it is known', EPOCH_MS, 1772446440000),
      flows: integer('flows of the promise that it touched', 'flows', 1),
      name: text('the flow in which it was worst', 'Print labels'),
      ...spender,
    }),
    'incidents that spent it, most first: bad attempts beyond the usual while they went on',
  ),
  unexplained: record(spender, 'what no incident explains'),
  flows: list(
    record({
      id: integer('number of the flow', '1', 3),
      name: text('name of the flow', 'Print labels'),
      application: text('name of the application', 'Courier app'),
      valid: attempts('that count', 4200),
      ...spender,
    }),
    'flows, most bad ones first',
  ),
  sites: list(
    record({ site: text("site; '' when not told", 'North'), valid: attempts('that count', 4200), ...spender }),
    'sites, most bad ones first',
  ),
  versions: list(
    record({ version: text("version; '' when not told", '4.18.0'), valid: attempts('that count', 4200), ...spender }),
    'versions, most bad ones first',
  ),
  hours: list(
    record({
      startMs: number('begin of the hour', EPOCH_MS, 1772442000000),
      valid: attempts('that count', 420),
      ...spender,
    }),
    'hours in which most were bad',
  ),
  cells: list(
    record({
      flowId: integer('number of the flow', '1', 3),
      flow: text('name of the flow', 'Print labels'),
      application: text('name of its application', 'Courier app'),
      site: text("site; '' when not told", 'North'),
      valid: attempts('that count', 420),
      good: attempts('of these good ones', 410),
    }),
    'each flow at each site, as far as sites are told',
  ),
  excluded: list(
    record({
      fromMs: number('begin', EPOCH_MS, 1772442000000),
      toMs: number('end', EPOCH_MS, 1772445600000),
      reason: text('why, in words', 'new disks'),
      isMaintenance: flag('agreed work of the calendar, which counts for no promise'),
      by: orNull(text('who took it out; null when it stands in the settings file', 'Dana')),
    }),
    'stretches of the period that do not count',
  ),
  periods: list(
    record({
      period: ref(Window, 'the period'),
      valid: attempts('that count', 48_000),
      good: attempts('of these good ones', 47_900),
      isKept: orNull(flag('kept; null without an attempt')),
      sealed: orNull(
        record(
          {
            atMs: number('when it was written down', EPOCH_MS, 1772446440000),
            valid: attempts('that counted then', 47_990),
            good: attempts('of these good ones', 47_890),
          },
          'what it came to when it was over; null where it was not written down',
        ),
      ),
    }),
    'periods before, the newest first, as far as they are known',
  ),
  changes: list(
    record({
      atMs: number('when it was made', EPOCH_MS, 1772442840000),
      who: text('who made it', 'Dana'),
      words: text('what the promises became', '3 entries: Labels'),
    }),
    'changes of the promises, the newest first',
  ),
});
export type PromisePageShape = Static<typeof PromisePage>;

export const PromiseAttempts = resource('PromiseAttempts', 'Attempts that broke a promise', {
  all: attempts('bad ones of the period up to now', 42),
  attempts: list(
    record({ flow: text('name of the flow', 'Print labels'), sample: ref(Sample, 'the attempt') }),
    'the newest first, at most forty; of hours whose single attempts are gone none can be shown',
  ),
});
export type PromiseAttemptsShape = Static<typeof PromiseAttempts>;

export const promiseAttemptsQuery = object({
  site: string().max(200).meta({ description: 'of this site alone', example: 'North' }),
  flow: yupNumber().integer().min(1).meta({ description: 'of this flow alone, by its number', example: 3 }),
});

export const EndangeredPromises = resource('EndangeredPromises', 'Promises that an incident spends the budget of', {
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  promises: list(
    record({
      name: text('name of the promise', 'Labels for partners'),
      to: text("to whom it was given; '' when not said", 'Partners'),
      bad: attempts('that were bad because of the incident, beyond the usual, in the period', 42),
      tookShare: orNull(number('of all that may be bad in the period; null when none are expected', SHARE, 0.12)),
      leftShare: orNull(number('what is left of that now; below 0 when more was spent', SHARE, 0.34)),
      chanceOfBreaking: orNull(number('chance that it is broken at the end; null without a forecast', SHARE, 0.87)),
      expectedPenalty: number('penalty expected of it, whoever spent it', CURRENCY, 3480),
    }),
    'those of which it took most first',
  ),
});
export type EndangeredPromisesShape = Static<typeof EndangeredPromises>;

export const reportQuery = object({
  format: string()
    .oneOf(['html', 'markdown', 'csv'] as const)
    .default('html')
    .meta({ description: 'a page for reading and paper, text, or figures', example: 'html' }),
  name: string()
    .trim()
    .max(200)
    .meta({ description: 'one promise; all when left out', example: 'Labels for partners' }),
  periodsBack: yupNumber()
    .integer()
    .min(0)
    .max(12)
    .default(0)
    .meta({ description: 'of the period so many before; 0: the one that the end of the window lies in', example: 1 }),
});

const asText = { schema: { type: 'string' } };

export const promisePaths: Paths = {
  '/api/promise-report': {
    get: {
      ...get('What the periods that the end of a window lies in came to', Promises, {
        query: [reportQuery, windowQuery],
      }),
      responses: {
        '200': {
          description: 'the report',
          content: { 'text/html': asText, 'text/markdown': asText, 'text/csv': asText },
        },
        '4XX': problem,
        '5XX': problem,
      },
    },
  },
  '/api/incidents/{id}/promises': {
    get: get('Promises that an incident spends the budget of', EndangeredPromises, {
      path: [incidentId],
      query: [windowQuery],
    }),
  },
  '/api/promises': { get: get('All that was promised, and how it stands', Promises, { query: [windowQuery] }) },
  '/api/promises/{name}/attempts': {
    get: get('Attempts that broke a promise, the newest first', PromiseAttempts, {
      path: [path('name', 'name of the promise', 'Labels for partners')],
      query: [promiseAttemptsQuery, windowQuery],
    }),
  },
  '/api/promises/{name}': {
    get: get('A promise, who spent its budget, and where', PromisePage, {
      path: [path('name', 'name of the promise', 'Labels for partners')],
      query: [windowQuery],
    }),
  },
};
