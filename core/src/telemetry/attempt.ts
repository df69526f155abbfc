import type { FailureDetail } from './failure-place';

/**
 * One execution of a flow, with texts in place of numbers: what an entry span becomes.
 * The server replaces every text by a number from its dictionary before it is stored.
 */
export interface Attempt {
  traceId: string;
  spanId: string;
  startUs: number;
  durationUs: number;
  /** what caused it, as a browser's span does; '' for a root */
  parentSpanId: string;
  flow: string;
  application: string;
  /** the service whose span began the attempt */
  component: string;
  /** where the host stands that the attempt began on; '' when not told */
  zone: string;
  /** what it ran on, where it began on a person's own device: "Pixel 9 · Android 16"; '' else */
  ranOn: string;
  isUserSide: boolean;
  /** the person had a phone or tablet in hand */
  isHandheld: boolean;
  failed: boolean;
  /** it failed because the application ended by a crash */
  crashed?: boolean;
  /** scripted check: kept, never counted among people */
  probe: boolean;
  kind: AttemptKind;
  failure: string;
  /** message and place of the failure, where they were told */
  detail: FailureDetail | undefined;
  person: string;
  session: string;
  site: string;
  version: string;
  region: string;
  tier: string;
  promotion: string;
  /** what it was about, an article or a service; '' when not told */
  item: string;
  host: string;
  /** of the person, as the sender tells them; where '', a User-Agent header may tell browser and system */
  browser: string;
  system: string;
  /** model of the device in the person's hand */
  device: string;
  /** whose mobile network it came through */
  carrier: string;
  /** of a person at work, as their application tells: part of the organisation, and what they do there */
  department: string;
  role: string;
  /** kind of device at work: "desktop", "remote desktop"; its model is the device */
  station: string;
  /** the server that the person's application works with */
  server: string;
  userAgent: string;
  /** minor units of `currency`; NaN when no value was sent */
  valueMinor: number;
  currency: string;
}

/** A larger amount is a mistake of the sender, and would not fit 53 bits of minor units. */
const LARGEST_VALUE = 1e12;

/** Minor units of an amount (cents of 12.5 are 1250); NaN without one. */
export const minorUnits = (amount: number | undefined): number =>
  amount === undefined || Math.abs(amount) > LARGEST_VALUE ? NaN : Math.round(amount * 100);

/** The dimensions by which attempts are narrowed and compared. */
export const DIMENSIONS = [
  'site',
  'version',
  'region',
  'tier',
  'promotion',
  'host',
  'device',
  'browser',
  'system',
  'carrier',
  'department',
  'role',
  'station',
  'server',
] as const;
export type Dimension = (typeof DIMENSIONS)[number];

/** As people read them: where a person is, is a country; a site is a place of work, and hosts stand in zones. */
export const DIMENSION_WORDS: Readonly<Record<Dimension, string>> = {
  site: 'site',
  version: 'version',
  region: 'country',
  tier: 'tier',
  promotion: 'promotion',
  host: 'host',
  device: 'device',
  browser: 'browser',
  system: 'system',
  carrier: 'carrier',
  department: 'department',
  role: 'role',
  station: 'station',
  server: 'server',
};

export const FAILED = 1;
export const PROBE = 2;
export const BACKGROUND = 4;
/** ran on a person's own device */
export const USER_SIDE = 8;
export const PAGE = 16;
export const BUSINESS_EVENT = 32;
/** on a phone or tablet */
export const HANDHELD = 64;
/** ended by a crash of the application */
export const CRASHED = 128;

/**
 * work: what a person asked for and waits for; background: begun by a message, nobody waits for it; page: the load of a
 * page on the way to work; businessEvent: something that counts, as an order placed: it lasts no time and cannot fail;
 * probe: a run of a script, which nobody waits for and no rank knows.
 */
export const ATTEMPT_KINDS = ['work', 'background', 'page', 'businessEvent', 'probe'] as const;
export type AttemptKind = (typeof ATTEMPT_KINDS)[number];
export const KIND_FLAGS: Readonly<Record<AttemptKind, number>> = {
  work: 0,
  background: BACKGROUND,
  page: PAGE,
  businessEvent: BUSINESS_EVENT,
  // Told by its own flag, which attempts of people's flows may have too.
  probe: 0,
};

/**
 * The first names of everything but people, spans and the like have numbers below this one: what is indexed by them
 * stays small.
 */
export const SMALL_NUMBERS = 0x1_0000;

/**
 * Attempts as columns, one entry a row, for fast scans: 89 bytes a row. Texts are dictionary numbers; 0 means "not
 * known".
 *
 * Example, two attempts of flow 3, the second failed:
 *   n: 2, startMs: [1000, 2000.5], durationMs: [12.5, 30], flow: [3, 3], flags: [0, 1], …
 */
export interface AttemptColumns {
  n: number;
  /** milliseconds since the epoch, with fractions */
  startMs: Float64Array;
  durationMs: Float32Array;
  flow: Uint32Array;
  flags: Uint8Array;
  person: Uint32Array;
  /** hash of the session's text, see `sessionNumber` of the intake */
  session: Uint32Array;
  failure: Uint32Array;
  site: Uint32Array;
  version: Uint32Array;
  region: Uint32Array;
  tier: Uint32Array;
  promotion: Uint32Array;
  host: Uint32Array;
  device: Uint32Array;
  browser: Uint32Array;
  system: Uint32Array;
  carrier: Uint32Array;
  department: Uint32Array;
  role: Uint32Array;
  station: Uint32Array;
  server: Uint32Array;
  /** minor units, NaN when none; seven digits */
  valueMinor: Float32Array;
}

