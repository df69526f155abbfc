import { BILL_LINES, FATES, PRIORITIES, RANKINGS } from '@toplens/core/incidents';
import { BASES, LEVELS, SIGNALS } from '@toplens/core/normal';
import { HANDOFF_STATES } from '@toplens/core/handoffs';
import { OUTCOMES } from '@toplens/core/flows';
import { PART_KINDS, PART_LEVELS } from '@toplens/core/estate';
import { FIGURES } from '@toplens/core/hosts';
import { ATTEMPT_KINDS, DIMENSIONS } from '@toplens/core/telemetry';
import { MONEY_FIGURES, MONEY_VERDICTS } from '@toplens/core/money';
import { LAYERS } from '@toplens/core/traces';
import { AGAINST } from '@toplens/core/time';
import { HEALTH_PARTS } from './health-parts';
import { PAGE_DIMENSIONS } from '@toplens/core/pages';
import { pageSchemas } from './page-schemas';
import { flag, integer, list, number, oneOf, orNull, record, ref, text, type Schema } from './schema-words';

/** Rates that can be changed in place. */
export const RATE_NAMES = ['waiting', 'failed', 'left', 'missing', 'money', 'keyMultiplier'] as const;

const outcomes = record(Object.fromEntries(OUTCOMES.map((outcome) => [outcome, integer])));
const windowMs = record({ fromMs: number, toMs: number });
const limitBy = oneOf(['owner', 'learned', 'none']);
const dimension = oneOf(DIMENSIONS);
const trend = oneOf(['growing', 'steady', 'fading', 'new', 'over']);
const remaining = orNull(record({ sessions: integer, attempts: integer }));
const team = orNull(record({ team: text, reason: text }));
const named = list(record({ id: integer, title: text }));
const numbers = list(integer);

