import { seriesText } from '@toplens/core/metrics';
import type { ChangeEvent, LogLine, MetricPoint } from '@toplens/core/telemetry';
import { CopyRows } from '../store/copy-rows';
import type { ChangeRow } from '../store/protocol';
import type { NameBook } from './name-book';
import { lineIdentity } from './line-identity';

/** Binary COPY of table log_line. */
export function lineRows(lines: readonly LogLine[], names: NameBook): CopyRows {
  const rows = new CopyRows(9);
  for (const line of lines) {
    rows.startRow();
    rows.int4(names.idOf('component', line.component));
    rows.int8(line.atUs);
    rows.hex(lineIdentity(line));
    rows.int4(names.idOf('host', line.host, line.component));
    rows.int2(line.severity);
    if (line.traceId === '') rows.null();
    else rows.hex(line.traceId);
    rows.hex(line.spanId);
    rows.int4(names.idOf('failure', line.failure, line.component));
    rows.text(line.body);
  }
  return rows;
}

/** Binary COPY of table metric_point. */
export function pointRows(points: readonly MetricPoint[], names: NameBook): CopyRows {
  const rows = new CopyRows(5);
  for (const { series, atUs, startUs, value, distribution } of points) {
    rows.startRow();
    rows.int4(names.idOf('series', seriesText(series), series.component));
    rows.int8(atUs);
    rows.int8(startUs);
    rows.float8(value);
    if (distribution) rows.json(distribution);
    else rows.null();
  }
  return rows;
}

export const changeRow = ({ atUs, ...change }: ChangeEvent): ChangeRow => ({ ...change, at_us: atUs });
