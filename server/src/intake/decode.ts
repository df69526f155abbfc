import { changeOfCloudEvent, changeOfRecord, isChange } from '@toplens/core/changes';
import {
  BEGIN_EVENT,
  beginOrEndOf,
  END_EVENT,
  isBeginOrEnd,
  isEntry,
  toAttempt,
  toInnerSpan,
  unendedAttempt,
  type AttemptMark,
  type EntryServices,
} from '@toplens/core/flows';
import {
  MalformedTelemetry,
  TooMuchTelemetry,
  type LogRecord,
  readLogsJson,
  readLogsProtobuf,
  readMetricsJson,
  readMetricsProtobuf,
  readTracesJson,
  readTracesProtobuf,
} from '@toplens/core/formats';
import { toLogLine, whyLineRejected } from '@toplens/core/logs';
import {
  BUSINESS_EVENT_NAME,
  type Exchange,
  type LineMatch,
  eventOfCloudEvent,
  eventOfLine,
  eventOfRecord,
  inBillCurrency,
  isBusinessEvent,
} from '@toplens/core/money';
import {
  clockCorrectionUs,
  eventOf,
  PAGE_MARKS,
  RecordRefused,
  textOf,
  whyPointRejected,
  whyRejected,
  type Span,
  type TimeRange,
} from '@toplens/core/telemetry';
import { floorTo, HOUR_MS } from '@toplens/core/time';
import {
  attemptOfView,
  errorOfRecord,
  isPageView,
  isScriptError,
  loadsAmong,
  PAGE_VIEW_EVENT,
  viewOfRecord,
} from '@toplens/core/pages';
import { attemptOfCrash, crashOfRecord, isCrash, isMoment, momentOfRecord, requestOfSpan } from '@toplens/core/phones';
import { spansOfBrowser, recordsOfBrowser } from './browser-body';
import { isProbeRun, isProbeStep, probeRunOf, probeStepOf } from '@toplens/core/probes';
import { countryOf } from './browser-words';
import type { JournalEntry } from './journal-record';
import type { OpenAttempts } from './open-attempts';
import type { EntryFinder } from './entry-finder';
import type { Senders } from './senders';
import type { SourceClocks } from './source-clocks';
import type { UnknownCurrencies } from './unknown-currencies';
import { isRoundTrip, remoteSampleOf } from '@toplens/core/remote';
import type { IntakeLimits } from './limits';
import { lineIdentity } from './line-identity';
import { shortHash } from '../names/short-hash';
import type { WithoutSecrets } from './without-secrets';
import { refusedSample } from './refused-sample';
import { noRecords, type Records } from './records';

/** What the settings say of how telemetry is read. */
export interface Reading {
  entryServices: EntryServices;
  /** technical names of what is no flow */
  isIgnored: (technicalName: string) => boolean;
  /** the business event that a line tells of */
  readLine: (component: string, line: string) => LineMatch | undefined;
  limits: IntakeLimits;
  /** values of all currencies in that of the bills */
  exchange: Exchange;
  /** ms for which attempts are kept, as settings say: what is older is not taken */
  keptMs: number;
  /** what must never be stored */
  withoutSecrets: WithoutSecrets;
}

export interface Decoded {
  records: Records;
  rejected: number;
  /** reasons with their counts, for the sender */
  reasons: string;
}

/** What outlives a request. */
export interface DecodeState {
  clocks?: SourceClocks;
  currencies?: UnknownCurrencies;
  openAttempts?: OpenAttempts;
  senders?: Senders;
  entryFinder?: EntryFinder;
}

/**
 * A request's records, and those that cannot be taken. The same bytes received at the same time give the same answer:
 * the journal is replayed through here.
 *
 * @throws MalformedTelemetry when the body is not a message of the protocol
 */