export function emptyColumns(capacity: number): AttemptColumns {
  return {
    n: 0,
    startMs: new Float64Array(capacity),
    durationMs: new Float32Array(capacity),
    flow: new Uint32Array(capacity),
    flags: new Uint8Array(capacity),
    person: new Uint32Array(capacity),
    session: new Uint32Array(capacity),
    failure: new Uint32Array(capacity),
    site: new Uint32Array(capacity),
    version: new Uint32Array(capacity),
    region: new Uint32Array(capacity),
    tier: new Uint32Array(capacity),
    promotion: new Uint32Array(capacity),
    host: new Uint32Array(capacity),
    device: new Uint32Array(capacity),
    browser: new Uint32Array(capacity),
    system: new Uint32Array(capacity),
    carrier: new Uint32Array(capacity),
    department: new Uint32Array(capacity),
    role: new Uint32Array(capacity),
    station: new Uint32Array(capacity),
    server: new Uint32Array(capacity),
    valueMinor: new Float32Array(capacity),
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
  const at = target.n++;
  // Column by column by name: a loop over the names would be ten times slower.
  target.startMs[at] = source.startMs[from] as number;
  target.durationMs[at] = source.durationMs[from] as number;
  target.flow[at] = source.flow[from] as number;
  target.flags[at] = source.flags[from] as number;
  target.person[at] = source.person[from] as number;
  target.session[at] = source.session[from] as number;
  target.failure[at] = source.failure[from] as number;
  target.site[at] = source.site[from] as number;
  target.version[at] = source.version[from] as number;
  target.region[at] = source.region[from] as number;
  target.tier[at] = source.tier[from] as number;
  target.promotion[at] = source.promotion[from] as number;
  target.host[at] = source.host[from] as number;
  target.device[at] = source.device[from] as number;
  target.browser[at] = source.browser[from] as number;
  target.system[at] = source.system[from] as number;
  target.carrier[at] = source.carrier[from] as number;
  target.department[at] = source.department[from] as number;
  target.role[at] = source.role[from] as number;
  target.station[at] = source.station[from] as number;
  target.server[at] = source.server[from] as number;
  target.valueMinor[at] = source.valueMinor[from] as number;
}

/** Copies rows `from` to `to` (excluded) of `source` behind the last row of `target`, which must have room. */
export function appendRowsInPlace(target: AttemptColumns, source: AttemptColumns, from: number, to: number): void {
  if (to - from <= 16) {
    for (let i = from; i < to; i++) appendRowInPlace(target, source, i);
    return;
  }
  for (const name of COLUMN_NAMES) target[name].set(source[name].subarray(from, to), target.n);
  target.n += to - from;
}

/** Numbers of the rows, flow by flow; rows of a flow keep their order. */
function orderByFlow(columns: AttemptColumns): { order: Uint32Array; ranges: Map<number, [from: number, to: number]> } {
  let largest = 0;
  for (let i = 0; i < columns.n; i++) largest = Math.max(largest, columns.flow[i] as number);
  const counts = new Uint32Array(largest + 1);
  for (let i = 0; i < columns.n; i++) {
    const flow = columns.flow[i] as number;
    counts[flow] = (counts[flow] as number) + 1;
  }
  const ranges = new Map<number, [number, number]>();
  const next = new Uint32Array(largest + 1);
  let at = 0;
  for (let flow = 0; flow < counts.length; flow++) {
    const count = counts[flow] as number;
    if (count === 0) continue;
    next[flow] = at;
    ranges.set(flow, [at, (at += count)]);
  }
  const order = new Uint32Array(columns.n);
  for (let i = 0; i < columns.n; i++) {
    const flow = columns.flow[i] as number;
    const place = next[flow] as number;
    order[place] = i;
    next[flow] = place + 1;
  }
  return { order, ranges };
}

function inOrder(columns: AttemptColumns, order: Uint32Array): AttemptColumns {
  const result = emptyColumns(order.length);
  for (const row of order) appendRowInPlace(result, columns, row);
  return result;
}

/** The same rows by flow, in the order of time within a flow, and where each flow's rows begin and end. */
export function sortedByFlow(columns: AttemptColumns): {
  columns: AttemptColumns;
  ranges: Map<number, [from: number, to: number]>;
} {
  const { order, ranges } = orderByFlow(columns);
  for (const [from, to] of ranges.values())
    order.subarray(from, to).sort((a, b) => (columns.startMs[a] as number) - (columns.startMs[b] as number) || a - b);
  return { columns: inOrder(columns, order), ranges };
}

/** The rows of some flows, each flow's by themselves. */
export function rowsByFlow(columns: AttemptColumns, flows: ReadonlySet<number>): Map<number, AttemptColumns> {
  const { order, ranges } = orderByFlow(columns);
  const byFlow = new Map<number, AttemptColumns>();
  for (const [flow, [from, to]] of ranges)
    if (flows.has(flow)) byFlow.set(flow, inOrder(columns, order.subarray(from, to)));
  return byFlow;
}
