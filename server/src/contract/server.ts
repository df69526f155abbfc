import type { Static } from '@sinclair/typebox';
import { object } from 'yup';
import { numberInput } from './number-input';
import { Freshness } from './common';
import { get, ok, path, problem, type Paths } from './paths';
import { EPOCH_MS, MS, flag, integer, list, number, oneOf, orNull, record, ref, resource, text, texts } from './words';

export const RefusedRecords = resource('RefusedRecords', 'Records that the database refused, newest first', {
  total: integer('how many there are', '1', 128),
  more: flag('there are older ones'),
  records: list(
    record({
      id: integer('number', '1', 7),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      kind: text('what was to be stored', 'logs'),
      sqlstate: text('SQLSTATE of the refusal', '54000'),
      reason: text('why, in words', 'a holiday moved by a week'),
      record: text('the record as text, at most 64 kB', '{"body":"…"}'),
    }),
    'records, newest first',
  ),
});
export type RefusedRecordsShape = Static<typeof RefusedRecords>;

export const SentAgain = resource('SentAgain', 'What came of sending a refused record again', {
  taken: flag('it was taken this time'),
});
export type SentAgainShape = Static<typeof SentAgain>;

export const PartHealth = resource('PartHealth', 'How a part of the server is', {
  state: oneOf(['ok', 'degraded', 'down'], 'state'),
  sinceMs: number('since when', EPOCH_MS, 1772442840000),
  words: text('in words', ''),
});
export type PartHealthShape = Static<typeof PartHealth>;

const parts = record(
  {
    intake: ref(PartHealth, 'what takes telemetry'),
    journal: ref(PartHealth, 'the journal that requests are acknowledged from'),
    database: ref(PartHealth, 'the database that everything is stored in'),
    engine: ref(PartHealth, 'the part that judges and answers'),
    search: ref(PartHealth, 'what looks through logs and page views'),
    disk: ref(PartHealth, 'room on the disk'),
    backup: ref(PartHealth, 'backups made by night'),
  },
  'how each part of the server is',
);

export const Health = resource('Health', 'Whether this server takes telemetry and answers questions', {
  status: oneOf(['ok', 'degraded', 'down'], 'of the part that is worst'),
  version: text('version of Top Lens', '0.1.0'),
  parts,
  watermarkMs: number('up to when data is complete; 0 before the first', EPOCH_MS, 1772446500000),
  judgedMs: number('up to when minutes are judged; 0 before the first', EPOCH_MS, 1772446440000),
  backlogRecords: integer('records that are acknowledged and not stored yet', 'records', 0),
});
export type HealthShape = Static<typeof Health>;