export function decode(
  { signal, encoding, body, receivedMs }: JournalEntry,
  { entryServices, isIgnored, readLine, limits, exchange, keptMs, withoutSecrets }: Reading,
  { clocks, currencies, openAttempts, senders, entryFinder }: DecodeState = {},
): Decoded {
  const records = noRecords();
  const reasons = new Map<string, number>();
  const range: TimeRange = {
    earliestUs: (receivedMs - Math.min(limits.ageMs, keptMs)) * 1000,
    latestUs: (receivedMs + limits.leadMs) * 1000,
  };
  const reject = (reason: string) => void reasons.set(reason, (reasons.get(reason) ?? 0) + 1);
  const json = encoding === 'json';
  const tooMany = new Spread(limits);
  const noteMark = (mark: AttemptMark) => {
    const reason = tooMany.why('', mark.atUs);
    if (reason !== undefined) throw new RecordRefused(reason);
    const attempt = openAttempts?.note(mark, receivedMs);
    records.marks.push({ mark, receivedMs });
    if (attempt) records.toldBeside.push(attempt);
  };
  const sampleOf = (kind: string, name: string, atUs: number) => refusedSample(kind, withoutSecrets.name(name), atUs);
  switch (signal) {
    case 'traces': {
      const received = json ? readTracesJson(parseJson(body), limits) : readTracesProtobuf(body, limits);
      for (const span of received) correctClock(span, clockCorrectionUs(span.resource, receivedMs));
      const { spans, views } = loadsAmong(received);
      for (const view of views) {
        senders?.came(view.resource);
        takeView(view, range, records, (reason) => {
          reject(reason);
          senders?.refused(view.resource, reason, sampleOf('page view', view.eventName, view.atUs));
        });
      }
      for (const span of spans) {
        const reason = whyRejected(span, range) ?? tooMany.why(span.traceId, span.startUs);
        if (span.startUs > range.latestUs)
          clocks?.note(
            textOf(span.resource['service.name']) ?? 'unknown service',
            textOf(span.resource['host.name']) ?? '',
            span.startUs / 1000,
          );
        senders?.came(span.resource);
        entryFinder?.see(span);
        if (reason !== undefined) {
          reject(reason);
          senders?.refused(span.resource, reason, sampleOf('span', span.name, span.startUs));
        } else if (isProbeRun(span)) takeRun(span, records);
        else if (isEntry(span, entryServices)) {
          const attempt = toAttempt(span);
          if (isIgnored(attempt.flow)) senders?.ignored(span.resource);
          else records.attempts.push(attempt);
        } else {
          records.spans.push(toInnerSpan(span));
          const request = requestOfSpan(span);
          if (request) records.requests.push(request);
          if (isProbeStep(span)) records.probeSteps.push(probeStepOf(span));
        }
      }
      break;
    }
    case 'logs':
      decodeLogs(json ? readLogsJson(parseJson(body), limits) : readLogsProtobuf(body, limits), {
        receivedMs,
        range,
        records,
        reject,
        noteMark,
        readLine,
        senders,
        withoutSecrets,
      });
      break;
    case 'metrics':
      for (const point of json ? readMetricsJson(parseJson(body), limits) : readMetricsProtobuf(body, limits)) {
        const reason = whyPointRejected(point, range, limits.buckets);
        senders?.came(point.series.component);
        const refuse = (why: string) => {
          reject(why);
          senders?.refused(point.series.component, why, sampleOf('metric', point.series.metric, point.atUs));
        };
        if (reason !== undefined) refuse(reason);
        else if (isRoundTrip(point)) {
          const sample = remoteSampleOf(point);
          if (typeof sample === 'string') refuse(sample);
          else records.remote.push(sample);
        } else records.points.push(point);
      }
      break;
    case 'changes':
      for (const event of eventsIn(parseJson(body), limits))
        takeOr(reject, records.changes, () => changeOfCloudEvent(event, range));
      break;
    case 'events':
      for (const event of eventsIn(parseJson(body), limits)) {
        takeOr(reject, records.attempts, () => {
          const attempt = eventOfCloudEvent(event, range, shortHash);
          const reason = tooMany.why('', attempt.startUs);
          if (reason !== undefined) throw new RecordRefused(reason);
          return attempt;
        });
      }
      break;
    case 'browser':
      decodeBrowser(parseJson(body), { range, limits, records, reject, noteMark });
      break;
    case 'unended':
      records.attempts.push(...(parseJson(body) as AttemptMark[]).map(unendedAttempt));
      break;
  }
  for (const attempt of [...records.attempts, ...records.toldBeside]) {
    const value = inBillCurrency(attempt.valueMinor, attempt.currency, exchange);
    if (Number.isNaN(value) && !Number.isNaN(attempt.valueMinor)) currencies?.note(attempt.currency);
    attempt.valueMinor = value;
  }
  withoutSecrets.take(records);
  return {
    records,
    rejected: [...reasons.values()].reduce((sum, n) => sum + n, 0),
    reasons: [...reasons].map(([reason, n]) => `${n} × ${reason}`).join('; '),
  };
}

