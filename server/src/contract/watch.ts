import type { Static } from '@sinclair/typebox';
import {
  LONGEST_VARIABLE,
  LONGEST_WATCHED_MS,
  MOST_READINGS,
  MOST_VARIABLES,
  parseVariable,
  WATCH_STATES,
} from '@toplens/core/watch';
import { MINUTE_MS } from '@toplens/core/time';
import { array, object, string } from 'yup';
import { numberInput } from './number-input';
import { get, ok, path, post, type Paths } from './paths';
import { EPOCH_MS, flag, integer, list, MS, number, oneOf, orNull, record, ref, resource, text, texts } from './words';

export const WatchPoint = resource('WatchPoint', 'A line of running code at which variables are read', {
  id: integer('number', '1', 4),
  component: text('service whose code it is', 'parcel-scales'),
  file: text('the end of the path of its file', 'src/surcharge.js'),
  line: integer('line of that file, from 1', '1', 24),
  variables: texts('what is read each time before the line runs', ['parcel.weight', 'band']),
  most: integer('so many readings are enough', 'readings', 100),
  why: text('why it is watched', 'labels of heavy parcels fail'),
  madeMs: number('since when', EPOCH_MS, 1772442480000),
  madeBy: text('who watches it', 'Dana Holt'),
  endsMs: number('until when at most', EPOCH_MS, 1772444280000),
  stoppedMs: orNull(number('when somebody stopped it; null: nobody did', EPOCH_MS, 1772443280000)),
  stoppedBy: text("who stopped it; '': nobody", ''),
  readings: integer('readings that came', 'readings', 12),
  lastMs: orNull(number('when the newest was; null without any', EPOCH_MS, 1772443200000)),
  isInForce: flag('it is being read: neither over nor stopped, and not full'),
});
export type WatchPointShape = Static<typeof WatchPoint>;

export const WatchPoints = resource('WatchPoints', 'Lines of running code that are or were watched', {
  points: list(ref(WatchPoint), 'the newest first'),
  services: list(
    record({
      component: text('name of the service', 'parcel-scales'),
      version: text("version that runs; '' where it does not say", '2.4.0'),
      instances: integer('processes that ask which lines to watch', 'processes', 2),
    }),
    'services that can be watched now, by name',
  ),
});
export type WatchPointsShape = Static<typeof WatchPoints>;

export const WatchPage = resource('WatchPage', 'A watched line, and what its variables held', {
  point: ref(WatchPoint, 'the line'),
  places: list(
    record({
      instance: text('host and number of the process', 'scales-1:412'),
      state: oneOf(WATCH_STATES, 'how the line stands there'),
      words: text('in words', 'read before line 24 runs'),
      seenMs: number('when it told so', EPOCH_MS, 1772443200000),
    }),
    'each process of the service that told of it',
  ),
  readings: list(
    record({
      id: text('number of the reading', '8f14e45f-ceea-4672-a5a6-d8cd5b1f0b1a'),
      atMs: number('when the line was passed', EPOCH_MS, 1772443200000),
      instance: text('where', 'scales-1:412'),
      values: texts('what each variable held, in the order of the variables', ['31.5', '7']),
      traceId: text("trace that was under way; '' without one", '4bf92f3577b34da6a3ce929d0e0e4736'),
      spanId: orNull(text('the first attempt of that trace; null while none is stored', '00f067aa0ba902b7')),
    }),
    'the newest first',
  ),
});
export type WatchPageShape = Static<typeof WatchPage>;

export const WatchOrders = resource('WatchOrders', 'What a service is to watch now', {
  everyMs: number('when to ask again', MS, 2000),
  points: list(
    record({
      id: integer('number', '1', 4),
      file: text('the end of the path of its file', 'src/surcharge.js'),
      line: integer('line of that file, from 1', '1', 24),
      variables: texts('what is to be read', ['parcel.weight']),
      most: integer('readings that are still wanted', 'readings', 88),
      endsInMs: number('so long it holds', MS, 1800000),
    }),
    'all that hold now: what is not among them is over',
  ),
});
export type WatchOrdersShape = Static<typeof WatchOrders>;

const LONGEST_NAME = 200;
const MOST_TOLD = 200;