export const ServerState = resource('ServerState', 'How this server is, what is judged again, whose clock is wrong', {
  state: oneOf(['ok', 'degraded', 'down'], 'state'),
  version: text('version of Top Lens', '0.1.0'),
  nowMs: number("this server's clock", EPOCH_MS, 1772446440000),
  parts,
  judgedAgainFromMs: orNull(
    number('from where old times are being judged again; null when none are', EPOCH_MS, 1772438400000),
  ),
  judgedMs: orNull(number('up to when minutes are judged; null before the first', EPOCH_MS, 1772446440000)),
  gatheredNames: list(
    record({
      kind: text('kind of name', 'page'),
      names: integer('how many', 'names', 4),
    }),
    'names put under "other" since the start, by kind',
  ),
  clocks: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      host: text("name of the host; '' where there is none", 'depot-07'),
      aheadMs: number("by how much the clock is ahead of this server's", MS, 21600000),
      refused: integer('records that were refused because of it', 'records', 120),
      sinceMs: number('since when', EPOCH_MS, 1772442840000),
      lastMs: number('when it came last', EPOCH_MS, 1772446440000),
    }),
    "clocks that are not this server's",
  ),
  currencies: list(
    record({
      currency: text('currency of values, ISO 4217', 'JPY'),
      values: integer('values in it that no bill counts', 'values', 298),
      sinceMs: number('since when', EPOCH_MS, 1772442840000),
    }),
    'currencies without an exchange rate: their values are left out of money',
  ),
  waysIn: list(
    record({
      protocol: oneOf(['OTLP/HTTP', 'OTLP/gRPC'], 'protocol of OpenTelemetry'),
      address: text('address that a client is given', 'http://127.0.0.1:4317'),
      trouble: text("why it is not open; '' when it is", ''),
    }),
    'where telemetry is taken',
  ),
  keysNeeded: flag('telemetry is taken with a key alone'),
  keyNames: texts('names of the ingest keys', ['shop']),
  senders: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      sdk: text(
        "language, name and version of its SDK, as told last; '' where it does not say",
        'nodejs opentelemetry',
      ),
      came: integer('records that came since the start of the server', 'records', 18400),
      refused: integer('of them refused', 'records', 0),
      ignored: integer('of them entries that are no flow, as the settings say', 'records', 12),
      why: text("why the newest of these was refused; '' when none was", ''),
      sample: text(
        "the newest of these, in a few words; '' when none was",
        'span “POST /pay” of 2026-03-02T09:14:00.000Z',
      ),
      sinceMs: number('since when', EPOCH_MS, 1772442840000),
      lastMs: number('when the newest came', EPOCH_MS, 1772446440000),
    }),
    'who sends telemetry, the newest first',
  ),
  turnedAway: list(
    record({
      way: text('by what way it came', 'POST /v1/traces'),
      why: text('why, and the way on', 'send your ingest key as "authorization: Bearer …"'),
      requests: integer('requests turned away so since the start of the server', 'requests', 12),
      from: text('network address of the newest one', '10.0.4.17'),
      sinceMs: number('since when', EPOCH_MS, 1772442840000),
      lastMs: number('when the newest came', EPOCH_MS, 1772446440000),
    }),
    'requests with telemetry that were turned away as a whole, the newest first',
  ),
  roundUrl: orNull(
    text('where the page of the demo is that can be made to crash; null without it', 'http://127.0.0.1:4420'),
  ),
});
export type ServerStateShape = Static<typeof ServerState>;

export const LARGEST_REFUSED_ID = 2 ** 31 - 1;

export const refusedQuery = object({
  before: numberInput()
    .integer()
    .min(1)
    .max(LARGEST_REFUSED_ID)
    .default(LARGEST_REFUSED_ID)
    .meta({ description: 'older than the one of this number', example: 120 }),
});

const refusedId = path('id', 'number of the refused record', 12);

const health = {
  get: {
    ...get('How every part of this server is: 200 when it takes telemetry and answers questions', Health),
    responses: {
      '200': ok(Health, 'it takes telemetry and answers questions'),
      '4XX': problem,
      '503': ok(Health, 'it does not: the parts say why'),
    },
  },
};

export const serverPaths: Paths = {
  '/readyz': health,
  '/healthz': health,
  '/api/status': { get: get('How fresh the data is', Freshness) },
  '/api/server-state': {
    get: get("How this server's parts are, what is judged again, whose clock is wrong", ServerState),
  },
  '/api/refused-records': {
    get: get('Records that the database refused, newest first', RefusedRecords, { query: [refusedQuery] }),
  },
  '/api/refused-records/{id}': {
    delete: {
      summary: 'Refused record: drops it',
      parameters: [refusedId],
      responses: { '204': { description: 'dropped' }, '4XX': problem, '5XX': problem },
    },
  },
  '/api/refused-records/{id}/send-again': {
    post: {
      summary: 'Refused record: tries to store it once more; refused again, it is kept aside again',
      parameters: [refusedId],
      responses: { '200': ok(SentAgain, 'whether it was taken this time'), '4XX': problem, '5XX': problem },
    },
  },
};
