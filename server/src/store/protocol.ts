import type { MessagePort } from 'node:worker_threads';

/** A batch of decoded telemetry on its way to the database: rows for binary COPY, and what belongs to them. */
export interface IngestBatch {
  /** number of the batch, growing; remembered with the hours that it touched */
  batch: number;
  /** how far the journal is applied with it; `undefined` when more of the same records follows */
  mark: { segment: number; offset: number } | undefined;
  attempts: Uint8Array;
  attemptCount: number;
  hours: number[];
  details: DetailRow[];
  versions: VersionRow[];
  parts: PartRow[];
  changes: ChangeRow[];
  /** rows of all other tables that are filled by COPY, the names of the batch among them; none of them is empty */
  copies: { table: CopiedTable; rows: Uint8Array }[];
}

export type CopiedTable = 'name' | 'span' | 'attempt_item' | 'log_line' | 'metric_point' | 'page_view' | 'page_detail' | 'page_call' | 'script_error';

/** A row of table change_event. */
export interface ChangeRow {
  id: string;
  at_us: number;
  kind: string;
  component: string;
  title: string;
  by: string;
}

/** A row of table component_version. */
export interface VersionRow {
  component: string;
  version: string;
  first_us: number;
}

/** A row of table component_part. */
export interface PartRow {
  component: string;
  host: string;
  application: string;
  region: string;
  version: string;
  last_us: number;
}

/** A row of table failure_detail; ids in hexadecimal. */
export interface DetailRow {
  trace_id: string;
  span_id: string;
  started_us: number;
  message: string;
  class_name: string;
  method: string;
  file: string;
  line: number;
  stack: string;
}

export interface IngestResult {
  /** ordinals of attempts that were stored before; empty when all are new */
  known: number[];
}

export type DatabaseRequest =
  | { id: number; kind: 'query'; sql: string; params: unknown[] }
  | { id: number; kind: 'exec'; sql: string }
  | { id: number; kind: 'copyOut'; sql: string }
  | { id: number; kind: 'ingest'; batch: IngestBatch }
  | { id: number; kind: 'checkpoint' }
  | { id: number; kind: 'flush' }
  | { id: number; kind: 'backupStart' }
  | { id: number; kind: 'backupStop' }
  | { id: number; kind: 'transaction'; statements: { sql: string; params: unknown[] }[] }
  | { id: number; kind: 'connect'; port: MessagePort }
  | { id: number; kind: 'memory' }
  | { id: number; kind: 'close' };

export type DatabaseAnswer =
  /** the database cannot be asked any more, and why */
  | { broken: string; cannotUpgrade?: boolean }
  | { id: number; ok: true; result: unknown }
  | { id: number; ok: false; message: string; code: string | undefined; sql: string | undefined };