const schemas: Record<string, Schema> = {
  RefusedRecords: record({
    total: integer, more: flag,
    records: list(record({ id: integer, atMs: number, kind: text, sqlstate: text, reason: text, record: text })),
  }),
  SentAgain: record({ taken: flag }),
  PartHealth: record({ state: oneOf(['ok', 'degraded', 'down']), sinceMs: number, words: text }),
  ServerState: record({
    state: oneOf(['ok', 'degraded', 'down']), nowMs: number, parts: record(Object.fromEntries(HEALTH_PARTS.map((part) => [part, ref('PartHealth')]))),
    judgedAgainFromMs: orNull(number), judgedMs: orNull(number), gatheredNames: list(record({ kind: text, names: integer })),
    clocks: list(record({ component: text, host: text, aheadMs: number, refused: integer, sinceMs: number, lastMs: number })),
  }),
  Interval: record({ estimate: number, low: number, high: number }),
  Series: record({
    startMs: number, stepMs: number, values: list(orNull(number)), low: list(orNull(number)), high: list(orNull(number)), other: orNull(list(orNull(number))),
  }),
  Chart: record({ name: oneOf(['duration', 'failures', 'attempts']), flow: text, series: ref('Series'), comparedWith: orNull(text) }),
  Mark: record({ atMs: number, words: text }),
  HandoffMark: record({ id: text, team: text, state: oneOf(HANDOFF_STATES) }),
  Row: record({
    id: integer, rank: integer, moved: orNull(integer), title: text, application: text, flows: list(text), signal: oneOf(SIGNALS), level: oneOf(LEVELS),
    priority: oneOf(PRIORITIES), onsetMs: number, endMs: number, activeAtEnd: flag, inTroubleNow: flag, trend, outcomes, missingAttempts: integer,
    harmPerHour: number, harm: ref('Interval'), people: ref('Interval'), money: number, keyCustomers: number, weight: number, best: integer, worst: integer,
    nearTie: flag, spark: ref('Series'), proposedTeam: orNull(text), handoff: orNull(ref('HandoffMark')),
  }),
  Odd: record({ id: integer, title: text, application: text, onsetMs: number, inTroubleNow: flag, mayBecome: text }),
  SetAside: record({ id: integer, title: text, reason: text, by: text, untilMs: number }),
  Compared: record({ fromMs: number, toMs: number, words: text, harmPerHour: number, people: number, incidents: integer, isKnown: flag }),
  Freshness: record({ watermarkMs: orNull(number), judgedMs: orNull(number), silent: list(record({ application: text, sinceMs: number })) }),
  WorstFirst: record({
    window: windowMs, ranking: oneOf(RANKINGS), headline: text, detail: text, currency: text, rows: list(ref('Row')), odd: list(ref('Odd')),
    hasPromises: flag, setAside: list(ref('SetAside')), compared: orNull(ref('Compared')), remaining, lastEndedMs: orNull(number), applications: list(text), teams: list(text),
    flows: list(record({ id: integer, name: text, application: text })), dimensions: list(record({ dimension, values: list(text) })), freshness: ref('Freshness'),
  }),
  Change: record({
    kind: oneOf(['flow', 'component']), name: text, id: orNull(integer), measure: oneOf(['attempts', 'failures', 'duration']), ratio: orNull(number), words: text,
  }),
  Changes: record({ changes: list(ref('Change')) }),
  BillLine: record({ name: oneOf(BILL_LINES), quantity: ref('Interval'), rate: number, harm: ref('Interval') }),
  Part: record({
    flowId: integer, flow: text, technicalName: text, signal: oneOf(SIGNALS), level: oneOf(LEVELS), onsetMs: number, endMs: number, active: flag,
    basis: oneOf(BASES), limitMs: orNull(number), limitBy, learnedLimitMs: orNull(number), expectedMs: orNull(number),
  }),
  Segment: record({
    dimension, value: text, all: integer, bad: integer, people: integer, shareOfBad: number, shareOfAll: number, relativeRisk: orNull(number), low: number,
    high: orNull(number), excess: number, words: text,
  }),
  Bites: record({
    segments: list(ref('Segment')), spared: list(ref('Segment')),
    ruledOut: list(record({ dimension, why: oneOf(['oneValue', 'noDifference']), value: orNull(text) })), bad: integer, all: integer,
  }),
  Sample: record({ atMs: number, durationMs: number, outcome: oneOf(OUTCOMES), failure: text, traceId: text, spanId: text, person: text, component: text }),
  Origin: record({
    candidates: list(record({ component: text, score: number, reasons: list(text), team: orNull(text) })), changes: list(text), second: orNull(text), trust: orNull(number),
    rungs: list(record({ component: text, depth: number, usualUs: number, nowUs: number, failing: integer, onsetMs: orNull(number), isSilent: flag })),
    bad: integer, usual: integer, shared: list(record({ id: integer, name: text, application: text, level: oneOf([...LEVELS, 'noData']) })),
  }),
  AttemptRow: record({
    id: text, name: text, component: text, host: text, peer: text, statement: text, failure: text, depth: integer, fromUs: number, durationUs: number,
    own: list(number), ownUs: number, shareUs: number, calls: integer, callsUs: number, callsSumUs: number, foldedInto: text, isMissing: flag, runsOn: flag,
  }),
  AttemptPage: record({
    traceId: text, spanId: text, flow: record({ id: integer, name: text, technicalName: text, application: text, kind: oneOf(ATTEMPT_KINDS) }), atMs: number, durationMs: number, wholeMs: number, device: text,
    outcome: oneOf(OUTCOMES), limitMs: orNull(number), limitBy, expectedMs: orNull(number), failure: text, person: text,
    values: list(record({ dimension, value: text })), value: orNull(number), currency: text,
    failures: list(record({ spanId: text, component: text, type: text, message: text, className: text, method: text, file: text, line: integer, stack: text })),
    components: list(record({ component: text, shareUs: number, share: number, spans: integer, failed: integer, usualUs: orNull(number) })),
    rows: list(ref('AttemptRow')), clocks: list(record({ host: text, offsetUs: number })), missing: integer,
    usual: orNull(record({ traceId: text, spanId: text, atMs: number, durationMs: number })),
    lines: list(ref('LogLine')), others: list(record({ spanId: text, name: text, durationMs: number })),
  }),
  HostFigure: record({
    figure: oneOf(FIGURES), host: text, component: text, verdict: oneOf(['usual', 'raised', 'lowered', 'full', 'unknown']), usual: orNull(number),
    now: orNull(number), highest: orNull(number), points: list(record({ atMs: number, value: number })),
  }),
  Hosts: record({
    now: windowMs, before: windowMs, lines: list(record({ figure: oneOf(FIGURES), words: text, isLeftOver: flag, looked: integer, odd: list(ref('HostFigure')) })),
    restarts: list(record({ component: text, host: text, atMs: number })), advice: list(record({ words: text, evidence: text })), unknown: integer,
  }),
  Field: record({
    window: windowMs, attempts: integer, limitMs: orNull(number), startMs: number, stepMs: number, columns: integer, floorsMs: list(number),
    counts: list(list(integer)), bad: list(list(integer)),
  }),
  Region: record({ window: windowMs, attempts: integer, bad: integer, samples: list(ref('Sample')) }),
  Hop: record({
    from: text, to: text, calls: integer, failed: integer, meanMs: number, longestMs: number, traces: integer, shareOfTraces: number, depth: number,
  }),
  Path: record({
    window: windowMs, traces: integer, hops: list(ref('Hop')),
    layers: record({ startMs: number, stepMs: number, attempts: list(integer), means: list(record({ layer: oneOf(LAYERS), ms: list(number) })) }),
  }),
  HurtPerson: record({
    person: text, tier: text, site: text, region: text, promotion: text, flow: text, late: integer, hung: integer, failed: integer, waitedMs: number,
    lastMs: number, fate: oneOf(FATES), lost: number,
  }),
  Hurt: record({
    window: windowMs, currency: text, total: integer, gone: integer, lost: number, people: list(ref('HurtPerson')),
    concentration: list(record({ dimension: oneOf(['tier', 'promotion', 'site', 'region', 'item']), values: list(record({ value: text, people: integer })) })),
  }),
  LostByTier: record({ currency: text, whole: ref('Interval'), tiers: list(record({ tier: text, money: ref('Interval'), people: ref('Interval') })) }),
  PersonAttempt: record({
    kind: oneOf(ATTEMPT_KINDS), atMs: number, durationMs: number, flow: integer, name: text, application: text, outcome: oneOf(OUTCOMES), expectedMs: orNull(number), session: number,
    isProbe: flag, site: text, region: text, tier: text, version: text, value: orNull(number), failure: text, traceId: text, spanId: text,
  }),
  Person: record({ person: text, window: windowMs, attempts: list(ref('PersonAttempt')), views: list(ref('PersonView')) }),
  PersonLooks: record({ looks: list(record({ atMs: number, who: text, why: text, what: text, people: integer })) }),
  JourneyStep: record({
    flow: integer, name: text, people: number, sessions: number, wentOn: number, undecided: number, left: number, exposed: number, usuallyExposed: number, beyondUsual: ref('Interval'),
    lost: ref('Interval'), usualLeaving: orNull(number), attributable: orNull(number), isBad: flag, medianMs: orNull(number), failedShare: orNull(number),
    incidents: list(integer),
  }),
  Journey: record({
    id: text, key: text, window: windowMs, name: text, isNamed: flag, application: text, currency: text, every: integer, setOut: number, completed: number,
    value: number, valueEach: orNull(number), beyondUsual: number, lost: number, steps: list(ref('JourneyStep')),
    repairs: list(record({ step: integer, flow: integer, comeBack: number, hidden: number, completions: number, value: number })),
  }),
  Journeys: record({ window: windowMs, journeys: list(ref('Journey')) }),
  MoneyFigure: record({ value: orNull(number), expected: orNull(number), low: orNull(number), high: orNull(number), verdict: oneOf(MONEY_VERDICTS) }),
  Takings: record({
    flow: integer, kind: oneOf(ATTEMPT_KINDS), name: text, application: text, start: orNull(text), days: integer, lost: ref('Interval'), ...Object.fromEntries(MONEY_FIGURES.map((figure) => [figure, ref('MoneyFigure')])),
  }),
  Money: record({ window: windowMs, currency: text, isNarrowed: flag, flows: list(ref('Takings')) }),
  Beside: record({ component: text, durationMs: number, others: list(record({ statement: text, calls: integer, overlapMs: number, longestMs: number })) }),
  RunningPart: record({
    kind: oneOf(PART_KINDS), component: text, host: text, application: text, region: text, team: text, version: text, level: oneOf(PART_LEVELS),
    slowness: orNull(number), attemptsPerMinute: number, usualPerMinute: number, failing: orNull(number), changes: list(text), figures: list(text),
  }),
  Estate: record({ window: windowMs, before: windowMs, parts: list(ref('RunningPart')) }),
  Component: record({
    name: text, window: windowMs, before: windowMs, team: orNull(text), traces: integer, attempts: integer, callers: list(ref('Hop')), callees: list(ref('Hop')),
    hosts: list(text), figures: list(record({ figure: oneOf(FIGURES), hosts: list(ref('HostFigure')) })),
    flows: list(record({ id: integer, name: text, application: text, level: oneOf([...LEVELS, 'noData']) })),
    incidents: list(record({ id: integer, title: text, onsetMs: number, inTroubleNow: flag })), changes: list(record({ atMs: number, words: text })),
  }),
  LogLine: record({ atMs: number, component: text, host: text, severity: text, body: text, traceId: orNull(text), spanId: orNull(text) }),
  LogPattern: record({
    text, now: integer, before: integer, nowRate: number, usualRate: number, isNew: flag, severity: text, firstMs: orNull(number), components: list(text),
    samples: list(ref('LogLine')),
  }),
  LogPatterns: record({
    components: list(text), now: windowMs, before: windowMs, surging: list(ref('LogPattern')), rare: list(ref('LogPattern')), gone: list(ref('LogPattern')),
    usual: list(ref('LogPattern')), linesNow: integer, linesBefore: integer, kept: number,
  }),
  Incident: record({
    id: integer, window: windowMs, title: text, sentence: text, application: text, signal: oneOf(SIGNALS), level: oneOf(LEVELS), priority: oneOf(PRIORITIES),
    trend, onsetMs: number, endMs: number, activeAtEnd: flag, inTroubleNow: flag, currency: text, parts: list(ref('Part')), bill: list(ref('BillLine')),
    penalties: number, harm: ref('Interval'), harmPerHour: number, rank: orNull(integer), best: orNull(integer), worst: orNull(integer), nearTie: flag,
    people: ref('Interval'), keyPeople: integer, outcomes, charts: list(ref('Chart')), marks: list(ref('Mark')), bites: ref('Bites'), samples: list(ref('Sample')),
    component: orNull(record({ name: text, words: text })), origin: orNull(ref('Origin')), proposedTeam: team, teams: list(text), remaining,
    setAside: orNull(record({ reason: text, by: text, untilMs: number })), joined: named, nearby: named,
    decisions: list(record({ at: text, who: text, what: text, detail: text })),
  }),
  FlowRow: record({
    id: integer, name: text, technicalName: text, application: text, kind: oneOf(ATTEMPT_KINDS), team: orNull(text), level: oneOf([...LEVELS, 'noData']), attempts: integer,
    perMinute: number, meanMs: orNull(number), medianMs: orNull(number), p95Ms: orNull(number), maxMs: orNull(number), failedShare: orNull(number),
    apdex: orNull(number), apdexWords: orNull(text), limitMs: orNull(number), limitBy, people: orNull(integer), hurt: orNull(integer),
    shareOfTime: orNull(number), importance: number, before: orNull(record({ attempts: integer, medianMs: orNull(number), failedShare: number })), spark: ref('Series'),
  }),
  FlowTable: record({
    window: windowMs, rows: list(ref('FlowRow')), attempts: integer, comparedWith: orNull(text), remaining, applications: list(text), freshness: ref('Freshness'),
  }),
  Side: record({
    value: text, attempts: integer, badShare: number, medianMs: orNull(number), p95Ms: orNull(number), ridit: orNull(number), riditError: orNull(number), isOdd: flag,
  }),
  Statement: record({
    statement: text, component: text, calls: integer, callsAnAttempt: number, shareOfAttempts: number, shareOfTime: number, totalMs: number, longestMs: number, failed: integer,
  }),
  FlowPage: record({
    window: windowMs, isCut: flag, row: ref('FlowRow'), key: text, team,
    normal: record({
      basis: oneOf(BASES), samples: integer, days: integer, expectedMs: orNull(number), learnedLimitMs: orNull(number), ownersLimitMs: orNull(number),
      limitMs: orNull(number), limitBy, lateShare: number, failedShare: number, sites: list(record({ site: text, limitMs: number, lateShare: number })),
    }),
    sites: list(text),
    ownersSiteLimits: list(record({ site: text, limitMs: number })),
    statements: record({ attempts: integer, statements: list(ref('Statement')) }),
    apdexAtOwners: orNull(text), apdexAtLearned: orNull(text),
    outcomes: record({ startMs: number, stepMs: number, onTime: numbers, late: numbers, hung: numbers, failed: numbers }),
    bands: list(record({ fromMs: number, toMs: orNull(number), attempts: integer })), charts: list(ref('Chart')), marks: list(ref('Mark')),
    sides: list(record({ dimension, sides: list(ref('Side')) })), slowest: list(ref('Sample')),
    incidents: list(record({ id: integer, onsetMs: number, endMs: number, inTroubleNow: flag })),
    changes: list(record({ id: integer, atMs: number, fromMs: number, who: text, words: text, undoes: orNull(integer) })),
  }),
  Settings: record({
    currency: text, rates: record(Object.fromEntries(RATE_NAMES.map((name) => [name, number]))), keyTiers: list(text),
    calendar: record({ holidays: list(text), excluded: list(record({ fromMs: number, toMs: number, reason: text })) }),
    changes: list(record({ id: integer, atMs: number, fromMs: number, who: text, key: text, about: text, words: text, undoes: orNull(integer), isUndone: flag })),
  }),
  NewSetting: {
    type: 'object',
    properties: { who: text, key: text, value: { description: 'null: back to the settings file' }, fromMs: integer },
    required: ['who', 'key'],
  },
  NewDecision: {
    type: 'object',
    properties: { who: text, what: oneOf(['join', 'unjoin', 'split', 'setAside', 'takeBack']), into: integer, flows: list(integer), reason: text, untilMs: integer },
    required: ['who', 'what'],
  },
  Decided: record({ id: integer }),
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
  ...pageSchemas,
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
const focusQuery = [
  query('application', text, 'only this application'),
  query('flow', integer, 'only this flow'),
  query('team', text, 'only what this team has or should get'),
  ...DIMENSIONS.map((name) => query(name, text, `only attempts of this ${name}`)),
  query('against', oneOf(AGAINST), 'with what the window is compared'),
];
const pageQuery = PAGE_DIMENSIONS.map((name) => query(name, text, `only views of this ${name}`));
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

/** Plain text, for which a browser asks no leave before; it holds JSON. */
const browserBody = { content: { 'text/plain': { schema: text } } };
const cloudEventsBody = {
  content: { 'application/cloudevents+json': { schema: { type: 'object' } }, 'application/cloudevents-batch+json': { schema: { type: 'array' } } },
};
const takes = (what: string, body: object) => ({
  summary: `Takes ${what}; acknowledged when they are on the disk`,
  requestBody: { required: true, ...body },
  responses: {
    '200': { description: 'taken; the answer tells what was not' },
    '400': { description: 'not of the protocol: do not send it again' },
    '401': { description: 'an ingest key is needed' },
    '413': { description: 'too large' },
    '415': { description: 'of another type' },
    '503': { description: 'come back after Retry-After' },
  },
});

/** The API's description, OpenAPI 3.1. The app's types are made from it; a test checks real answers against it. */
export function openApi(url: string): Schema {
  return {
    openapi: '3.1.0',
    info: { title: 'Top Lens', version: '0.1.0', description: 'Performance incidents ranked by what they do to people.' },
    servers: [{ url }],
    paths: {
      '/v1/traces': { post: takes('spans', otlpBody) },
      '/v1/logs': { post: takes('lines of logs, changes as events named toplens.change, business events named toplens.business_event', otlpBody) },
      '/v1/metrics': { post: takes('points of metrics of all kinds', otlpBody) },
      '/v1/browser': {
        post: takes(
          'page views, script errors, business events and spans of a page, with the key of the page as ?key=… and from its origins alone',
          browserBody,
        ),
      },
      '/v1/har': {
        post: {
          ...takes('page loads of a HAR 1.2 file; sent again it adds nothing', { content: { 'application/json': { schema: { type: 'object' } } } }),
          parameters: [
            query('component', text, 'whose pages these are'),
            query('application', text, 'of which application'),
            query('version', text, 'of the pages'),
          ],
        },
      },
      '/v1/business-events': {
        post: takes('business events as CloudEvents 1.0, one or a batch, or as a CSV file whose first row names the columns', {
          content: { ...cloudEventsBody.content, 'text/csv': { schema: text } },
        }),
      },
      '/v1/changes': { post: takes('changes as CloudEvents 1.0, one or a batch', cloudEventsBody) },
      '/api/worst-first': {
        get: get('Incidents of a window, worst first', 'WorstFirst', [
          ...windowQuery,
          ...focusQuery,
          query('rankBy', oneOf(RANKINGS), 'what orders the list'),
          query('rates', oneOf(['then', 'today']), 'rates of a past window: as they were set then, or as they are today'),
        ]),
      },
      '/api/incidents/{id}': { get: get('One incident within a window', 'Incident', [path('id'), ...windowQuery, ...focusQuery]) },
      '/api/incidents/{id}/decisions': {
        post: post('Joins, splits, sets aside, and takes back', 'NewDecision', { '200': ok('Decided', 'the incident to look at now') }, [path('id')]),
      },
      '/api/changes': { get: get('The last five minutes against the hour before, for every flow and component', 'Changes') },
      '/api/incidents/{id}/brief': {
        get: get('The brief as it would be sent', 'BriefPage', [
          path('id'),
          ...windowQuery,
          query('team', text, 'to whom'),
          query('note', text, 'what the sender adds'),
        ]),
      },
      '/api/flows': { get: get('All flows with what their attempts came to', 'FlowTable', [...windowQuery, ...focusQuery]) },
      '/api/flows/{id}': { get: get('One flow', 'FlowPage', [path('id'), ...windowQuery, ...focusQuery]) },
      '/api/attempts/{traceId}/{spanId}': { get: get('One attempt with all its spans', 'AttemptPage', [path('traceId'), path('spanId')]) },
      '/api/flows/{id}/field': { get: get('Its attempts by time and duration', 'Field', [path('id'), ...windowQuery, ...focusQuery]) },
      '/api/flows/{id}/region': {
        get: get('Attempts of a part of the field, worst first', 'Region', [
          path('id'),
          ...windowQuery,
          ...focusQuery,
          query('longer', number, 'milliseconds: took at least so long'),
          query('shorter', number, 'milliseconds: took less than this; left out: however long'),
        ]),
      },
      '/api/flows/{id}/path': { get: get('The components that a flow goes through', 'Path', [path('id'), ...windowQuery, ...focusQuery]) },
      '/api/incidents/{id}/hurt': {
        get: get('People whom an incident hurt, worst off first, without names', 'Hurt', [path('id'), ...windowQuery, ...focusQuery]),
      },
      '/api/incidents/{id}/lost-by-tier': {
        get: get('Money that an incident cost so far, by tier', 'LostByTier', [path('id'), ...windowQuery, ...focusQuery]),
      },
      '/api/incidents/{id}/hurt/export': {
        post: {
          summary: 'The same with ids, as CSV: needs a key of those who may see persons; recorded with who and why',
          parameters: [path('id'), ...windowQuery, ...focusQuery],
          requestBody: { required: true, content: { 'application/json': { schema: record({ why: text }) } } },
          responses: { 200: { description: 'CSV (RFC 4180)', content: { 'text/csv': { schema: text } } } },
        },
      },
      '/api/people/find': {
        post: {
          summary: 'What one person did, in order: found by id, or by the SHA-256 of an e-mail address; needs a key; recorded with who and why',
          parameters: windowQuery,
          requestBody: { required: true, content: { 'application/json': { schema: record({ find: text, why: text }) } } },
          responses: { 200: { description: 'found', content: { 'application/json': { schema: ref('Person') } } } },
        },
      },
      '/api/person-looks': { get: get('Who looked at persons by name, and why', 'PersonLooks') },
      '/api/journeys': { get: get('Ways that people walk through flows: who sets out, leaves, completes', 'Journeys', [...windowQuery, ...focusQuery]) },
      '/api/journeys/{id}': { get: get('One journey, step by step, and in which order to mend', 'Journey', [path('id'), ...windowQuery, ...focusQuery]) },
      '/api/money': { get: get('Orders, value, size and conversion against the same hours of like days', 'Money', [...windowQuery, ...focusQuery]) },
      '/api/pages': {
        get: get('Page loads in browsers by page, country …, heaviest first; where it is worse; what does not come', 'PageLoads', [
          ...windowQuery,
          query('by', oneOf(PAGE_DIMENSIONS), 'what views are told apart by'),
          ...pageQuery,
        ]),
      },
      '/api/page-loads/{view}': { get: get('One view of one page, with all that it fetched', 'PageLoad', [path('view')]) },
      '/api/page-load-of/{trace}': { get: get('The view that a trace began in', 'PageLoadOf', [path('trace')]) },
      '/api/script-errors': { get: get('Errors of scripts in groups, by people met', 'ScriptErrors', [...windowQuery, ...pageQuery]) },
      '/api/source-maps': {
        get: get('Source maps that stacks are read through', 'SourceMaps'),
        post: post('Takes a source map (ECMA-426); one of the same component, version and file is replaced', 'NewSourceMap', {
          '201': ok('SourceMapKept', 'kept'),
        }),
      },
      '/api/estate': { get: get('Everything that runs: five minutes at the end of the window against the hour before them', 'Estate', windowQuery) },
      '/api/components/{name}': { get: get('A component: callers, callees, hosts, flows, incidents, changes', 'Component', [path('name'), ...windowQuery]) },
      '/api/attempts/{traceId}/{spanId}/hosts': { get: get('Hosts of an attempt in its minutes', 'Hosts', [path('traceId'), path('spanId')]) },
      '/api/attempts/{traceId}/{spanId}/beside': {
        get: get('What else a store was asked while this statement ran', 'Beside', [path('traceId'), path('spanId')]),
      },
      '/api/incidents/{id}/hosts': { get: get('Hosts, processes and runtimes while an incident went on: ruled out or left over', 'Hosts', [path('id')]) },
      '/api/incidents/{id}/logs': { get: get('Log lines of its components brought to patterns, against the hours before', 'LogPatterns', [path('id')]) },
      '/api/flow-counts': { get: get('All that was ever recorded, by flow', 'FlowCounts') },
      '/api/settings': {
        get: get('Rates, calendar, and every change of a setting', 'Settings'),
        post: post('Changes a setting; what was set before stays in its history', 'NewSetting', { '201': ok('Settings', 'as they are now') }),
      },
      '/api/settings/changes/{id}/undo': {
        post: post('Takes a change back to what was set before it', 'NewSetting', { '201': ok('Settings', 'as they are now') }, [path('id')]),
      },
      '/api/status': { get: get('How fresh the data is', 'Freshness') },
      '/api/server-state': { get: get("How this server's parts are, what is judged again, whose clock is wrong", 'ServerState') },
      '/api/refused-records': {
        get: get('Records that the database refused, newest first', 'RefusedRecords', [query('before', integer, 'older than this one')]),
      },
      '/api/refused-records/{id}': {
        delete: { summary: 'Drops a refused record', parameters: [path('id')], responses: { '204': { description: 'dropped' }, default: problem } },
      },
      '/api/refused-records/{id}/send-again': {
        post: {
          summary: 'Tries to store a refused record once more; refused again, it is kept aside again',
          parameters: [path('id')],
          responses: { '200': ok('SentAgain', 'whether it was taken this time'), default: problem },
        },
      },
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
