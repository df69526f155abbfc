import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
import { numberInput } from './number-input';
import { flowId, get, type Paths } from './paths';
import { focusQuery, windowQuery } from './queries';
import { LAYERS } from '@toplens/core/traces';
import { ATTEMPT_KINDS, DIMENSIONS } from '@toplens/core/telemetry';
import { BASES, LEVELS, LIMIT_SETTERS } from '@toplens/core/normal';
import { Sample } from './attempts';
import { Chart, Freshness, Interval, Mark, Remaining, Series, Window } from './common';
import { Hop } from './infrastructure';
import {
  EPOCH_MS,
  MS,
  SHARE,
  flag,
  integer,
  integers,
  list,
  number,
  numbers,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
  texts,
} from './words';

export const Field = resource('Field', 'Attempts of a flow by time and duration, counted', {
  window: ref(Window, 'what was looked at'),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
  startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
  stepMs: number('length of a step', MS, 60000),
  columns: integer('how many steps of time', '1', 60),
  floorsMs: numbers('lower bounds of the rows, shortest first', MS, [0, 100, 200, 400]),
  counts: list(integers('of one column', 'attempts', [12, 40, 3, 0]), 'attempts by column, then row'),
  bad: list(integers('of one column', 'attempts', [0, 0, 3, 0]), 'of the counts, those that were late, hung or failed'),
});
export type FieldShape = Static<typeof Field>;

export const Region = resource('Region', 'Attempts of a part of the field', {
  window: ref(Window, 'what was looked at'),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  bad: integer('attempts that were late, hung or failed', 'attempts', 212),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  samples: list(ref(Sample), 'attempts to look at'),
});
export type RegionShape = Static<typeof Region>;

export const Path = resource('Path', 'The components that a flow goes through', {
  window: ref(Window, 'what was looked at'),
  traces: integer('traces that were looked at', 'traces', 200),
  hops: list(ref(Hop), 'calls between components'),
  layers: record(
    {
      startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
      stepMs: number('length of a step', MS, 60000),
      attempts: integers('attempts that were looked at, step by step', 'attempts', [40, 38, 41]),
      means: list(
        record({
          layer: oneOf(LAYERS, 'where the time is spent'),
          ms: numbers('a step each', MS, [120, 118, 610]),
        }),
        'mean time by layer, milliseconds a step',
      ),
    },
    'mean time of an attempt by layer, step by step; 0 where no attempt was looked at',
  ),
  slowErrors: list(
    record({
      error: text('component and type of the error', 'payments: CardTimeout'),
      slow: integer('slow attempts that met it', 'attempts', 38),
      ofSlow: integer('slow attempts that were looked at', 'attempts', 40),
      others: integer('other attempts that met it', 'attempts', 2),
      ofOthers: integer('other attempts that were looked at', 'attempts', 160),
      ratio: orNull(number('how many times as often slow attempts meet it; null: others never do', '1', 76)),
      low: number('lower end of its 95 % interval', '1', 18),
      high: orNull(number('upper end of it; null: without bound', '1', 310)),
      carried: number('share of the time beyond the usual that slow attempts with it took', SHARE, 0.84),
    }),
    'errors that come with slow attempts more often than with others, beyond chance',
  ),
});
export type PathShape = Static<typeof Path>;

export const Steps = resource('Steps', 'Steps inside a flow, each against its own limit', {
  window: ref(Window, 'what was looked at: of a long window its last day'),
  attempts: integer('attempts that were looked at', 'attempts', 200),
  usualAttempts: integer('attempts of the same time of the day before that it is compared with', 'attempts', 200),
  limits: list(
    record({
      step: text('component and operation', 'payments POST /authorise'),
      limitMs: number('limit that the owner set', MS, 800),
    }),
    'limits as set, also of steps that nobody walked',
  ),
  steps: list(
    record({
      component: text('name of the component (service.name)', 'payments'),
      operation: text('name of the span', 'POST /authorise'),
      attempts: integer('of the attempts, those that went through it', 'attempts', 200),
      callsAnAttempt: number('calls in each of these, mean', '1', 1),
      medianMs: number('half spent less in it; of an attempt all its calls together', MS, 420),
      p95Ms: number('95 of 100 spent less in it', MS, 900),
      failed: integer('attempts in which a call of it failed', 'attempts', 3),
      usualMs: orNull(number('median the day before; null with too few', MS, 400)),
      learnedLimitMs: orNull(number('upper bound of what was usual the day before; null with too few', MS, 800)),
      ownersLimitMs: orNull(number('limit that the owner set, which judges; null without one', MS, 600)),
      over: integer('attempts that spent more in it than the limit that judges', 'attempts', 12),
      overShare: orNull(ref(Interval, 'their share, with its 95 % interval (Wilson); null without a limit')),
    }),
    'by time spent in them, the most first',
  ),
});
export type StepsShape = Static<typeof Steps>;