/** Moves a span and what it tells of its moments. */
function correctClock(span: Span, byUs: number): void {
  if (byUs === 0) return;
  span.startUs += byUs;
  for (const mark of PAGE_MARKS) if (span.marks?.[mark] !== undefined) span.marks[mark] += byUs;
}

/** Lines alike in all that was sent are told apart by their order. */
function decodeLogs(
  all: ReturnType<typeof readLogsJson>,
  {
    receivedMs,
    range,
    records,
    reject: refuse,
    noteMark,
    readLine,
    senders,
    withoutSecrets,
  }: EventReading & Pick<Reading, 'readLine' | 'withoutSecrets'> & { receivedMs: number; senders: Senders | undefined },
): void {
  const repeats = new Map<string, number>();
  for (const record of all) {
    senders?.came(record.resource);
    const reject = (reason: string) => {
      refuse(reason);
      const said = withoutSecrets.text(eventOf(record) || record.body);
      senders?.refused(record.resource, reason, refusedSample('log record', said, record.atUs));
    };
    record.atUs += clockCorrectionUs(record.resource, receivedMs);
    if (isChange(record)) {
      takeOr(reject, records.changes, () => changeOfRecord(record, range));
      continue;
    }
    if (isCrash(record)) {
      takeCrash(record, range, records, reject);
      continue;
    }
    if (isMoment(record)) {
      takeOr(reject, records.moments, () => momentOfRecord(record, range, shortHash));
      continue;
    }
    if (takeEvent(record, { range, records, reject, noteMark })) continue;
    const reason = whyLineRejected(record, range);
    if (reason !== undefined) {
      reject(reason);
      continue;
    }
    const line = toLogLine(record);
    // Business events are read of lines as they came; what is kept of them, and tells them apart, has no secret.
    const match = readLine(line.component, line.body);
    line.body = withoutSecrets.text(line.body);
    line.failure = withoutSecrets.name(line.failure);
    const key = `${line.atUs}\u001f${line.body}`;
    line.repeat = repeats.get(key) ?? 0;
    repeats.set(key, line.repeat + 1);
    records.lines.push(line);
    if (match)
      records.toldBeside.push(
        eventOfLine(match, record, [line.component, line.atUs, lineIdentity(line)].join('\u001f'), shortHash),
      );
  }
}

/** Takes what is read, or tells why it is refused. @returns what was taken */
function takeOr<One>(reject: (reason: string) => void, taken: One[], read: () => One): One | undefined {
  try {
    const one = read();
    taken.push(one);
    return one;
  } catch (error) {
    if (!(error instanceof RecordRefused)) throw error;
    reject(error.message);
    return undefined;
  }
}

/** A view is kept as what the page was like, and its load once more as an attempt. */
function takeView(record: LogRecord, range: TimeRange, records: Records, reject: (reason: string) => void): void {
  const view = takeOr(reject, records.views, () => viewOfRecord(record, range));
  const attempt = view && attemptOfView(view, countryOf(view.country, view.timeZone));
  if (attempt) records.toldBeside.push(attempt);
}

