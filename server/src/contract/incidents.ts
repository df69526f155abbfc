import type { Static } from '@sinclair/typebox';
import { INDICATORS } from '@toplens/core/flows';
import { array, object, string } from 'yup';
import { numberInput } from './number-input';
import { get, incidentId, ok, post, type Paths } from './paths';
import { focusQuery, rankingQuery, whoDoes, windowQuery } from './queries';
import { BASES, LEVELS, LIMIT_SETTERS, SIGNALS } from '@toplens/core/normal';
import { BILL_LINES, HIT_MEASURES, PRIORITIES, RANKINGS } from '@toplens/core/incidents';
import { DIMENSIONS } from '@toplens/core/telemetry';
import { Sample } from './attempts';
import { Chart, Freshness, Interval, Mark, Remaining, Series, Window } from './common';
import { HandoffMark } from './handoffs';
import {
  CURRENCY,
  EPOCH_MS,
  POINTS,
  MS,
  SHARE,
  US,
  flag,
  integer,
  list,
  number,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
  texts,
} from './words';

const outcomes = record(
  {
    onTime: integer('attempts that took no longer than the limit', 'attempts', 1400),
    late: integer('attempts that took longer than the limit', 'attempts', 140),
    hung: integer('attempts that took so long that people gave up', 'attempts', 4),
    failed: integer('attempts that failed', 'attempts', 31),
  },
  'attempts by what became of them',
);

export const Row = resource('Row', 'One incident of the list', {
  id: integer('number of the incident', '1', 7),
  rank: integer('rank under the chosen ranking, 1 is worst', 'rank', 1),
  moved: orNull(
    integer('places gained since ten minutes before (positive: worse now); null when it was not there', 'ranks', 2),
  ),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
  application: text('name of the application', 'Courier app'),
  flows: texts('names of the flows in trouble', ['Pay', 'Print labels']),
  signal: oneOf(SIGNALS, 'what is wrong'),
  level: oneOf(LEVELS, 'how bad it is'),
  priority: oneOf(PRIORITIES, 'what is to be looked at first'),
  onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
  endMs: number('first moment that is usual again; the newest judged minute while it goes on', EPOCH_MS, 1772446440000),
  activeAtEnd: flag('went on at the end of the window'),
  inTroubleNow: flag('goes on now, whatever window is looked at'),
  trend: oneOf(['growing', 'steady', 'fading', 'new', 'over'], 'how it changes'),
  outcomes,
  missingAttempts: integer('attempts that were expected and never came, in the flow that misses most', 'attempts', 44),
  harmPerHour: number('harm an hour', 'min/h', 214),
  harm: ref(Interval, "harm, minutes of people's time"),
  people: ref(Interval, 'people hurt beyond the usual, each counted once'),
  isAbout: flag('many of its attempts do not say whose they are: each of these counts as a person'),
  money: number('value lost', CURRENCY, 1840),
  keyCustomers: number('harm to key customers', POINTS, 12),
  weight: number("what it weighs under the chosen ranking, in that ranking's unit", '1', 1),
  promiseSpent: orNull(
    record(
      {
        name: text('name of the promise', 'Labels for partners'),
        budgetShare: number('of all that may be bad in its period', SHARE, 0.12),
      },
      'the promise of whose budget it took most in the window; null when of none',
    ),
  ),
  best: integer('best rank by harm while each rate is halved and doubled', 'rank', 1),
  worst: integer('worst rank by harm while each rate is halved and doubled', 'rank', 2),
  nearTie: flag("its range overlaps with a neighbour's"),
  spark: ref(Series, 'the measure in trouble, for a small chart'),
  marks: list(ref(Mark), 'what was changed on its way, on the time axis of the small chart'),
  proposedTeam: orNull(text('the team that should get it; null when none is known', 'Slots Team')),
  handoff: orNull(ref(HandoffMark, 'the newest handoff of it, as it is now; null when it has none')),
  handoffThen: orNull(ref(HandoffMark, 'the same as it was at the end of a past window; null when it had none yet')),
});
export type RowShape = Static<typeof Row>;

export const EarlyWarning = resource('EarlyWarning', 'An incident that hurts nobody so far', {
  id: integer('number', '1', 7),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
  application: text('name of the application', 'Courier app'),
  onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
  inTroubleNow: flag('goes on now, whatever window is looked at'),
  mayBecome: text('what may come of it, in words', 'If it goes on, people who come this way will feel it.'),
});
export type EarlyWarningShape = Static<typeof EarlyWarning>;