export const FlowRow = resource('FlowRow', 'One flow of the table', {
  id: integer('number', '1', 7),
  name: text('name of the flow', 'Book a pick-up'),
  technicalName: text('method and route, screen, or name of the span', 'POST /pick-ups'),
  application: text('name of the application', 'Courier app'),
  kind: oneOf(ATTEMPT_KINDS, 'what it is'),
  team: orNull(text('name of the team', 'Slots Team')),
  level: oneOf([...LEVELS, 'learning', 'noData'], 'how bad it is; learning: not known yet what is usual'),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  perMinute: number('attempts a minute', '1/min', 30),
  meanMs: orNull(number('mean duration; null without any', MS, 640)),
  medianMs: orNull(number('half took less; null without any', MS, 420)),
  p95Ms: orNull(number('95 of 100 took less; null without any', MS, 1840)),
  maxMs: orNull(number('the longest; null without attempts', MS, 8400)),
  failedShare: orNull(number('share of attempts that failed', SHARE, 0.04)),
  apdex: orNull(
    number(
      'Apdex by the limit in force, 0 to 1 (Apdex Alliance, Technical Specification 1.1); null without attempts or a limit',
      '1',
      0.87,
    ),
  ),
  apdexWords: orNull(text('Apdex in its usual notation, with its threshold in seconds', '0.87 [0.8]')),
  limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
  limitBy: oneOf(LIMIT_SETTERS, 'who set the limit that judges; published: how long people are known to wait'),
  people: orNull(integer('persons, each counted once', 'people', 128)),
  hurt: orNull(integer('people who met a late, hung or failed attempt; null where not counted', 'people', 31)),
  shareOfTime: orNull(number("share of the attempts' whole time; parallel calls add up", SHARE, 0.3)),
  importance: number('what harm in this flow is multiplied by', '1', 1),
  before: orNull(
    record(
      {
        attempts: integer('attempts that were begun', 'attempts', 1840),
        medianMs: orNull(number('half took less; null without any', MS, 420)),
        failedShare: number('share of attempts that failed', SHARE, 0.04),
      },
      'the same figures of the window that is compared with; null when none is',
    ),
  ),
  spark: ref(Series, 'the measure in trouble, for a small chart'),
  marks: list(ref(Mark), 'what was changed on its way, on the time axis of the small chart'),
});
export type FlowRowShape = Static<typeof FlowRow>;

export const FlowTable = resource('FlowTable', 'All flows with what their attempts came to', {
  window: ref(Window, 'what was looked at'),
  rows: list(ref(FlowRow), 'rows'),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  comparedWith: orNull(text('the other window, in words; null when none is', 'last Monday')),
  remaining: orNull(ref(Remaining, 'what the focus leaves; null when nothing is narrowed, or the window is long')),
  applications: texts('names of all applications, in order of the alphabet', ['Sender Portal', 'Shipper Link']),
  freshness: ref(Freshness, 'up to when data is complete and judged'),
});
export type FlowTableShape = Static<typeof FlowTable>;

export const Side = resource('Side', 'One value of a dimension beside the others', {
  value: text('value of the dimension', 'Depot North'),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  badShare: number('share of attempts that were late, hung or failed', SHARE, 0.12),
  medianMs: orNull(number('half took less; null without any', MS, 420)),
  p95Ms: orNull(number('95 of 100 took less; null without any', MS, 1840)),
  ridit: orNull(
    number('chance that an attempt here is slower than one of all; 0.5 is the norm; null with too few', '1', 0.71),
  ),
  riditError: orNull(number('standard error of the ridit; null with too few', '1', 0.02)),
  isOdd: flag('it is worse here than chance explains'),
});
export type SideShape = Static<typeof Side>;

