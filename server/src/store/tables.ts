import { PARTS, VITALS } from '@toplens/core/pages';
import { DIMENSIONS } from '@toplens/core/telemetry';
import { byName } from '../by-name';
import { CopyRows } from './copy-rows';

/**
 * How values of a column are written: PostgreSQL's types, and what their values are here. A question mark: null may
 * stand there.
 */
const WRITERS = {
  int2: (rows: CopyRows, value: number) => rows.int2(value),
  int4: (rows: CopyRows, value: number) => rows.int4(value),
  int8: (rows: CopyRows, value: number) => rows.int8(value),
  /** number of a text in table name; 0: not known */
  name: (rows: CopyRows, value: number) => rows.int4(value),
  float8: (rows: CopyRows, value: number) => rows.float8(value),
  text: (rows: CopyRows, value: string) => rows.text(value),
  /** 16 hexadecimal digits as int8; '' is 0 */
  hex8: (rows: CopyRows, value: string) => rows.hex(value),
  /** 32 hexadecimal digits */
  uuid: (rows: CopyRows, value: string) => rows.hex(value),
  json: (rows: CopyRows, value: object) => rows.json(value),
  'int4?': (rows: CopyRows, value: number | null) => (value === null ? rows.null() : rows.int4(value)),
  'int8?': (rows: CopyRows, value: number | null) => (value === null ? rows.null() : rows.int8(value)),
  'float8?': (rows: CopyRows, value: number | null) => (value === null ? rows.null() : rows.float8(value)),
  'uuid?': (rows: CopyRows, value: string | null) => (value === null ? rows.null() : rows.hex(value)),
  'json?': (rows: CopyRows, value: object | null) => (value === null ? rows.null() : rows.json(value)),
} as const;

type ColumnType = keyof typeof WRITERS;
export type Columns = Readonly<Record<string, ColumnType>>;
/** The values of one row, by column. */
export type RowOf<C extends Columns> = { [Name in keyof C]: Parameters<(typeof WRITERS)[C[Name]]>[1] };

interface Described<C extends Columns> {
  /** name and type of each column, in the order in which they are copied */
  columns: C;
  /** tell that a row is known */
  identity: readonly (keyof C & string)[];
  /** of rows with one identity the highest of this column stays; without it the first that came */
  newest?: keyof C & string;
}

const table = <const C extends Columns>(described: Described<C>): Described<C> => described;

/** The columns of a load's parts, in the order of `PARTS`. */
export const PART_COLUMNS = PARTS.map((part) => `${part}_us` as const);

/** The type of each part of a load, and of each vital. */
const partColumns = byName(PART_COLUMNS, () => 'int4?' as const);
const vitalColumns = byName(VITALS, () => 'float8?' as const);