/** A run is kept as it was told; unless the probe itself was in trouble once more as an attempt, which promises count. */
function takeRun(span: Span, records: Records): void {
  const run = probeRunOf(span);
  records.probeRuns.push(run);
  if (run.fault === '')
    records.toldBeside.push({
      ...toAttempt(span),
      flow: run.probe,
      application: run.application,
      kind: 'probe',
      probe: true,
    });
}

/** A crash is kept as it was told, and once more as a failed attempt. */
function takeCrash(record: LogRecord, range: TimeRange, records: Records, reject: (reason: string) => void): void {
  const crash = takeOr(reject, records.crashes, () => crashOfRecord(record, range, shortHash));
  const attempt = crash && attemptOfCrash(crash);
  if (attempt) records.toldBeside.push(attempt);
}

/** Events that pages may tell as well. @returns false when it is an event of another kind */
function takeEvent(record: LogRecord, { range, records, reject, noteMark }: EventReading): boolean {
  if (isPageView(record)) takeView(record, range, records, reject);
  else if (isScriptError(record)) takeOr(reject, records.errors, () => errorOfRecord(record, range));
  else if (isBusinessEvent(record)) takeOr(reject, records.attempts, () => eventOfRecord(record, range, shortHash));
  else if (isBeginOrEnd(record)) {
    takeOr(reject, [], () => noteMark(beginOrEndOf(record, range, shortHash)));
  } else return false;
  return true;
}

interface EventReading {
  range: TimeRange;
  records: Records;
  reject: (reason: string) => void;
  /** @throws RecordRefused */
  noteMark: (mark: AttemptMark) => void;
}

/**
 * What a browser may tell: page views, script errors, business events, where attempts begin and end, and its own spans.
 * Everything else in its request is refused.
 */
function decodeBrowser(body: unknown, { limits, ...reading }: EventReading & { limits: IntakeLimits }): void {
  const { range, records, reject } = reading;
  for (const record of recordsOfBrowser(body, limits))
    if (!takeEvent(record, reading))
      reject(
        `eventName: a browser tells of ${PAGE_VIEW_EVENT}, ${BUSINESS_EVENT_NAME}, ${BEGIN_EVENT}, ${END_EVENT} and exception alone`,
      );
  for (const span of spansOfBrowser(body, limits)) {
    const reason = whyRejected(span, range);
    if (reason !== undefined) reject(reason);
    else records.spans.push(toInnerSpan(span));
  }
}

/** One event, or a batch of them. */
function eventsIn(json: unknown, { records }: IntakeLimits): unknown[] {
  const events = Array.isArray(json) ? (json as unknown[]) : [json];
  if (events.length > records)
    throw new TooMuchTelemetry('request body', `more than ${records} events in a request; send smaller batches`);
  return events;
}

/** What one request may touch: traces of so many spans, and so many hours, each of which is judged anew. */
class Spread {
  readonly #spans = new Map<string, number>();
  readonly #hours = new Set<number>();

  constructor(private readonly limits: IntakeLimits) {}

  why(traceId: string, startUs: number): string | undefined {
    const hour = floorTo(startUs / 1000, HOUR_MS);
    if (this.#hours.size >= this.limits.hours && !this.#hours.has(hour))
      return `startTimeUnixNano: a request tells of ${this.limits.hours} hours at most`;
    this.#hours.add(hour);
    if (traceId === '') return undefined;
    const spans = (this.#spans.get(traceId) ?? 0) + 1;
    this.#spans.set(traceId, spans);
    return spans > this.limits.spansOfTrace
      ? `traceId: a trace has ${this.limits.spansOfTrace} spans in a request at most`
      : undefined;
  }
}

/** @throws MalformedTelemetry when it is none */
export function parseJson(body: Uint8Array): unknown {
  const text = Buffer.from(body.buffer, body.byteOffset, body.byteLength).toString('utf8');
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new MalformedTelemetry('request body', `not JSON: ${(error as Error).message}`);
  }
}
