import type { Static } from '@sinclair/typebox';
import { get, path, type Paths } from './paths';
import { focusQuery, windowQuery } from './queries';
import { MONEY_VERDICTS } from '@toplens/core/money';
import { STEP_PARTS } from '@toplens/core/journeys';
import { ATTEMPT_KINDS } from '@toplens/core/telemetry';
import { object, string } from 'yup';
import { Sample } from './attempts';
import { Interval, Window } from './common';
import {
  CURRENCY,
  MS,
  SHARE,
  flag,
  integer,
  integers,
  list,
  number,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
} from './words';

export const JourneyStep = resource('JourneyStep', 'One step of a journey', {
  flow: integer('number of the flow', '1', 3),
  name: text('name of the flow', 'Book a pick-up'),
  people: number('persons, each counted once', 'people', 128),
  sessions: number('sessions', 'sessions', 900),
  wentOn: number('sessions that went on to the next step', 'sessions', 810),
  undecided: number('sessions of which it cannot be told yet', 'sessions', 12),
  left: number('people who left here', 'people', 31),
  exposed: number('sessions that met late, hung or failed attempts here', 'sessions', 96),
  usuallyExposed: number('sessions that usually meet late, hung or failed attempts here', 'sessions', 8),
  beyondUsual: ref(Interval, 'people who left because of something bad, beyond the usual'),
  lost: ref(Interval, 'value lost, units of currency'),
  usualLeaving: orNull(number('share of people who leave here as usual; null where nothing is known', SHARE, 0.08)),
  attributable: orNull(
    number('people who left beyond the usual and met something bad before; null where it cannot be told', 'people', 31),
  ),
  isBad: flag('more people left than chance explains'),
  medianMs: orNull(number('half took less; null without any', MS, 420)),
  failedShare: orNull(number('share of attempts that failed', SHARE, 0.04)),
  incidents: integers('numbers of the incidents that this step is a part of', '1', [7]),
});
export type JourneyStepShape = Static<typeof JourneyStep>;

export const Journey = resource('Journey', 'A way that people walk through flows', {
  id: text('numbers of its flows, joined by hyphens', '3-5-9'),
  key: text('key of its settings', 'flow Courier app Log on'),
  window: ref(Window, 'what was looked at'),
  name: text('name, as people gave it or made of its first and last step', 'Book a pick-up'),
  isNamed: flag('people gave it its name'),
  application: text('name of the application', 'Courier app'),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  every: integer('one of so many sessions was looked at; counts are of all', '1', 1),
  setOut: number('people who made the first step', 'people', 900),
  completed: number('people who came to the last step', 'people', 410),
  value: number('value', '1', 1),
  valueEach: orNull(number('value of one completion, mean; null where none is told', CURRENCY, 38)),
  beyondUsual: number('people who left beyond the usual at bad steps', 'people', 48),
  lost: number('value of those who left beyond the usual', CURRENCY, 1840),
  steps: list(ref(JourneyStep), 'steps, first one first'),
  repairs: list(
    record({
      step: integer('step, from 0', '1', 2),
      flow: integer('the flow', '1', 1),
      comeBack: number('more people who go on from here', 'people', 178),
      hidden: number('of them, lost at a later bad step until that is fixed too', 'people', 24),
      completions: number('more people who come to the last step', 'people', 154),
      value: number('value', '1', 1),
    }),
    'what mending each bad step brings, upstream first',
  ),
});
export type JourneyShape = Static<typeof Journey>;

