import type { Static } from '@sinclair/typebox';
import { attemptIds, get, type Paths } from './paths';
import { Window } from './common';
import { Hosts } from './infrastructure';
import { OUTCOMES } from '@toplens/core/flows';
import { LIMIT_SETTERS } from '@toplens/core/normal';
import { ATTEMPT_KINDS, DIMENSIONS } from '@toplens/core/telemetry';
import { LogLine } from './logs';
import {
  CURRENCY,
  EPOCH_MS,
  MS,
  SHARE,
  US,
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

export const Sample = resource('Sample', 'An attempt to look at', {
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  durationMs: number('how long it took', MS, 1840),
  outcome: oneOf(OUTCOMES, 'what became of the attempt'),
  failure: text("what failed; '' when nothing did", 'GatewayTimeout'),
  traceId: text(
    "identity of the trace, 32 hexadecimal digits; '' or null where it is not kept",
    '4bf92f3577b34da6a3ce929d0e0e4736',
  ),
  spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
  person: text("a pseudonym: tells persons apart, not who they are; '' when not told", 'person 3f9a-20c1'),
  component: text('name of the component (service.name)', 'slots'),
  value: orNull(number('what it brought; null where it failed or carries no value', CURRENCY, 38)),
});
export type SampleShape = Static<typeof Sample>;

export const AttemptRow = resource('AttemptRow', 'One span of an attempt, or several alike', {
  id: text('identity of the span, 16 hexadecimal digits', '00f067aa0ba902b7'),
  name: text('name of the span', 'POST /pick-ups'),
  component: text('name of the component (service.name)', 'slots'),
  host: text("name of the host; '' where there is none", 'depot-07'),
  peer: text("what was called, as the caller names it; '' for others", 'slots-db'),
  statement: text("statement as it was sent, values left out; '' for others", 'SELECT … FROM slot WHERE depot = ?'),
  failure: text("what failed; '' when nothing did", 'GatewayTimeout'),
  depth: integer("steps below the attempt's begin", '1', 2),
  fromUs: number("from the attempt's begin", US, 12000),
  durationUs: number('how long it took', US, 184000),
  own: numbers(
    "begin and end, in turn, of the parts in which nothing below it runs, from the attempt's begin",
    US,
    [12_000, 18_000, 90_000, 102_000],
  ),
  ownUs: number('time in which nothing below it runs', US, 18000),
  shareUs: number('its part of the attempt, parallel work shared evenly: all rows add up to the attempt', US, 42000),
  calls: integer('how often', 'calls', 42),
  callsUs: number('time in which at least one of these calls ran', US, 61000),
  callsSumUs: number('time of all these calls together', US, 84000),
  foldedInto: text("the row that stands for this call and others alike; '' for others", '00f067aa0ba902b7'),
  isMissing: flag('it never came: others name it as their parent'),
  runsOn: flag('it went on after its parent ended'),
});
export type AttemptRowShape = Static<typeof AttemptRow>;

export const AttemptPage = resource('AttemptPage', 'One attempt with all its spans', {
  traceId: text(
    "identity of the trace, 32 hexadecimal digits; '' or null where it is not kept",
    '4bf92f3577b34da6a3ce929d0e0e4736',
  ),
  spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
  flow: record(
    {
      id: integer('number', '1', 7),
      name: text('name of the flow', 'Book a pick-up'),
      technicalName: text('method and route, screen, or name of the span', 'POST /pick-ups'),
      application: text('name of the application', 'Courier app'),
      kind: oneOf(ATTEMPT_KINDS, 'what it is'),
    },
    'the flow',
  ),
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  durationMs: number('how long it took', MS, 1840),
  wholeMs: number(
    'from where it began, in a browser or on a phone where that is told: what the rows are laid out in',
    MS,
    1960,
  ),
  ranOn: text("the person's own device, as its spans tell it; '' where they do not", 'Pixel 9 · Android 16'),
  outcome: oneOf(OUTCOMES, 'what became of the attempt'),
  limitMs: orNull(number('an attempt that takes longer is late; null where nothing is known', MS, 800)),
  limitBy: oneOf(LIMIT_SETTERS, 'who set the limit that judges; published: how long people are known to wait'),
  expectedMs: orNull(number('how long it usually takes; null where nothing is known', MS, 420)),
  failure: text("what failed; '' when nothing did", 'GatewayTimeout'),
  person: text("a pseudonym, or the person's id where it is unmasked; '' when not told", 'person 3f9a-20c1'),
  phoneSession: orNull(
    text('session on a phone that it belongs to, 8 hexadecimal digits; null where none is told', '00c0ffee'),
  ),
  isUnmasked: flag('ids, messages and lines stand here as they were sent'),
  values: list(
    record({
      dimension: oneOf(DIMENSIONS, 'by what attempts are told apart'),
      value: text('value of the dimension', 'Depot North'),
    }),
    'values',
  ),
  value: orNull(number('value completed; null when it carries none', CURRENCY, 42.5)),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  failures: list(
    record({
      spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
      component: text('name of the component (service.name)', 'slots'),
      type: text('class of the failure', 'TypeError'),
      message: text('message of the failure', 'connection timed out'),
      className: text("class in which it failed; '' when not told", 'PaymentClient'),
      method: text("function or method; '' when not told", 'pay'),
      file: text("file; '' when not told", 'checkout.js'),
      line: integer('line of the place, from 1; 0 when not told', '1', 214),
      stack: text("stack trace as it was sent; '' when not told", ''),
    }),
    'what failed, the one that tells most first',
  ),
  components: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      shareUs: number(
        'its part of the attempt, parallel work shared evenly: all rows add up to the attempt',
        US,
        42000,
      ),
      share: number("share of the attempt's time", SHARE, 0.42),
      spans: integer('spans that it has', 'spans', 4),
      failed: integer('spans that failed', 'spans', 1),
      usualUs: orNull(number('time that an attempt usually spends in it, mean', US, 42000)),
    }),
    "each component's share of the attempt",
  ),
  rows: list(ref(AttemptRow), 'rows'),
  clocks: list(
    record({
      host: text("name of the host; '' where there is none", 'depot-07'),
      offsetUs: number('added to its times', US, 1200),
    }),
    'hosts whose clocks were put right',
  ),
  missing: integer('spans that others name as their parent and that never came', 'spans', 0),
  usual: orNull(
    record(
      {
        traceId: text(
          "identity of the trace, 32 hexadecimal digits; '' or null where it is not kept",
          '4bf92f3577b34da6a3ce929d0e0e4736',
        ),
        spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
        atMs: number('when it was', EPOCH_MS, 1772442840000),
        durationMs: number('how long it took', MS, 1840),
      },
      'an attempt of the same flow that took as long as usual; null when none is kept',
    ),
  ),
  lines: list(ref(LogLine), 'lines, in order of time'),
  others: list(
    record({
      spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
      name: text('name', 'Book a pick-up'),
      durationMs: number('how long it took', MS, 1840),
    }),
    'other attempts of the same trace',
  ),
});
export type AttemptPageShape = Static<typeof AttemptPage>;