export const Statement = resource('Statement', "What a flow's attempts ask of a store", {
  statement: text("statement as it was sent, values left out; '' for others", 'SELECT … FROM slot WHERE depot = ?'),
  component: text('name of the component (service.name)', 'slots'),
  calls: integer('how often', 'calls', 42),
  callsAnAttempt: number('calls in one attempt, mean', '1', 3.2),
  shareOfAttempts: number('share of attempts that send it at all', SHARE, 0.9),
  shareOfTime: number("share of the attempts' whole time; parallel calls add up", SHARE, 0.3),
  totalMs: number('time of all calls together', MS, 18400),
  longestMs: number('the longest', MS, 4200),
  failed: integer('calls that failed', 'calls', 4),
});
export type StatementShape = Static<typeof Statement>;

export const FlowPage = resource('FlowPage', 'One flow', {
  window: ref(Window, 'what was looked at'),
  isCut: flag('the window asked for is longer than single attempts are walked: its last day is shown'),
  row: ref(FlowRow, 'its row of the table'),
  key: text('key of its settings', 'flow Courier app Log on'),
  team: orNull(
    record(
      {
        team: text('name of the team', 'Slots Team'),
        reason: text('why, in words', 'a holiday moved by a week'),
      },
      'name of the team',
    ),
  ),
  normal: record(
    {
      basis: oneOf(BASES, 'what the normal is learned from, best first'),
      samples: integer('attempts that it is learned from', 'attempts', 18400),
      days: integer('days that it is learned from', 'days', 21),
      expectedMs: orNull(number('how long it usually takes; null where nothing is known', MS, 420)),
      learnedLimitMs: orNull(number('limit that is learned from what is usual; null where nothing is known', MS, 900)),
      ownersLimitMs: orNull(number('limit that the owner set; null without one', MS, 800)),
      limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
      limitBy: oneOf(LIMIT_SETTERS, 'who set the limit that judges; published: how long people are known to wait'),
      lateShare: number('usual share of late attempts', SHARE, 0.01),
      failedShare: number('share of attempts that failed', SHARE, 0.04),
      sites: list(
        record({
          site: text("site that the attempt came from; '' when not told", 'Depot North'),
          limitMs: number('an attempt that takes longer is late; null where nothing is known', MS, 800),
          lateShare: number('usual share of late attempts', SHARE, 0.01),
        }),
        'sites that are judged by a limit of their own',
      ),
    },
    'what is usual for it',
  ),
  sites: texts('sites that ever came, and those with a limit of their own already', ['Depot North', 'Depot South']),
  ownersSiteLimits: list(
    record({
      site: text("site that the attempt came from; '' when not told", 'Depot North'),
      limitMs: number('an attempt that takes longer is late; null where nothing is known', MS, 800),
    }),
    'limits of single sites as set, also of sites that have not come yet',
  ),
  statements: record(
    {
      attempts: integer('attempts that were begun', 'attempts', 1840),
      statements: list(ref(Statement), 'what its attempts ask of stores'),
    },
    'what its attempts ask of stores',
  ),
  apdexAtOwners: orNull(text("Apdex by the owner's limit, in its usual notation; null without one", '0.94 [1.0]')),
  apdexAtLearned: orNull(text('Apdex by the learned limit, in its usual notation', '0.91 [0.8]')),
  outcomes: record(
    {
      startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
      stepMs: number('length of a step', MS, 60000),
      onTime: integers('attempts that took no longer than the limit', 'attempts', [120, 96]),
      late: integers('attempts that took longer than the limit', 'attempts', [4, 21]),
      hung: integers('attempts that took so long that people gave up', 'attempts', [0, 6]),
      failed: integers('attempts that failed', 'attempts', [1, 2]),
    },
    'attempts by what became of them',
  ),
  bands: list(
    record({
      fromMs: number('shortest duration of the band; -1: the failed ones, whatever they took', MS, 800),
      toMs: orNull(number('longest duration of the band; null: and longer', MS, 1600)),
      attempts: integer('attempts that were begun', 'attempts', 1840),
    }),
    'attempts by duration',
  ),
  charts: list(ref(Chart), 'series to draw, beside what is usual'),
  marks: list(ref(Mark), 'releases, on the time axis'),
  sides: list(
    record({
      dimension: oneOf(DIMENSIONS, 'by what attempts are told apart'),
      sides: list(ref(Side), 'the values of a dimension side by side'),
    }),
    'the values of a dimension side by side',
  ),
  slowest: list(ref(Sample), 'the slowest attempts'),
  incidents: list(
    record({
      id: integer('number', '1', 7),
      onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
      endMs: number(
        'first moment that is usual again; the newest judged minute while it goes on',
        EPOCH_MS,
        1772446440000,
      ),
      inTroubleNow: flag('goes on now, whatever window is looked at'),
    }),
    'incidents',
  ),
  changes: list(
    record({
      id: integer('number', '1', 7),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      fromMs: number('begin', EPOCH_MS, 1772442000000),
      who: text('who did it', 'Dana'),
      words: text('in words', ''),
      undoes: orNull(integer('number of the change that it takes back; null when it takes back none', '1', 3)),
    }),
    'what was changed, newest first',
  ),
});
export type FlowPageShape = Static<typeof FlowPage>;

