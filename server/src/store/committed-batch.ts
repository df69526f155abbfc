import type { AttemptColumns } from '@toplens/core/telemetry';

/** Committed attempts on their way to the engine. */
export interface CommittedBatch {
  batch: number;
  columns: AttemptColumns;
  /** this server's clock, milliseconds since the epoch: threads have no other */
  nowMs: number;
}