export const newWatchPoint = object({
  component: string()
    .trim()
    .required('component: say which service')
    .max(LONGEST_NAME, `component: at most ${LONGEST_NAME} characters`)
    .meta({ description: 'service whose code it is', example: 'parcel-scales' }),
  file: string()
    .trim()
    .required('file: say which file, as the stack shows it')
    .max(LONGEST_NAME, `file: at most ${LONGEST_NAME} characters`)
    .test('file', 'file: ends with a name, as src/surcharge.js', (given) => /[^/\\\s]$/.test(given ?? ''))
    .meta({ description: 'the end of the path of its file', example: 'src/surcharge.js' }),
  line: numberInput()
    .integer('line: expected a whole number')
    .min(1, 'line: the first is 1')
    .max(1_000_000, 'line: at most 1,000,000')
    .required('line: say which line')
    .meta({ description: 'line of that file, from 1', unit: '1', example: 24 }),
  variables: array(
    string()
      .trim()
      .required()
      .test({
        name: 'variable',
        test: (given, { createError, path: place }) =>
          parseVariable(given ?? '') !== undefined ||
          createError({
            message: `${place}: expected a variable with its properties, as order.items[0].price, at most ${LONGEST_VARIABLE} characters; nothing is called or computed. Got: ${(given ?? '').slice(0, 60)}`,
          }),
      }),
  )
    .min(1, 'variables: say what to read')
    .max(MOST_VARIABLES, `variables: at most ${MOST_VARIABLES} at one line`)
    .required('variables: say what to read')
    .meta({ description: 'what is read before the line runs', example: ['parcel.weight', 'band'] }),
  why: string()
    .trim()
    .required('why: say why; it stands in the records')
    .max(500, 'why: at most 500 characters')
    .meta({ description: 'why it is watched', example: 'labels of heavy parcels fail' }),
  minutes: numberInput()
    .min(1, 'minutes: at least 1')
    .max(LONGEST_WATCHED_MS / MINUTE_MS, `minutes: at most ${LONGEST_WATCHED_MS / MINUTE_MS}`)
    .default(30)
    .meta({ description: 'so long it holds at most', unit: 'min', example: 30 }),
  most: numberInput()
    .integer('most: expected a whole number')
    .min(1, 'most: at least 1')
    .max(MOST_READINGS, `most: at most ${MOST_READINGS} readings`)
    .default(100)
    .meta({ description: 'so many readings are enough', unit: 'readings', example: 100 }),
});

/** A value as a service tells it; what is longer was not made by the package. */
const LONGEST_VALUE = 2_000;

export const watchedByService = object({
  component: string()
    .required('component: say which service this is')
    .max(LONGEST_NAME)
    .meta({ description: 'name of the service', example: 'parcel-scales' }),
  instance: string()
    .required('instance: say which process this is')
    .max(LONGEST_NAME)
    .meta({ description: 'host and number of the process', example: 'scales-1:412' }),
  version: string()
    .defined()
    .default('')
    .max(LONGEST_NAME)
    .meta({ description: 'version that runs', example: '2.4.0' }),
  places: array(
    object({
      point: numberInput().integer().min(0).max(2_147_483_647).required(),
      state: string().oneOf(WATCH_STATES).required(),
      line: numberInput().integer().min(0).max(2_147_483_647).required(),
    }),
  )
    .max(MOST_TOLD)
    .default([])
    .meta({
      description: 'how each watch point stands in this process',
      example: [{ point: 4, state: 'set', line: 24 }],
    }),
  readings: array(
    object({
      id: string().uuid('${path}: expected a UUID').required(),
      point: numberInput().integer().min(0).max(2_147_483_647).required(),
      atMs: numberInput().min(0).max(8_640_000_000_000_000).required(),
      traceId: string()
        .defined()
        .matches(/^([0-9a-f]{32})?$/, '${path}: expected 32 hexadecimal digits, or nothing')
        .default(''),
      values: array(string().defined().max(LONGEST_VALUE)).max(MOST_VARIABLES).required(),
    }),
  )
    .max(MOST_TOLD)
    .default([])
    .meta({
      description: 'what the variables held; one that was sent before is known by its id',
      example: [
        {
          id: '8f14e45f-ceea-4672-a5a6-d8cd5b1f0b1a',
          point: 4,
          atMs: 1772443200000,
          traceId: '4bf92f3577b34da6a3ce929d0e0e4736',
          values: ['31.5'],
        },
      ],
    }),
});

const pointId = path('id', 'number of the watch point', 4);

export const watchPaths: Paths = {
  '/api/watch-points': {
    get: get('Lines of running code that are or were watched', WatchPoints),
    post: post('Watches a line of running code', {
      body: newWatchPoint,
      answers: { '201': ok(WatchPoint, 'it holds from now on') },
    }),
  },
  '/api/watch-points/{id}': {
    get: get('A watched line, and what its variables held', WatchPage, { path: [pointId] }),
  },
  '/api/watch-points/{id}/stop': {
    post: post('Stops watching a line', { path: [pointId], answers: { '200': ok(WatchPoint, 'it is over') } }),
  },
  '/v1/watch': {
    post: post('What a service read at watched lines; answers which it is to watch', {
      body: watchedByService,
      answers: { '200': ok(WatchOrders, 'what to watch until the next time') },
      security: [{ ingestKey: [] }],
    }),
  },
};
