/**
 * One execution of a flow, with texts in place of numbers: what an entry span becomes.
 * The server replaces every text by a number from its dictionary before it is stored.
 */
export interface Attempt {
  traceId: string;
  spanId: string;
  startUs: number;
  durationUs: number;
  flow: string;
  application: string;
  /** the service whose span began the attempt */
  component: string;
  failed: boolean;
  /** scripted check: kept, never counted among people */
  probe: boolean;
  /** nobody waits for it: begun by a message, not by a person */
  background: boolean;
  failure: string;
  person: string;
  session: string;
  site: string;
  version: string;
  region: string;
  tier: string;
  promotion: string;
  host: string;
  /** minor units of `currency`; NaN when no value was sent */
  valueMinor: number;
  currency: string;
}

/** The dimensions by which attempts are narrowed and compared. */
export const DIMENSIONS = ['site', 'version', 'region', 'tier', 'promotion', 'host'] as const;
export type Dimension = (typeof DIMENSIONS)[number];

export const FAILED = 1;
export const PROBE = 2;
export const BACKGROUND = 4;

/**
 * Attempts as columns, one entry a row, for fast scans. Texts are dictionary numbers; 0 means "not known".
 *
 * Example, two attempts of flow 3, the second failed:
 *   n: 2, startMs: [1000, 2000.5], durationMs: [12.5, 30], flow: [3, 3], flags: [0, 1], …
 */
export interface AttemptColumns {
  n: number;
  /** milliseconds since the epoch, with fractions */
  startMs: Float64Array;
  durationMs: Float32Array;
  flow: Int32Array;
  flags: Uint8Array;
  person: Int32Array;
  session: Float64Array;
  failure: Int32Array;
  site: Int32Array;
  version: Int32Array;
  region: Int32Array;
  tier: Int32Array;
  promotion: Int32Array;
  host: Int32Array;
  /** minor units, NaN when none */
  valueMinor: Float64Array;
}

export function emptyColumns(capacity: number): AttemptColumns {
  return {
    n: 0,
    startMs: new Float64Array(capacity),
    durationMs: new Float32Array(capacity),
    flow: new Int32Array(capacity),
    flags: new Uint8Array(capacity),
    person: new Int32Array(capacity),
    session: new Float64Array(capacity),
    failure: new Int32Array(capacity),
    site: new Int32Array(capacity),
    version: new Int32Array(capacity),
    region: new Int32Array(capacity),
    tier: new Int32Array(capacity),
    promotion: new Int32Array(capacity),
    host: new Int32Array(capacity),
    valueMinor: new Float64Array(capacity),
  };
}

type ColumnName = Exclude<keyof AttemptColumns, 'n'>;
export const COLUMN_NAMES = Object.keys(emptyColumns(0)).filter((name) => name !== 'n') as ColumnName[];

/** Columns with room for `capacity` rows that hold the same rows. */
export function withCapacity(columns: AttemptColumns, capacity: number): AttemptColumns {
  const grown = emptyColumns(capacity);
  for (const name of COLUMN_NAMES) grown[name].set(columns[name].subarray(0, columns.n));
  grown.n = columns.n;
  return grown;
}

/** Copies row `from` of `source` behind the last row of `target`, which must have room. */
export function appendRowInPlace(target: AttemptColumns, source: AttemptColumns, from: number): void {
  for (const name of COLUMN_NAMES) target[name][target.n] = source[name][from] as number;
  target.n++;
}