export const SetAside = resource('SetAside', 'An incident that people set aside', {
  id: integer('number', '1', 7),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
  reason: text('why, in words', 'a holiday moved by a week'),
  by: text('who did it', 'Dana'),
  untilMs: number('until when', EPOCH_MS, 1772532840000),
});
export type SetAsideShape = Static<typeof SetAside>;

export const Compared = resource('Compared', 'The figures of the list in another window', {
  fromMs: number('begin', EPOCH_MS, 1772442000000),
  toMs: number('end', EPOCH_MS, 1772445600000),
  words: text('in words', ''),
  harmPerHour: number('harm an hour', 'min/h', 214),
  people: number('persons, each counted once', 'people', 128),
  incidents: integer('incidents that hurt somebody', 'incidents', 2),
  isKnown: flag('data reaches back so far'),
});
export type ComparedShape = Static<typeof Compared>;

export const WorstFirst = resource('WorstFirst', 'The incidents of a window, worst first', {
  window: ref(Window, 'what was looked at'),
  ranking: oneOf(RANKINGS, 'what orders the list'),
  headline: text('first sentence: how many people, what it costs', '128 people are being hurt'),
  detail: text('second sentence: money, and who has what', '12 people an hour give up. Two have no team yet.'),
  together: record(
    {
      people: ref(Interval, 'persons hurt, each counted once'),
      harmPerHour: ref(Interval, 'harm an hour, minutes'),
      money: ref(Interval, 'value not earned'),
    },
    'all incidents together; the ranges take it that they err independently of each other',
  ),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  rows: list(ref(Row), 'rows'),
  earlyWarnings: list(ref(EarlyWarning), 'incidents that hurt nobody so far'),
  learning: orNull(
    record(
      {
        flows: integer('flows that are judged by their first minutes alone', 'flows', 3),
        of: integer('flows that people used in the last hour', 'flows', 8),
        usualFromMs: orNull(
          number(
            'from when on what is usual for the first of them is known, if attempts go on coming',
            EPOCH_MS,
            1772446440000,
          ),
        ),
      },
      'of what is used it is not known yet what is usual; null when it is of all',
    ),
  ),
  hasPromises: flag('something is promised'),
  setAside: list(ref(SetAside), 'incidents that people set aside'),
  compared: orNull(ref(Compared, 'the same figures of another window; null when none is compared with')),
  remaining: orNull(ref(Remaining, 'what the focus leaves; null when nothing is narrowed, or the window is long')),
  lastEndedMs: orNull(
    number(
      'end of the last incident before the window, when nothing is wrong; null when there never was one',
      EPOCH_MS,
      1772439000000,
    ),
  ),
  applications: texts('names of all applications, in order of the alphabet', ['Sender Portal', 'Shipper Link']),
  teams: texts('names of all teams', ['Checkout', 'Data Stores']),
  flows: list(
    record({
      id: integer('number', '1', 7),
      name: text('name of the flow', 'Book a pick-up'),
      application: text('name of the application', 'Courier app'),
    }),
    'flows that can be looked at by themselves',
  ),
  dimensions: list(
    record({
      dimension: oneOf(DIMENSIONS, 'by what attempts are told apart'),
      values: texts('values', ['Depot North', 'Depot South']),
    }),
    'values that ever came, by dimension',
  ),
  freshness: ref(Freshness, 'up to when data is complete and judged'),
});
export type WorstFirstShape = Static<typeof WorstFirst>;

export const Change = resource('Change', 'What changed in a flow or component at the end of a window', {
  kind: oneOf(['flow', 'component'], 'what it is'),
  name: text('name of the flow or component', 'slots'),
  id: orNull(integer('number', '1', 7)),
  measure: oneOf(['attempts', 'failures', 'duration'], 'what changed'),
  ratio: orNull(
    number('the end of the window against the time before it; null where there was nothing before', '1', 3.4),
  ),
  words: text('in words', ''),
});
export type ChangeShape = Static<typeof Change>;

