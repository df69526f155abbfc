import { seededRandom } from '@toplens/core/stats';
import { Severity } from '@toplens/core/telemetry';
import { MINUTE_MS } from '@toplens/core/time';
import type { WorldAttempt } from '../pellwick/simulate';
import { inside, type Troubles } from '../pellwick/troubles';
import { saleLine, saleOf } from './insurance';
import type { Attribute, OutSpan } from './spans';

/** A line of a log ready to be encoded. */
export interface OutLine {
  service: string;
  host: string;
  version: string;
  application: string;
  atMs: number;
  severity: number;
  body: string;
  traceId: number[] | undefined;
  spanId: number[] | undefined;
  eventName: string;
  attributes: Attribute[];
  /** of the person's own device, for what runs there; else left out */
  device?: Attribute[];
}

const SERVER = 2;
/** From so long on a store tells of a statement. */
const SLOW_STATEMENT_MS = 1_200;

/**
 * What the services write about an attempt whose spans are these: a line for each request, warnings for what is slow,
 * an error for what fails, and what the store says of slow statements.
 */
export function linesOf(attempt: WorldAttempt, spans: readonly OutSpan[]): OutLine[] {
  const service = spans.find(({ kind, parentSpanId }) => kind === SERVER && parentSpanId !== undefined);
  if (!service) return [];
  const random = seededRandom(attempt.number);
  const parcel = `PW${Math.abs(attempt.number) % 1_000_000}`;
  const line = (severity: number, body: string, more: Partial<OutLine> = {}): OutLine => ({
    service: service.service,
    host: service.host,
    version: service.version,
    application: service.application,
    atMs: service.startMs + service.durationMs,
    severity,
    body,
    traceId: service.traceId,
    spanId: service.spanId,
    eventName: '',
    attributes: [],
    ...more,
  });
  const lines = [
    line(
      Severity.INFO,
      `${service.name} for ${attempt.person?.id ?? 'nobody'} took ${Math.round(service.durationMs)} ms, status ${attempt.failed ? 500 : 200}`,
    ),
  ];
  const sale = saleOf(attempt);
  if (sale) lines.push(line(Severity.INFO, saleLine(sale), { service: 'payments' }));
  if (random() < 0.3)
    lines.push(
      line(
        Severity.DEBUG,
        `${attempt.person?.region ?? ''} rules of ${attempt.person?.tier ?? 'none'} applied to ${parcel}`,
        { atMs: service.startMs + 2 },
      ),
    );
  if (attempt.failed) {
    const message = service.details.find(([key]) => key === 'exception.message')?.[1] ?? attempt.failure;
    const body = `${attempt.failure}: ${message} (parcel ${parcel})`;
    lines.push(
      line(Severity.ERROR, body, {
        attributes: [
          ['exception.type', attempt.failure],
          ['exception.message', message],
        ],
      }),
    );
  }
  if (attempt.flow === 'slots' && service.durationMs > 3_000)
    lines.push(
      line(
        Severity.WARN,
        `slot search for ${attempt.person?.site || 'no depot'} took ${(service.durationMs / 1000).toFixed(1)} s, more than 3 s`,
      ),
    );
  for (const call of spans) {
    const statement = call.attributes.find(([key]) => key === 'db.query.text')?.[1];
    if (statement === undefined || call.durationMs < SLOW_STATEMENT_MS) continue;
    const store = String(call.attributes.find(([key]) => key === 'db.namespace')?.[1] ?? '');
    lines.push(
      line(Severity.INFO, `duration: ${call.durationMs.toFixed(3)} ms  statement: ${String(statement)}`, {
        service: store,
        host: STORE_HOSTS[store] ?? 'north-db-1',
        version: '15.6',
        atMs: call.startMs + call.durationMs,
        traceId: undefined,
        spanId: undefined,
      }),
    );
  }
  return lines;
}

export const STORE_HOSTS: Record<string, string> = {
  'parcels-db': 'north-db-1',
  'ledger-db': 'mid-db-1',
  'slot-cache': 'mid-db-2',
};

/** Lines that no attempt causes, of one minute: housekeeping, and the one that tells of the index. */
export function minuteLines(minuteMs: number, troubles: Troubles): OutLine[] {
  const minute = Math.floor(minuteMs / MINUTE_MS);
  const store = (service: string, severity: number, body: string, atMs = minuteMs + 17_250): OutLine => ({
    service,
    host: STORE_HOSTS[service] ?? '',
    version: '15.6',
    application: 'Sender Portal',
    atMs,
    severity,
    body,
    traceId: undefined,
    spanId: undefined,
    eventName: '',
    attributes: [],
  });
  const lines: OutLine[] = [];
  if (minute % 5 === 0)
    lines.push(
      store(
        'parcels-db',
        Severity.INFO,
        `checkpoint complete: wrote ${900 + ((minute * 37) % 400)} buffers; ${(minute * 7) % 5} WAL files added`,
      ),
    );
  if (minute % 30 === 0)
    lines.push(
      store(
        'parcels-db',
        Severity.INFO,
        `automatic vacuum of table "parcels.public.events": pages: ${minute % 9} removed`,
      ),
    );
  const release = troubles.slowSlots && troubles.slowSlots.fromMs - 3 * MINUTE_MS;
  if (release !== undefined && inside({ fromMs: minuteMs, toMs: minuteMs + MINUTE_MS }, release))
    lines.push(
      store(
        'parcels-db',
        Severity.WARN,
        'migration 418: dropped index slots_round_day, no longer used by any statement',
        release + 41_000,
      ),
    );
  return lines;
}