export const FlowCounts = resource('FlowCounts', 'All that was ever recorded, by flow', {
  flows: list(
    record({
      application: text('name of the application', 'Courier app'),
      name: text('name of the flow', 'Book a pick-up'),
      technicalName: text('method and route, screen, or name of the span', 'POST /pick-ups'),
      attempts: integer('attempts that were begun', 'attempts', 1840),
      failed: integer('attempts that failed', 'attempts', 31),
      meanMs: number('mean duration; null without any', MS, 640),
    }),
    'flows, by name',
  ),
});
export type FlowCountsShape = Static<typeof FlowCounts>;

/** Which attempts of a region are listed alone. */
const REGION_KINDS = ['failed', 'bad', 'succeeded'] as const;
export type RegionKind = (typeof REGION_KINDS)[number];

export const regionQuery = object({
  longer: numberInput().min(0).default(0).meta({ description: 'took at least so long', unit: MS, example: 800 }),
  shorter: numberInput()
    .positive()
    .meta({ description: 'took less than this; left out: however long', unit: MS, example: 1600 }),
  only: string().oneOf(REGION_KINDS).meta({
    description:
      'those that failed; all bad ones: late, hung or failed; those that succeeded, with most value first; left out: all',
    example: 'failed',
  }),
});

const OF_FLOW = { path: [flowId], query: [windowQuery, focusQuery] };

export const SlowestFlows = resource('SlowestFlows', 'The slowest flows, each with its slowest attempts', {
  window: ref(Window, 'what was looked at: of a long window its last day'),
  flows: list(
    record({
      id: integer('number', '1', 7),
      name: text('name of the flow', 'Book a pick-up'),
      application: text('name of the application', 'Courier app'),
      p95Ms: number('95 of 100 took less', MS, 1840),
      limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
      samples: list(ref(Sample), 'the slowest attempts that did not fail'),
    }),
    'by their 95th percentile, the longest first; those with too few attempts are left out',
  ),
});
export type SlowestFlowsShape = Static<typeof SlowestFlows>;

export const flowPaths: Paths = {
  '/api/slowest-flows': {
    get: get('The slowest flows, each with its slowest attempts', SlowestFlows, { query: [windowQuery, focusQuery] }),
  },
  '/api/flows': {
    get: get('All flows with what their attempts came to', FlowTable, { query: [windowQuery, focusQuery] }),
  },
  '/api/flows/{id}': { get: get('One flow', FlowPage, OF_FLOW) },
  '/api/flows/{id}/steps': { get: get('Steps inside a flow, each against its own limit', Steps, OF_FLOW) },
  '/api/flows/{id}/field': { get: get('Attempts of a flow by time and duration', Field, OF_FLOW) },
  '/api/flows/{id}/region': {
    get: get('Attempts of a part of the field, worst first; of those that succeeded, with most value first', Region, {
      path: [flowId],
      query: [windowQuery, focusQuery, regionQuery],
    }),
  },
  '/api/flows/{id}/path': { get: get('The components that a flow goes through', Path, OF_FLOW) },
  '/api/flow-counts': { get: get('All that was ever recorded, by flow', FlowCounts) },
};
