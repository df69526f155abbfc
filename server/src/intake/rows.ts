import { type InnerSpan } from '@toplens/core/flows';
import {
  CRASHED,
  emptyColumns,
  FAILED,
  HANDHELD,
  KIND_FLAGS,
  PROBE,
  SpanKind,
  USER_SIDE,
  type Attempt,
  type AttemptColumns,
} from '@toplens/core/telemetry';
import { floorTo, HOUR_MS } from '@toplens/core/time';
import { ATTEMPT_NUMBERS, TableRows } from '../store/tables';
import type { DetailRow, PartRow, VersionRow } from '../store/protocol';
import type { NameBook, NameKind } from './name-book';
import { flowText } from '../names/flow-text';
import { browserWords } from './browser-words';
import { sessionNumber } from './session-number';

export interface EncodedRows {
  attempts: TableRows<'attempt'>;
  spans: TableRows<'span'>;
  /** the attempts once more, for the engine */
  columns: AttemptColumns;
  details: DetailRow[];
  /** of attempts that tell what they were about */
  items: TableRows<'attempt_item'>;
  /** first moment at which each version of a component was seen, microseconds */
  versions: Map<string, VersionRow>;
  /** where components ran, as the newest spans say */
  parts: Map<string, PartRow>;
  hours: Set<number>;
  /** end of the last attempt, milliseconds since the epoch */
  latestEndMs: number;
}

/** Rows for the database and for the engine, with texts numbered. Doubles within the batch are left out. */
export function encodeRows(attempts: readonly Attempt[], spans: readonly InnerSpan[], names: NameBook): EncodedRows {
  const encoded: EncodedRows = {
    attempts: new TableRows('attempt'),
    spans: new TableRows('span'),
    columns: emptyColumns(attempts.length),
    details: [],
    items: new TableRows('attempt_item'),
    versions: new Map(),
    parts: new Map(),
    hours: new Set(),
    latestEndMs: 0,
  };
  const seen = new Set<string>();
  const isFirst = (row: { traceId: string; spanId: string }) => {
    const identity = row.traceId + row.spanId;
    if (seen.has(identity)) return false;
    seen.add(identity);
    return true;
  };
  for (const attempt of attempts)
    if (isFirst(attempt)) {
      encodeAttempt(attempt, encoded, names);
      addItem(attempt, encoded, names);
      addDetail(attempt, encoded.details);
      addVersion(attempt, encoded.versions);
      if (!attempt.isUserSide) addPart(attempt, encoded.parts);
    }
  for (const span of spans)
    if (isFirst(span)) {
      encodeSpan(span, encoded.spans, names);
      addDetail(span, encoded.details);
      addVersion(span, encoded.versions);
      // What calls a store tells its own host, not the store's.
      if (span.kind !== SpanKind.CLIENT && !span.isUserSide) addPart(span, encoded.parts);
    }
  return encoded;
}

function addItem(
  { traceId, spanId, startUs, item, person, component }: Attempt,
  { items, columns }: EncodedRows,
  names: NameBook,
): void {
  if (item === '') return;
  items.add({
    trace_id: traceId,
    span_id: spanId,
    started_us: startUs,
    flow: columns.flow[columns.n - 1] as number,
    person: names.idOf('person', person, component),
    item: names.idOf('item', item, component),
  });
}

function addVersion({ component, version, startUs }: Attempt | InnerSpan, versions: Map<string, VersionRow>): void {
  if (version === '') return;
  const key = `${component}\u001f${version}`;
  const known = versions.get(key);
  if (!known) versions.set(key, { component, version, first_us: startUs });
  else if (startUs < known.first_us) known.first_us = startUs;
}