export const Changes = resource('Changes', 'The last twelfth of a window against the rest of it', {
  window: ref(Window, 'the end of the window, which is compared'),
  before: ref(Window, 'the longer time before it'),
  changes: list(ref(Change), 'every flow and component, the largest change first'),
});
export type ChangesShape = Static<typeof Changes>;

export const Releases = resource('Releases', 'Releases of the week before the end of a window', {
  releases: list(
    record({
      version: text('version', '4.18.0'),
      of: text('application or component', 'slots'),
      atMs: number('when it was first seen', EPOCH_MS, 1772442840000),
    }),
    'the newest first',
  ),
});
export type ReleasesShape = Static<typeof Releases>;

export const BillLine = resource('BillLine', 'One line of the harm bill: quantity × rate × importance', {
  name: oneOf(BILL_LINES, 'which line'),
  quantity: ref(Interval, 'what the line counts, in its own unit'),
  rate: number('harm of one', POINTS, 3),
  importance: number('of the flows in it, mean by quantity: 1 is as any other', '1', 1),
  harm: ref(Interval, 'harm, in points: one is a minute waited'),
});
export type BillLineShape = Static<typeof BillLine>;

export const Part = resource('Part', "One flow's part of an incident", {
  flowId: integer('number of the flow', '1', 3),
  flow: text('name of the flow', 'Book a pick-up'),
  technicalName: text('method and route, screen, or name of the span', 'POST /pick-ups'),
  signal: oneOf(SIGNALS, 'what is wrong'),
  level: oneOf(LEVELS, 'how bad it is'),
  onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
  endMs: number('first moment that is usual again; the newest judged minute while it goes on', EPOCH_MS, 1772446440000),
  active: flag('still goes on at the newest judged minute'),
  basis: oneOf(BASES, 'what the normal is learned from, best first'),
  limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
  limitBy: oneOf(LIMIT_SETTERS, 'who set the limit that judges; published: how long people are known to wait'),
  learnedLimitMs: orNull(number('limit that is learned from what is usual; null where nothing is known', MS, 900)),
  expectedMs: orNull(number('how long it usually takes; null where nothing is known', MS, 420)),
});
export type PartShape = Static<typeof Part>;

const contrastOf = (
  description: string,
  unit: string,
  [here, elsewhere, low, high]: [number, number, number, number],
) =>
  record(
    {
      here: number('of those with the value, each against their own usual', unit, here),
      elsewhere: number('of all others, likewise', unit, elsewhere),
      low: orNull(number('lower end of the 95 % range of the difference; null: without bound', unit, low)),
      high: orNull(number('upper end of it; null: without bound', unit, high)),
    },
    description,
  );

export const Segment = resource('Segment', 'Attempts of one value of a dimension, against all others', {
  dimension: oneOf(DIMENSIONS, 'by what attempts are told apart'),
  value: text('value of the dimension', 'Depot North'),
  all: integer('attempts there in all', '1', 1840),
  bad: integer('attempts that were late, hung or failed', 'attempts', 212),
  people: integer('persons, each counted once', 'people', 128),
  shareOfBad: number('share of the bad attempts that came this way', SHARE, 0.7),
  shareOfAll: number('share of all attempts that came this way', SHARE, 0.2),
  relativeRisk: orNull(
    number('how many times as often it goes wrong here; null: nothing went wrong elsewhere', '1', 3.4),
  ),
  low: number('lower end of the interval of the relative risk', '1', 2.2),
  high: orNull(number('upper end of the interval of the relative risk; null: without bound', '1', 6.1)),
  excess: number('attempts that went wrong beyond what the rest of the attempts would let expect', 'attempts', 180),
  by: list(oneOf(HIT_MEASURES, 'a measure'), 'by what it stands out; empty when it does not'),
  waited: orNull(
    contrastOf(
      'waited longer than usual, mean of an attempt that did not fail; null: too few can tell',
      'ms',
      [4200, 2800, 1100, 1700],
    ),
  ),
  left: orNull(
    contrastOf(
      'share of the sessions that went no further, beyond the usual; null: cannot be told',
      SHARE,
      [0.18, 0.06, 0.08, 0.16],
    ),
  ),
  words: text(
    'by what it stands out, in words',
    'site Ostrel: waits 4.2 s longer than usual, elsewhere 2.8 s; 18 % more leave than usual, elsewhere 6 %',
  ),
});
export type SegmentShape = Static<typeof Segment>;

