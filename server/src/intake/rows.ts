import { type InnerSpan } from '@toplens/core/flows';
import { emptyColumns, FAILED, HANDHELD, KIND_FLAGS, PROBE, SpanKind, USER_SIDE, type Attempt, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS } from '@toplens/core/time';
import { CopyRows } from '../store/copy-rows';
import type { DetailRow, PartRow, VersionRow } from '../store/protocol';
import { type NameBook } from './name-book';
import { flowText } from '../names/flow-text';
import { sessionNumber } from './session-number';

export interface EncodedRows {
  /** binary COPY of table attempt */
  attempts: CopyRows;
  /** binary COPY of table span */
  spans: CopyRows;
  /** the attempts once more, for the engine */
  columns: AttemptColumns;
  details: DetailRow[];
  /** binary COPY of table attempt_item: of attempts that tell what they were about */
  items: CopyRows;
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
    attempts: new CopyRows(19),
    spans: new CopyRows(14),
    columns: emptyColumns(attempts.length),
    details: [],
    items: new CopyRows(6),
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

function addItem({ traceId, spanId, startUs, item, person, component }: Attempt, { items, columns }: EncodedRows, names: NameBook): void {
  if (item === '') return;
  items.startRow();
  items.hex(traceId);
  items.hex(spanId);
  items.int8(startUs);
  items.int4(columns.flow[columns.n - 1] as number);
  items.int4(names.idOf('person', person, component));
  items.int4(names.idOf('item', item, component));
}

function addVersion({ component, version, startUs }: Attempt | InnerSpan, versions: Map<string, VersionRow>): void {
  if (version === '') return;
  const key = `${component}\u001f${version}`;
  const known = versions.get(key);
  if (!known) versions.set(key, { component, version, first_us: startUs });
  else if (startUs < known.first_us) known.first_us = startUs;
}

function addPart({ component, host, application, zone, version, startUs }: Attempt | InnerSpan, parts: Map<string, PartRow>): void {
  const key = `${component}\u001f${host}`;
  if ((parts.get(key)?.last_us ?? 0) < startUs) parts.set(key, { component, host, application, region: zone, version, last_us: startUs });
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
  const flags = (failed ? FAILED : 0) | (probe ? PROBE : 0) | (isUserSide ? USER_SIDE : 0) | (isHandheld ? HANDHELD : 0) | KIND_FLAGS[kind];
  const flow = names.idOf('flow', flowText({ application: attempt.application, technicalName: attempt.flow, kind }), attempt.component);
  const session = sessionNumber(attempt.session);
  const i = columns.n;
  rows.startRow();
  rows.hex(attempt.traceId);
  rows.hex(attempt.spanId);
  rows.int8(attempt.startUs);
  rows.int8(attempt.durationUs);
  rows.int4((columns.flow[i] = flow));
  rows.int2((columns.flags[i] = flags));
  rows.int4((columns.person[i] = names.idOf('person', attempt.person, attempt.component)));
  rows.int8((columns.session[i] = session));
  rows.int4((columns.failure[i] = names.idOf('failure', attempt.failure, attempt.component)));
  rows.int4((columns.site[i] = names.idOf('site', attempt.site, attempt.component)));
  rows.int4((columns.version[i] = names.idOf('version', attempt.version, attempt.component)));
  rows.int4((columns.region[i] = names.idOf('region', attempt.region, attempt.component)));
  rows.int4((columns.tier[i] = names.idOf('tier', attempt.tier, attempt.component)));
  rows.int4((columns.promotion[i] = names.idOf('promotion', attempt.promotion, attempt.component)));
  rows.int4((columns.host[i] = names.idOf('host', attempt.host, attempt.component)));
  rows.int4(names.idOf('component', attempt.component));
  if (Number.isNaN(attempt.valueMinor)) rows.null();
  else rows.int8(attempt.valueMinor);
  rows.hex(attempt.parentSpanId);
  rows.int4(names.idOf('device', attempt.device, attempt.component));
  columns.valueMinor[i] = attempt.valueMinor;
  columns.startMs[i] = attempt.startUs / 1000;
  columns.durationMs[i] = attempt.durationUs / 1000;
  columns.n++;
  hours.add(floorTo(attempt.startUs / 1000, HOUR_MS));
}

function encodeSpan(span: InnerSpan, rows: CopyRows, names: NameBook): void {
  rows.startRow();
  rows.hex(span.traceId);
  rows.hex(span.spanId);
  rows.hex(span.parentSpanId);
  rows.int8(span.startUs);
  rows.int8(span.durationUs);
  rows.int4(names.idOf('component', span.component));
  rows.int4(names.idOf('peer', span.peer, span.component));
  rows.int4(names.idOf('span', span.name, span.component));
  rows.int2(span.kind);
  rows.int2((span.failed ? FAILED : 0) | (span.isUserSide ? USER_SIDE : 0));
  rows.int4(names.idOf('failure', span.failure, span.component));
  rows.int4(names.idOf('host', span.host, span.component));
  rows.int4(names.idOf('statement', span.statement, span.component));
  rows.int4(names.idOf('device', span.device, span.component));
}
