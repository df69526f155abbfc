import { seriesText } from '@toplens/core/metrics';
import type { ChangeEvent, LogLine, MetricPoint } from '@toplens/core/telemetry';
import { TableRows } from '../store/tables';
import type { ChangeRow } from '../store/protocol';
import type { NameBook } from './name-book';
import { lineIdentity } from './line-identity';
import type { ReceivedMark } from '../store/attempt-marks';

export function lineRows(lines: readonly LogLine[], names: NameBook): TableRows<'log_line'> {
  const rows = new TableRows('log_line');
  for (const line of lines)
    rows.add({
      component: names.idOf('component', line.component),
      at_us: line.atUs,
      identity: lineIdentity(line),
      host: names.idOf('host', line.host, line.component),
      severity: line.severity,
      trace_id: line.traceId === '' ? null : line.traceId,
      span_id: line.spanId,
      failure: names.idOf('failure', line.failure, line.component),
      body: line.body,
    });
  return rows;
}

export function pointRows(points: readonly MetricPoint[], names: NameBook): TableRows<'metric_point'> {
  const rows = new TableRows('metric_point');
  for (const { series, atUs, startUs, value, distribution = null } of points)
    rows.add({
      series: names.idOf('series', seriesText(series), series.component),
      at_us: atUs,
      start_us: startUs,
      value,
      distribution,
    });
  return rows;
}

export function markRows(marks: readonly ReceivedMark[]): TableRows<'attempt_mark'> {
  const rows = new TableRows('attempt_mark');
  for (const { mark, receivedMs } of marks)
    rows.add({ id: mark.id, is_end: mark.isEnd ? 1 : 0, received_ms: Math.round(receivedMs), mark });
  return rows;
}

export const changeRow = ({ atUs, ...change }: ChangeEvent): ChangeRow => ({ ...change, at_us: atUs });
