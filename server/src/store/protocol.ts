import type { MessagePort } from 'node:worker_threads';
import type { TableName } from './tables';
import type { ThreadMemory } from '../threads/thread-memory';

export interface Statement {
  sql: string;
  params: unknown[];
}

/**
 * Where the two parts of an online backup begin and end: PostgreSQL documentation, "Making a Base Backup Using the Low
 * Level API".
 */
export interface BackupEnd {
  /** contents of the file backup_label */
  label: string;
}

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
  copies: { table: CopiedBeside; rows: Uint8Array }[];
}

/** Tables whose rows are copied beside the attempts. */
export type CopiedBeside = Exclude<TableName, 'attempt'>;

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

/** A row of table component_part: what a part was, and from when to when it was seen as that. */
export interface PartRow {
  component: string;
  host: string;
  application: string;
  region: string;
  version: string;
  first_us: number;
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

/** What the database's thread is asked. */
export interface DatabaseQuestions {
  query: { ask: { sql: string; params: unknown[] }; answer: Record<string, unknown>[] };
  exec: { ask: { sql: string }; answer: void };
  /** rows of a query in binary COPY format */
  copyOut: { ask: { sql: string }; answer: Uint8Array };
  ingest: { ask: IngestBatch; answer: IngestResult };
  checkpoint: { ask: null; answer: void };
  flush: { ask: null; answer: void };
  backupStart: { ask: null; answer: void };
  backupStop: { ask: null; answer: BackupEnd };
  /** all statements or none */
  transaction: { ask: Statement[]; answer: void };
  /** another thread asks through this port from now on */
  connect: { ask: { port: MessagePort }; answer: void };
  memory: { ask: null; answer: ThreadMemory };
  close: { ask: null; answer: void };
}

/** What the database's thread says by itself. */
export type DatabaseNotice =
  /** it cannot be asked any more, and why */
  | { broken: string; cannotUpgrade?: boolean }
  /** a part of its files is damaged: what lies there cannot be read, everything else can */
  | { damaged: string };