function addPart(
  { component, host, application, zone, version, startUs }: Attempt | InnerSpan,
  parts: Map<string, PartRow>,
): void {
  const key = [component, host, application, zone, version].join('\u001f');
  const known = parts.get(key);
  if (!known)
    parts.set(key, { component, host, application, region: zone, version, first_us: startUs, last_us: startUs });
  else {
    known.first_us = Math.min(known.first_us, startUs);
    known.last_us = Math.max(known.last_us, startUs);
  }
}

function addDetail({ traceId, spanId, startUs, detail }: Attempt | InnerSpan, details: DetailRow[]): void {
  if (!detail) return;
  const { className, line, ...texts } = detail;
  details.push({
    trace_id: traceId,
    span_id: spanId,
    started_us: startUs,
    class_name: className,
    line: Math.min(Math.max(0, Math.trunc(line)), 2 ** 31 - 1),
    ...texts,
  });
}

function encodeAttempt(attempt: Attempt, { attempts: rows, columns, hours }: EncodedRows, names: NameBook): void {
  const { failed, probe, isUserSide, isHandheld, kind } = attempt;
  const flags =
    (failed ? FAILED : 0) |
    (probe ? PROBE : 0) |
    (isUserSide ? USER_SIDE : 0) |
    (isHandheld ? HANDHELD : 0) |
    (attempt.crashed ? CRASHED : 0) |
    KIND_FLAGS[kind];
  const flow = names.idOf(
    'flow',
    flowText({ application: attempt.application, technicalName: attempt.flow, kind }),
    attempt.component,
  );
  const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, attempt.component);
  const told = browserWords(attempt.userAgent);
  const row = {
    trace_id: attempt.traceId,
    span_id: attempt.spanId,
    started_us: attempt.startUs,
    duration_us: attempt.durationUs,
    flow,
    flags,
    person: numberOf('person', attempt.person),
    session: sessionNumber(attempt.session),
    failure: numberOf('failure', attempt.failure),
    site: numberOf('site', attempt.site),
    version: numberOf('version', attempt.version),
    region: numberOf('region', attempt.region),
    tier: numberOf('tier', attempt.tier),
    promotion: numberOf('promotion', attempt.promotion),
    host: numberOf('host', attempt.host),
    component: names.idOf('component', attempt.component),
    value_minor: Number.isNaN(attempt.valueMinor) ? null : attempt.valueMinor,
    parent_id: attempt.parentSpanId,
    ran_on: numberOf('ranOn', attempt.ranOn),
    device: numberOf('device', attempt.device),
    browser: numberOf('browser', attempt.browser || told.browser),
    system: numberOf('system', attempt.system || told.system),
    carrier: numberOf('carrier', attempt.carrier),
    department: numberOf('department', attempt.department),
    role: numberOf('role', attempt.role),
    station: numberOf('station', attempt.station),
    server: numberOf('server', attempt.server),
  };
  rows.add(row);
  const i = columns.n;
  for (const name of ATTEMPT_NUMBERS) columns[name][i] = row[name];
  columns.valueMinor[i] = attempt.valueMinor;
  columns.startMs[i] = attempt.startUs / 1000;
  columns.durationMs[i] = attempt.durationUs / 1000;
  columns.n++;
  hours.add(floorTo(attempt.startUs / 1000, HOUR_MS));
}

function encodeSpan(span: InnerSpan, rows: TableRows<'span'>, names: NameBook): void {
  const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, span.component);
  rows.add({
    trace_id: span.traceId,
    span_id: span.spanId,
    parent_id: span.parentSpanId,
    started_us: span.startUs,
    duration_us: span.durationUs,
    component: names.idOf('component', span.component),
    peer: numberOf('peer', span.peer),
    name: numberOf('span', span.name),
    kind: span.kind,
    flags: (span.failed ? FAILED : 0) | (span.isUserSide ? USER_SIDE : 0),
    failure: numberOf('failure', span.failure),
    host: numberOf('host', span.host),
    statement: numberOf('statement', span.statement),
    ran_on: numberOf('ranOn', span.ranOn),
  });
}
