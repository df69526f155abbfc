import { outcomeOf, type Outcome } from '../../flows';
import { limitsAt, type FlowNormal } from '../../normal';
import { FAILED, type AttemptColumns } from '../../telemetry';

/** What became of the attempt in a row, by what judges its site. */
export const outcomeOfRow = (rows: AttemptColumns, row: number, normal: FlowNormal): Outcome =>
  outcomeOf(
    rows.durationMs[row] as number,
    ((rows.flags[row] as number) & FAILED) !== 0,
    limitsAt(normal, rows.site[row] as number).limitMs,
  );