export const MostHit = resource('MostHit', 'Who is hit more than others, who less, and what makes no difference', {
  segments: list(ref(Segment), 'values whose people are hit more than others'),
  spared: list(ref(Segment), 'values whose people are hit less'),
  ruledOut: list(
    record({
      dimension: oneOf(DIMENSIONS, 'by what attempts are told apart'),
      why: oneOf(['oneValue', 'noDifference'], 'why, in words'),
      value: orNull(text('value', '')),
    }),
    'dimensions that make no difference by any measure, or have one value',
  ),
  measures: list(oneOf(HIT_MEASURES, 'a measure'), 'what was compared'),
  bad: integer('attempts that were late, hung or failed', 'attempts', 212),
  all: integer('attempts there in all', '1', 1840),
});
export type MostHitShape = Static<typeof MostHit>;

export const Outage = resource('Outage', 'What usually serves attempts that no longer come', {
  words: texts('what it comes to, in sentences', [
    'Nothing reaches gateway, the first component on the way (0 a minute, usually 12): look at what lies in front of it – network, sign-in, whoever sends.',
  ]),
  path: list(
    record({
      component: text('name of the component (service.name)', 'gateway'),
      depth: number('steps below the begin, mean', '1', 0),
      usualPerMinute: number('spans of all that it serves, in the hour before', '1/min', 12.1),
      nowPerMinute: number('the same while attempts were missing', '1/min', 0),
      state: oneOf(['silent', 'less', 'usual'], 'next to nothing came, clearly less than usual, or as usual'),
      silentHosts: texts('hosts that fell silent while others of it still work', ['north-2']),
    }),
    'components that usually serve them, from the top down',
  ),
  changes: texts('what was changed on the way shortly before', ['gateway 4.18.0 released 6 min before it began']),
});
export type OutageShape = Static<typeof Outage>;

export const Origin = resource('Origin', 'In which component it may have begun', {
  candidates: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      score: number('how much speaks for it, 0 to 1', '1', 0.82),
      reasons: texts('what speaks for it, weightiest first', [
        'is the innermost component to fail in 38 of 40 attempts',
      ]),
      team: orNull(text('name of the team', 'Slots Team')),
    }),
    'components in which it may have begun, likeliest first',
  ),
  changes: texts('what was changed on the affected paths shortly before', ['slots 4.18.0, 6 minutes before']),
  second: orNull(text('a second component in which something began at the same time; null when none did', 'labels')),
  trust: orNull(
    number(
      'share of known worlds in which a candidate as far ahead as the first was right; null when none is ahead',
      SHARE,
      0.93,
    ),
  ),
  rungs: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      depth: number('steps below the begin, mean', '1', 2),
      usualUs: number('time that an attempt usually spends in it, mean', US, 42000),
      nowUs: number('time that an attempt spends in it now, mean', US, 1840000),
      failing: integer('attempts in which it is the deepest component that fails', 'attempts', 18),
      onsetMs: orNull(number('when it began, told by change-point', EPOCH_MS, 1772442840000)),
      isSilent: flag('sends no spans of its own: this is what its callers saw'),
    }),
    'components on the affected paths, from the top down',
  ),
  bad: integer('attempts that were late, hung or failed', 'attempts', 212),
  usual: integer('usual attempts that it is compared with', 'attempts', 80),
  shared: list(
    record({
      id: integer('number', '1', 7),
      name: text('name of the flow', 'Book a pick-up'),
      application: text('name of the application', 'Courier app'),
      level: oneOf([...LEVELS, 'learning', 'noData'], 'how bad it is; learning: not known yet what is usual'),
    }),
    'other flows that reach the first candidate, and how they are in the window',
  ),
});
export type OriginShape = Static<typeof Origin>;

export const LostByTier = resource('LostByTier', 'Value that an incident cost, by tier', {
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  whole: ref(Interval, 'of all tiers together'),
  tiers: list(
    record({
      tier: text("tier of the customer; '' when not told", 'business'),
      money: ref(Interval, 'value lost, units of currency'),
      people: ref(Interval, 'people hurt beyond the usual, each counted once'),
    }),
    'by tier',
  ),
});
export type LostByTierShape = Static<typeof LostByTier>;

const titled = record({
  id: integer('number of the incident', '1', 7),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
});