export const JourneyStepPage = resource('JourneyStepPage', 'Sessions at one step of a journey', {
  window: ref(Window, 'what was looked at'),
  journey: text('name of the journey', 'Book a pick-up'),
  step: integer('step, from 1', '1', 2),
  steps: integer('steps of the journey', '1', 4),
  flow: integer('number of the flow', '1', 3),
  name: text('name of the flow', 'Book a pick-up'),
  of: oneOf(STEP_PARTS, 'which sessions'),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  every: integer('one of so many sessions was looked at; counts are of all', '1', 1),
  sessions: number('sessions, as the journey counts them', 'sessions', 62),
  beyondUsual: orNull(
    ref(Interval, 'people who left because of something bad, beyond the usual; null where the step is not bad'),
  ),
  samples: list(
    ref(Sample),
    'of each session its worst attempt at this step; those with the worst first, at most sixty sessions',
  ),
});
export type JourneyStepPageShape = Static<typeof JourneyStepPage>;

export const journeyStepQuery = object({
  of: string().oneOf(STEP_PARTS).default('came').meta({
    description:
      'which sessions: all that came, went on, may still go on, left, left after they met trouble here, or met trouble here',
    example: 'left',
  }),
});

export const Journeys = resource('Journeys', 'All journeys of a window', {
  window: ref(Window, 'what was looked at'),
  journeys: list(ref(Journey), 'ways that people walk, the busiest first'),
});
export type JourneysShape = Static<typeof Journeys>;

export const MoneyFigure = resource('MoneyFigure', 'One quantity against the same hours of like days', {
  value: orNull(number('value in the window; null where there is none', '1', 1)),
  expected: orNull(number('what is usual; null where nothing is known', '1', 1)),
  low: orNull(number('lower end of the range in which 95 of 100 like days lie; null where nothing is known', '1', 1)),
  high: orNull(number('upper end of the range in which 95 of 100 like days lie; null where nothing is known', '1', 1)),
  verdict: oneOf(MONEY_VERDICTS, 'how it is against the usual'),
});
export type MoneyFigureShape = Static<typeof MoneyFigure>;

export const Revenue = resource('Revenue', 'What a flow brings in', {
  flow: integer('number of the flow', '1', 3),
  kind: oneOf(ATTEMPT_KINDS, 'what it is'),
  name: text('name', 'Book a pick-up'),
  application: text('name of the application', 'Courier app'),
  start: orNull(text('the step that its way begins with; null when no way is known', '')),
  journey: orNull(text('the way: numbers of its flows, joined by hyphens; null when no way is known', '3-5-9')),
  days: integer('like days that it is compared with', 'days', 8),
  lost: ref(Interval, 'value lost, units of currency'),
  orders: ref(MoneyFigure, 'orders completed'),
  value: ref(MoneyFigure, 'value completed'),
  size: ref(MoneyFigure, 'value of an order'),
  conversion: ref(MoneyFigure, 'orders for each start of the way'),
});
export type RevenueShape = Static<typeof Revenue>;

export const Money = resource('Money', 'What all flows with value bring in', {
  window: ref(Window, 'what was looked at'),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  isNarrowed: flag(
    'the view is narrowed over more than eight hours: single days are not read so far, these figures are of all',
  ),
  flows: list(ref(Revenue), 'flows that carry value'),
});
export type MoneyShape = Static<typeof Money>;

export const journeyPaths: Paths = {
  '/api/journeys': {
    get: get('Ways that people walk through flows: who sets out, leaves, completes', Journeys, {
      query: [windowQuery, focusQuery],
    }),
  },
  '/api/journeys/{id}': {
    get: get('One journey, step by step, and in which order to mend', Journey, {
      path: [path('id', 'numbers of its flows, joined by hyphens', '3-5-9')],
      query: [windowQuery, focusQuery],
    }),
  },
  '/api/journeys/{id}/steps/{step}': {
    get: get('The sessions at one step of a journey, by what became of them', JourneyStepPage, {
      path: [path('id', 'numbers of its flows, joined by hyphens', '3-5-9'), path('step', 'the step, from 1', 2)],
      query: [windowQuery, focusQuery, journeyStepQuery],
    }),
  },
  '/api/money': {
    get: get('Orders, value, size and conversion against the same hours of like days', Money, {
      query: [windowQuery, focusQuery],
    }),
  },
};