export const AttemptPerson = resource('AttemptPerson', 'Who made an attempt: how much they matter', {
  sinceMs: orNull(
    number(
      'when they were first heard of; null where that was not before the attempt, as of data that came later',
      EPOCH_MS,
      1772442840000,
    ),
  ),
  window: ref(Window, 'the day before the attempt'),
  attempts: integer('their attempts in the window', 'attempts', 12),
  wentWrong: integer('of these late, hung or failed', 'attempts', 3),
  value: number('value that they completed in the window', CURRENCY, 240.5),
  valued: integer('attempts that completed a value', 'attempts', 4),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
});
export type AttemptPersonShape = Static<typeof AttemptPerson>;

export const Beside = resource('Beside', 'What else a store was asked while a statement ran', {
  component: text('name of the component (service.name)', 'slots'),
  durationMs: number('how long it took', MS, 1840),
  others: list(
    record({
      statement: text("statement as it was sent, values left out; '' for others", 'SELECT … FROM slot WHERE depot = ?'),
      calls: integer('how often', 'calls', 42),
      overlapMs: number('how long it ran while the statement ran', MS, 120),
      longestMs: number('the longest', MS, 4200),
    }),
    'others at the same time',
  ),
});
export type BesideShape = Static<typeof Beside>;

export const attemptPaths: Paths = {
  '/api/attempts/{traceId}/{spanId}': { get: get('One attempt with all its spans', AttemptPage, { path: attemptIds }) },
  '/api/attempts/{traceId}/{spanId}/hosts': {
    get: get('Hosts of an attempt in its minutes', Hosts, { path: attemptIds }),
  },
  '/api/attempts/{traceId}/{spanId}/person': {
    get: get('Who made an attempt: known since when, and what they did in the day before', AttemptPerson, {
      path: attemptIds,
    }),
  },
  '/api/attempts/{traceId}/{spanId}/beside': {
    get: get('What else a store was asked while this statement ran', Beside, { path: attemptIds }),
  },
};