export const Incident = resource('Incident', 'One incident within a window', {
  id: integer('number of the incident', '1', 7),
  window: ref(Window, 'what was looked at'),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
  sentence: text('who is hurt and how, in one sentence', ''),
  application: text('name of the application', 'Courier app'),
  signal: oneOf(SIGNALS, 'what is wrong'),
  level: oneOf(LEVELS, 'how bad it is'),
  priority: oneOf(PRIORITIES, 'what is to be looked at first'),
  trend: oneOf(['growing', 'steady', 'fading', 'new', 'over'], 'how it changes'),
  onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
  detectedMs: number('since when it was known', EPOCH_MS, 1772443020000),
  endMs: number('first moment that is usual again; the newest judged minute while it goes on', EPOCH_MS, 1772446440000),
  activeAtEnd: flag('went on at the end of the window'),
  inTroubleNow: flag('goes on now, whatever window is looked at'),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  parts: list(ref(Part), 'parts'),
  bill: list(ref(BillLine), 'lines of the harm bill: quantity, rate, harm'),
  penalties: number('of the money, what it adds to the penalties expected', CURRENCY, 120),
  promises: list(
    record({
      name: text('name of the promise', 'Labels for partners'),
      indicator: oneOf(INDICATORS, 'what it counts, and what makes that good'),
      bad: number('bad ones of what it counts, beyond the usual, in the window', '1', 42),
      budgetShare: number('of all that may be bad in its period', SHARE, 0.12),
      penalty: number('what it adds to the penalty expected', CURRENCY, 120),
    }),
    'promises whose budget it spent of; those that it makes dearest first',
  ),
  harm: ref(Interval, "harm, minutes of people's time"),
  harmPerHour: number('harm an hour', 'min/h', 214),
  rank: orNull(integer('null when it does not count in the rank', 'rank', 1)),
  best: orNull(integer('best rank by harm while each rate is halved and doubled', 'rank', 1)),
  worst: orNull(integer('worst rank by harm while each rate is halved and doubled', 'rank', 2)),
  nearTie: flag("its range overlaps with a neighbour's"),
  people: ref(Interval, 'people hurt beyond the usual, each counted once'),
  isAbout: flag('many of its attempts do not say whose they are: each of these counts as a person'),
  keyPeople: integer('people hurt who belong to key tiers', 'people', 4),
  outcomes,
  charts: list(ref(Chart), 'series to draw, beside what is usual'),
  marks: list(ref(Mark), 'releases, on the time axis'),
  mostHit: ref(MostHit, 'who is hit more than others'),
  samples: list(ref(Sample), 'attempts to look at'),
  component: orNull(
    record(
      {
        name: text('name', 'Book a pick-up'),
        words: text('in words', ''),
      },
      'name of the component (service.name)',
    ),
  ),
  origin: orNull(ref(Origin, 'where it began; null where no attempt came whose trace could tell')),
  outage: orNull(ref(Outage, 'where attempts that never came may have been lost; null when they came')),
  proposedTeam: orNull(
    record(
      {
        team: text('name of the team', 'Slots Team'),
        reason: text('why, in words', 'a holiday moved by a week'),
      },
      'the team that should get it; null when none is known',
    ),
  ),
  teams: texts('names of all teams', ['Checkout', 'Data Stores']),
  remaining: orNull(ref(Remaining, 'what the focus leaves; null when nothing is narrowed, or the window is long')),
  setAside: orNull(
    record(
      {
        reason: text('why, in words', 'a holiday moved by a week'),
        by: text('who did it', 'Dana'),
        untilMs: number('until when', EPOCH_MS, 1772532840000),
      },
      'why it was set aside; null when it was not',
    ),
  ),
  failures: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      type: text('what was thrown, or the kind of the error', 'SurchargeMissing'),
      message: text('one of its messages', 'no surcharge for band 4'),
      messages: integer('how many different messages there were', '1', 1),
      className: text("class; '' where the stack does not say", 'Tariff'),
      method: text("method; '' where the stack does not say", 'surcharge'),
      file: text("file; '' where the stack does not say", 'tariff.ts'),
      line: integer('line; 0 where the stack does not say', '1', 118),
      attempts: integer('attempts that failed so', 'attempts', 180),
      looked: integer('newest failing attempts that were looked at', 'attempts', 210),
    }),
    'what its failing attempts have in common, the place that most of them share first; empty where none fails, or says where',
  ),
  joined: list(titled, 'incidents that people joined with it'),
  nearby: list(titled, 'incidents of about the same time, which might be one with it'),
  decisions: list(
    record({
      at: text('when, as ISO 8601 in UTC', '2026-03-02T09:14:00.000Z'),
      who: text('who did it', 'Dana'),
      what: text('what it was', ''),
      detail: text('more, for people', ''),
    }),
    'what people decided about it, newest first',
  ),
});
export type IncidentShape = Static<typeof Incident>;

