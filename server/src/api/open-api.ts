import { RANKINGS, BILL_LINES } from '@toplens/core/incidents';
import { BASES, LEVELS, SIGNALS } from '@toplens/core/normal';
import { HANDOFF_STATES } from '@toplens/core/handoffs';
import { OUTCOMES } from '@toplens/core/flows';

type Schema = Record<string, unknown>;

const number: Schema = { type: 'number' };
const integer: Schema = { type: 'integer' };
const text: Schema = { type: 'string' };
const flag: Schema = { type: 'boolean' };
const oneOf = (values: readonly string[]): Schema => ({ type: 'string', enum: values });
const list = (items: Schema): Schema => ({ type: 'array', items });
const orNull = (schema: Schema): Schema => ({ oneOf: [schema, { type: 'null' }] });
const ref = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` });
/** All properties are required: what may be absent is null. */
const record = (properties: Record<string, Schema>): Schema => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
});
const outcomes = record(Object.fromEntries(OUTCOMES.map((outcome) => [outcome, integer])));
const windowMs = record({ fromMs: number, toMs: number });
const rateOr = (values: readonly string[]) => oneOf(values);

const schemas: Record<string, Schema> = {
  Interval: record({ estimate: number, low: number, high: number }),
  Series: record({ startMs: number, stepMs: number, values: list(orNull(number)), low: list(orNull(number)), high: list(orNull(number)) }),
  HandoffMark: record({ id: text, team: text, state: oneOf(HANDOFF_STATES) }),
  Row: record({
    id: integer, rank: integer, moved: orNull(integer), title: text, application: text, flows: list(text), signal: oneOf(SIGNALS), level: oneOf(LEVELS),
    onsetMs: number, endMs: number, inTroubleNow: flag, trend: oneOf(['growing', 'steady', 'fading', 'new', 'over']), outcomes, missingAttempts: integer,
    harmPerHour: number, harm: ref('Interval'), people: ref('Interval'), money: number, keyCustomers: number, weight: number, spark: ref('Series'),
    proposedTeam: orNull(text), handoff: orNull(ref('HandoffMark')),
  }),
  Odd: record({ id: integer, title: text, application: text, onsetMs: number, inTroubleNow: flag }),
  Freshness: record({ watermarkMs: orNull(number), judgedMs: orNull(number), silent: list(record({ application: text, sinceMs: number })) }),
  WorstFirst: record({
    window: windowMs, ranking: rateOr(RANKINGS), headline: text, detail: text, currency: text, rows: list(ref('Row')), odd: list(ref('Odd')),
    lastEndedMs: orNull(number), applications: list(text), teams: list(text), freshness: ref('Freshness'),
  }),
  BillLine: record({ name: oneOf(BILL_LINES), quantity: ref('Interval'), rate: number, harm: ref('Interval') }),
  Part: record({
    flow: text, technicalName: text, signal: oneOf(SIGNALS), level: oneOf(LEVELS), onsetMs: number, endMs: number, active: flag, basis: oneOf(BASES),
    limitMs: orNull(number), limitBy: oneOf(['owner', 'learned', 'none']), learnedLimitMs: orNull(number), expectedMs: orNull(number),
  }),
  MostHit: record({ dimension: text, value: text, bad: integer, shareOfBad: number, shareOfAll: number, words: text }),
  Sample: record({ atMs: number, durationMs: number, outcome: oneOf(OUTCOMES), failure: text, traceId: text, person: text, component: text }),
  Incident: record({
    id: integer, window: windowMs, title: text, sentence: text, application: text, signal: oneOf(SIGNALS), level: oneOf(LEVELS), onsetMs: number, endMs: number,
    inTroubleNow: flag, currency: text, parts: list(ref('Part')), bill: list(ref('BillLine')), harm: ref('Interval'), harmPerHour: number,
    people: ref('Interval'), keyPeople: integer, outcomes,
    charts: list(record({ name: oneOf(['duration', 'failures', 'attempts']), flow: text, series: ref('Series') })), mostHit: list(ref('MostHit')),
    samples: list(ref('Sample')), component: orNull(record({ name: text, words: text })), proposedTeam: orNull(record({ team: text, reason: text })), teams: list(text),
  }),
  BriefPage: record({ brief: { type: 'object', description: 'the brief for machines' }, markdown: text }),
  FlowCounts: record({ flows: list(record({ application: text, name: text, technicalName: text, attempts: integer, failed: integer, meanMs: number })) }),
  NewHandoff: {
    type: 'object',
    properties: { incident: integer, team: text, note: text, fromMs: integer, toMs: integer },
    required: ['incident', 'team', 'fromMs', 'toMs'],
  },
  DeskAnswer: { type: 'object', properties: { answer: oneOf(['taken', 'returned', 'fixReported']), reason: text, by: text }, required: ['answer'] },
  HandoffSummary: record({
    id: text, incident: integer, team: text, state: oneOf(HANDOFF_STATES), note: text, createdAt: text, title: text, harmMinutes: number, people: number,
    window: record({ from: text, to: text }),
  }),
  Handoff: record({
    id: text, incident: integer, team: text, state: oneOf(HANDOFF_STATES), note: text, createdAt: text, title: text, harmMinutes: number, people: number,
    window: record({ from: text, to: text }), brief: { type: 'object' }, markdown: text, trail: list(record({ at: text, what: text, detail: text })),
  }),
  Handoffs: record({ handoffs: list(ref('HandoffSummary')) }),
  Problem: {
    type: 'object',
    description: 'RFC 9457',
    properties: { type: text, title: text, status: integer, detail: text, field: text, instance: text },
    required: ['type', 'title', 'status', 'detail'],
  },
}; // prettier-ignore

const json = (schema: string): Schema => ({ content: { 'application/json': { schema: ref(schema) } } });
const ok = (schema: string, description: string): Schema => ({ description, ...json(schema) });
const problem: Schema = { description: 'what is wrong and the way on', content: { 'application/problem+json': { schema: ref('Problem') } } };
const query = (name: string, schema: Schema, description: string): Schema => ({ name, in: 'query', schema, description });
const path = (name: string): Schema => ({ name, in: 'path', required: true, schema: text });
const windowQuery = [
  query('last', integer, 'minutes up to the newest judged one; moves on by itself'),
  query('from', { type: 'string', format: 'date-time' }, 'begin, with `to`'),
  query('to', { type: 'string', format: 'date-time' }, 'end, with `from`'),
];
const get = (summary: string, schema: string, parameters: Schema[] = []): Schema => ({
  summary,
  parameters,
  responses: { '200': ok(schema, summary), default: problem },
});
const post = (summary: string, body: string, answers: Schema, parameters: Schema[] = []): Schema => ({
  summary,
  parameters,
  requestBody: { required: true, ...json(body) },
  responses: { ...answers, default: problem },
});
const otlpBody = {
  content: { 'application/json': { schema: { type: 'object' } }, 'application/x-protobuf': { schema: { type: 'string', format: 'binary' } } },
};

/** The API's description, OpenAPI 3.1. The app's types are made from it; a test checks real answers against it. */
export function openApi(url: string): Schema {
  return {
    openapi: '3.1.0',
    info: { title: 'Top Lens', version: '0.1.0', description: 'Performance incidents ranked by what they do to people.' },
    servers: [{ url }],
    paths: {
      '/v1/traces': {
        post: {
          summary: 'OTLP/HTTP: takes spans; acknowledged when they are on the disk',
          requestBody: { required: true, ...otlpBody },
          responses: {
            '200': { description: 'taken; partialSuccess tells what was not' },
            '400': { description: 'not a message of the protocol: do not send it again' },
            '401': { description: 'an ingest key is needed' },
            '413': { description: 'too large' },
            '415': { description: 'neither JSON nor protobuf' },
            '503': { description: 'come back after Retry-After' },
          },
        },
      },
      '/api/worst-first': {
        get: get('Incidents of a window, worst first', 'WorstFirst', [
          ...windowQuery,
          query('rankBy', oneOf(RANKINGS), 'what orders the list'),
          query('application', text, 'only this application'),
          query('team', text, 'only what this team has or should get'),
        ]),
      },
      '/api/incidents/{id}': { get: get('One incident within a window', 'Incident', [path('id'), ...windowQuery]) },
      '/api/incidents/{id}/brief': {
        get: get('The brief as it would be sent', 'BriefPage', [
          path('id'),
          ...windowQuery,
          query('team', text, 'to whom'),
          query('note', text, 'what the sender adds'),
        ]),
      },
      '/api/flows': { get: get('All that was ever recorded, by flow', 'FlowCounts') },
      '/api/status': { get: get('How fresh the data is', 'Freshness') },
      '/api/handoffs': {
        get: get('Handoffs, newest first', 'Handoffs'),
        post: post('Sends an incident to a team', 'NewHandoff', { '201': ok('Handoff', 'made'), '200': ok('Handoff', 'was made before with this key') }, [
          { name: 'idempotency-key', in: 'header', required: true, schema: text, description: 'the same key never sends twice' },
        ]),
      },
      '/api/handoffs/{id}': { get: get('One handoff with its trail', 'Handoff', [path('id')]) },
      '/api/handoffs/{id}/answer': {
        post: post('The desk takes a handoff, returns it with a reason, or reports a fix', 'DeskAnswer', { '200': ok('Handoff', 'as it is now') }, [
          path('id'),
        ]),
      },
    },
    components: { schemas },
  };
}