/** The tables that telemetry is copied into: described here, and nowhere else, but for the migration that made them. */
export const TABLES = {
  attempt: table({
    columns: {
      trace_id: 'uuid',
      span_id: 'hex8',
      started_us: 'int8',
      duration_us: 'int8',
      flow: 'name',
      flags: 'int2',
      person: 'name',
      session: 'int8',
      failure: 'name',
      site: 'name',
      version: 'name',
      region: 'name',
      tier: 'name',
      promotion: 'name',
      host: 'name',
      component: 'name',
      value_minor: 'int8?',
      parent_id: 'hex8',
      ran_on: 'name',
      device: 'name',
      browser: 'name',
      system: 'name',
      carrier: 'name',
      department: 'name',
      role: 'name',
      station: 'name',
      server: 'name',
    },
    identity: ['trace_id', 'span_id'],
  }),
  name: table({
    columns: { id: 'int4', kind: 'text', value: 'text', since_ms: 'int8', source: 'text' },
    identity: ['id'],
  }),
  span: table({
    columns: {
      trace_id: 'uuid',
      span_id: 'hex8',
      parent_id: 'hex8',
      started_us: 'int8',
      duration_us: 'int8',
      component: 'name',
      peer: 'name',
      name: 'name',
      kind: 'int2',
      flags: 'int2',
      failure: 'name',
      host: 'name',
      statement: 'name',
      ran_on: 'name',
    },
    identity: ['trace_id', 'span_id'],
  }),
  attempt_item: table({
    columns: { trace_id: 'uuid', span_id: 'hex8', started_us: 'int8', flow: 'name', person: 'name', item: 'name' },
    identity: ['trace_id', 'span_id'],
  }),
  log_line: table({
    columns: {
      component: 'name',
      at_us: 'int8',
      identity: 'hex8',
      host: 'name',
      severity: 'int2',
      trace_id: 'uuid?',
      span_id: 'hex8',
      failure: 'name',
      body: 'text',
    },
    identity: ['component', 'at_us', 'identity'],
  }),
  metric_point: table({
    columns: { series: 'name', at_us: 'int8', start_us: 'int8', value: 'float8', distribution: 'json?' },
    identity: ['series', 'at_us'],
  }),
  page_view: table({
    columns: {
      view: 'hex8',
      sequence: 'int2',
      started_us: 'int8',
      kind: 'int2',
      component: 'name',
      application: 'name',
      version: 'name',
      page: 'name',
      person: 'name',
      session: 'int8',
      tier: 'name',
      country: 'name',
      browser: 'name',
      system: 'name',
      connection: 'name',
      share: 'float8',
      ...partColumns,
      ...vitalColumns,
      interactions: 'int4',
      errors: 'int4',
      missing: 'int4',
      trace_id: 'uuid?',
      span_id: 'hex8',
      area: 'name',
    },
    identity: ['view'],
    newest: 'sequence',
  }),
  page_detail: table({
    columns: { view: 'hex8', sequence: 'int2', at_us: 'int8', detail: 'json' },
    identity: ['view'],
    newest: 'sequence',
  }),
  page_call: table({
    columns: {
      span_id: 'hex8',
      view: 'hex8',
      trace_id: 'uuid',
      started_us: 'int8',
      duration_us: 'int8',
      page: 'name',
      call: 'name',
      failed: 'int2',
    },
    identity: ['span_id'],
  }),
  phone_crash: table({
    columns: {
      id: 'hex8',
      at_us: 'int8',
      component: 'name',
      application: 'name',
      version: 'name',
      person: 'name',
      session: 'int8',
      device: 'name',
      system: 'name',
      carrier: 'name',
      country: 'name',
      screen: 'name',
      type: 'text',
      message: 'text',
      stack: 'text',
      detail: 'json',
    },
    identity: ['id'],
  }),
  phone_moment: table({
    columns: {
      id: 'hex8',
      at_us: 'int8',
      session: 'int8',
      kind: 'int2',
      component: 'name',
      application: 'name',
      version: 'name',
      device: 'name',
      carrier: 'name',
      country: 'name',
      what: 'name',
      duration_us: 'int8',
      failed: 'int2',
      status: 'int4',
      bytes_in: 'int8?',
      bytes_out: 'int8?',
      cpu: 'float8?',
      memory: 'int8?',
      trace_id: 'uuid?',
      span_id: 'hex8',
      detail: 'json?',
    },
    identity: ['id'],
  }),
  remote_sample: table({
    columns: {
      session: 'int8',
      at_us: 'int8',
      round_trip_ms: 'float8',
      client: 'name',
      site: 'name',
      server: 'name',
      centre: 'name',
    },
    identity: ['session', 'at_us'],
  }),
  probe_run: table({
    columns: {
      id: 'hex8',
      trace_id: 'uuid',
      at_us: 'int8',
      duration_us: 'int8',
      probe: 'name',
      application: 'name',
      site: 'name',
      host: 'name',
      failed: 'int2',
      fault: 'text',
    },
    identity: ['id'],
  }),
  probe_step: table({
    columns: {
      id: 'hex8',
      run: 'hex8',
      at_us: 'int8',
      duration_us: 'int8',
      place: 'int2',
      name: 'name',
      failed: 'int2',
      message: 'text',
      parts: 'json?',
    },
    identity: ['id'],
  }),
  attempt_mark: table({
    columns: { id: 'hex8', is_end: 'int2', received_ms: 'int8', mark: 'json' },
    identity: ['id', 'is_end'],
  }),
  script_error: table({
    columns: {
      id: 'hex8',
      view: 'hex8',
      at_us: 'int8',
      component: 'name',
      version: 'name',
      page: 'name',
      person: 'name',
      browser: 'name',
      type: 'text',
      message: 'text',
      stack: 'text',
    },
    identity: ['id'],
  }),
} as const;

export type TableName = keyof typeof TABLES;
export type TableRow<Name extends TableName> = RowOf<(typeof TABLES)[Name]['columns']>;

/** Columns of attempts that the engine holds under the same name, as they are. */
export const ATTEMPT_NUMBERS = ['flow', 'flags', 'person', 'session', 'failure', ...DIMENSIONS] as const;

/** The columns of a table as COPY and INSERT name them. */
export const columnsOf = (name: TableName): string => Object.keys(TABLES[name].columns).join(', ');

/** Rows of a table in binary COPY format, growing. */
export class TableRows<Name extends TableName> {
  readonly #copy: CopyRows;
  readonly #writers: readonly ((row: TableRow<Name>) => void)[];

  constructor(readonly table: Name) {
    const columns = Object.entries(TABLES[table].columns) as [keyof TableRow<Name>, ColumnType][];
    const copy = (this.#copy = new CopyRows(columns.length));
    this.#writers = columns.map(([name, type]) => {
      const write = WRITERS[type] as (rows: CopyRows, value: unknown) => void;
      return (row: TableRow<Name>) => write(copy, row[name]);
    });
  }

  add(row: TableRow<Name>): void {
    this.#copy.startRow();
    for (const write of this.#writers) write(row);
  }

  get rows(): number {
    return this.#copy.rows;
  }

  /** The finished rows; call once. */
  finish(): Uint8Array {
    return this.#copy.finish();
  }
}