export const Decided = resource('Decided', 'The incident to look at now', {
  id: integer('number', '1', 7),
});
export type DecidedShape = Static<typeof Decided>;

const because = string().trim().max(500).meta({ description: 'setAside: why', example: 'planned maintenance' });

export const newDecision = object({
  who: whoDoes('decides'),
  what: string()
    .oneOf(['join', 'unjoin', 'split', 'setAside', 'takeBack'])
    .required()
    .meta({ description: 'what is decided', example: 'setAside' }),
  into: numberInput()
    .integer()
    .positive()
    .when('what', { is: 'join', then: (into) => into.required('into: say into which incident') })
    .meta({ description: 'join: number of the incident into which it is joined', example: 5 }),
  flows: array(numberInput().integer().positive().required())
    .when('what', { is: 'split', then: (flows) => flows.required().min(1, 'flows: say which flows are split off') })
    .meta({ description: 'split: numbers of the flows that are split off', example: [3] }),
  reason: because.when('what', {
    is: 'setAside',
    then: (reason) => reason.required('reason: say why it is set aside'),
  }),
  untilMs: numberInput()
    .integer()
    .when('what', { is: 'setAside', then: (untilMs) => untilMs.required('untilMs: say until when') })
    .meta({ description: 'setAside: until when, at most a month from now', unit: EPOCH_MS, example: 1772532840000 }),
});

export const SlowerStatements = resource(
  'SlowerStatements',
  'Statements that explain why the attempts of an incident take longer than in the hours before',
  {
    attempts: integer('attempts of its first hour that were looked at, a fair sample', 'attempts', 150),
    usualAttempts: integer('of the three hours before it', 'attempts', 150),
    statements: list(
      record({
        component: text('store that it was sent to', 'slots-db'),
        statement: text('its shape, values left out', 'SELECT … FROM slot WHERE depot = ?'),
        nowMs: number('of a mean attempt', MS, 410),
        usualMs: number('the same before; 0 where it was not sent', MS, 12),
        nowCalls: number('calls of a mean attempt', '1', 1),
        usualCalls: number('the same before', '1', 1),
        shareOfExcess: number('of what attempts take longer', SHARE, 0.8),
        words: text('in words', '410 ms of an attempt, usually 12 ms: 80 % of what attempts take longer'),
      }),
      'those that explain most first; empty where none does, or nothing got slower',
    ),
  },
);
export type SlowerStatementsShape = Static<typeof SlowerStatements>;

export const incidentPaths: Paths = {
  '/api/worst-first': {
    get: get('Incidents of a window, worst first', WorstFirst, { query: [windowQuery, focusQuery, rankingQuery] }),
  },
  '/api/releases': {
    get: get('Releases that a window can be compared with', Releases, { query: [windowQuery] }),
  },
  '/api/changes': {
    get: get('Sudden changes: the end of a window against the time before it, for every flow and component', Changes, {
      query: [windowQuery],
    }),
  },
  '/api/incidents/{id}': {
    get: get('One incident within a window', Incident, {
      path: [incidentId],
      query: [windowQuery, focusQuery, rankingQuery.pick(['rates'])],
    }),
  },
  '/api/incidents/{id}/statements': {
    get: get('Statements that explain why an incident is slow', SlowerStatements, { path: [incidentId] }),
  },
  '/api/incidents/{id}/lost-by-tier': {
    get: get('Value that an incident cost so far, by tier', LostByTier, {
      path: [incidentId],
      query: [windowQuery, focusQuery],
    }),
  },
  '/api/incidents/{id}/decisions': {
    post: post('Decision on an incident: joins, splits, sets aside, and takes back', {
      path: [incidentId],
      body: newDecision,
      answers: { '200': ok(Decided, 'the incident to look at now') },
    }),
  },
};
