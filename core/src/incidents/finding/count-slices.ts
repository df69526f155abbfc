import type { AttemptColumns, Dimension } from '../../telemetry';
import { HOUR_MS, MINUTE_MS } from '../../time';
import { pairOf } from '../rows/pair-of';

/**
 * Of these one value may go wrong while the flow as a whole hardly shows it: one bad site, host, version or promotion.
 */
export const JUDGED_SLICES = ['site', 'region', 'host', 'version', 'promotion'] as const satisfies readonly Dimension[];

const MINUTES = HOUR_MS / MINUTE_MS;
/** More flows × values of one dimension than this are not told apart: half a million counters an hour. */
const MOST_CELLS = 0x8_0000;
/** Fewer attempts in an hour say nothing of a value. */
const FEWEST_ATTEMPTS = 4;

/** How an attempt counts; `NOT_JUDGED` ones (probes, repeated loads) count for nothing. */
export const NOT_JUDGED = 0;
export const WELL = 1;
export const LATE = 2;
export const BROKEN = 3;

/** Numbers of values are below this one; a place and a number fit 32 bits. */
export const VALUES = 2 ** 29;

/** A flow's attempts of one hour by the values of `JUDGED_SLICES`; one entry of each array a value. */
export interface SlicesOfHour {
  /** place in `JUDGED_SLICES` × `VALUES` + number of the value; ascending */
  keys: Uint32Array;
  attempts: Uint32Array;
  late: Uint32Array;
  failed: Uint32Array;
  /** minute of the only attempt that went wrong; `NO_MINUTE` when none did, or several */
  lone: Uint8Array;
  /** where the value's minutes begin in `minutes`; -1 unless several attempts went wrong */
  begins: Int32Array;
  /** a value's attempts, late and failed ones: sixty minutes each, one after the other */
  minutes: Uint8Array | Uint16Array;
}

export const NO_MINUTE = 255;

export const dimensionOf = (key: number): Dimension => JUDGED_SLICES[Math.floor(key / VALUES)] as Dimension;
export const valueOf = (key: number): number => key % VALUES;

/**
 * Counts an hour's attempts by flow and value. Values that hold more than half of a flow are left out: the flow itself
 * tells of them. Of a person's bad attempts of a flow the first counts: in a small slice one who tries again and again
 * would look like many.
 *
 * @param all how each row counts, as above
 */
export function countSlices(rows: AttemptColumns, all: Uint8Array, hourMs: number): Map<number, SlicesOfHour> {
  const counts = withoutSecondTries(rows, all);
  const flows = numbered(rows.flow, counts);
  const ofFlow = new Uint32Array(flows.names.length);
  for (let i = 0; i < rows.n; i++)
    if (counts[i] !== NOT_JUDGED) ofFlow[flows.placeOf[rows.flow[i] as number] as number]! += 1;
  const found = flows.names.map((): Found[] => []);
  JUDGED_SLICES.forEach((dimension, d) => {
    const values = numbered(rows[dimension], counts);
    const width = values.names.length;
    if (flows.names.length * width > MOST_CELLS) return;
    const sums = [0, 1, 2, 3].map(() => new Uint32Array(flows.names.length * width)) as [
      Uint32Array,
      Uint32Array,
      Uint32Array,
      Uint32Array,
    ];
    const cellOf = (i: number) =>
      (flows.placeOf[rows.flow[i] as number] as number) * width +
      (values.placeOf[rows[dimension][i] as number] as number);
    for (let i = 0; i < rows.n; i++) {
      const count = counts[i] as number;
      if (count !== NOT_JUDGED) (sums[count] as Uint32Array)[cellOf(i)]! += 1;
    }
    const unwell = new Map<number, Found>();
    for (let cell = 0; cell < flows.names.length * width; cell++) {
      const value = values.names[cell % width] as number;
      const [late, failed] = [sums[LATE][cell] as number, sums[BROKEN][cell] as number];
      const attempts = (sums[WELL][cell] as number) + late + failed;
      const flow = Math.floor(cell / width);
      if (value === 0 || attempts < FEWEST_ATTEMPTS || 2 * attempts > (ofFlow[flow] as number)) continue;
      const one: Found = {
        key: d * VALUES + value,
        attempts,
        late,
        failed,
        lone: NO_MINUTE,
        minutes: late + failed > 1 ? new Uint16Array(3 * MINUTES) : undefined,
      };
      (found[flow] as Found[]).push(one);
      if (late + failed > 0) unwell.set(cell, one);
    }
    for (let i = 0; unwell.size > 0 && i < rows.n; i++) {
      const count = counts[i] as number;
      const one = count === NOT_JUDGED ? undefined : unwell.get(cellOf(i));
      if (!one) continue;
      const minute = Math.floor(((rows.startMs[i] as number) - hourMs) / MINUTE_MS);
      if (!one.minutes) {
        if (count !== WELL) one.lone = minute;
        continue;
      }
      one.minutes[minute]! += 1;
      if (count === LATE) one.minutes[MINUTES + minute]! += 1;
      if (count === BROKEN) one.minutes[2 * MINUTES + minute]! += 1;
    }
  });
  return new Map(flows.names.map((name, flow) => [name, packed(found[flow] as Found[])]));
}

function withoutSecondTries(rows: AttemptColumns, all: Uint8Array): Uint8Array {
  const counts = Uint8Array.from(all);
  const firsts = new Map<number, number>();
  for (let i = 0; i < rows.n; i++) {
    if ((counts[i] as number) < LATE || rows.person[i] === 0) continue;
    const pair = pairOf(rows.flow[i] as number, rows.person[i] as number);
    const first = firsts.get(pair);
    const isEarlier = first === undefined || (rows.startMs[i] as number) < (rows.startMs[first] as number);
    if (isEarlier) firsts.set(pair, i);
    if (first !== undefined) counts[isEarlier ? first : i] = NOT_JUDGED;
  }
  return counts;
}

interface Found {
  key: number;
  attempts: number;
  late: number;
  failed: number;
  lone: number;
  minutes: Uint16Array | undefined;
}

/**
 * One array for all values of a flow: thousands of small ones would cost more than what they hold. A byte a minute
 * where that is enough.
 */
function packed(found: Found[]): SlicesOfHour {
  found.sort((a, b) => a.key - b.key);
  const several = found.flatMap(({ minutes }) => minutes ?? []);
  const isSmall = several.every((minutes) => minutes.every((count) => count < 256));
  const minutes = new (isSmall ? Uint8Array : Uint16Array)(several.length * 3 * MINUTES);
  several.forEach((one, i) => minutes.set(one, i * 3 * MINUTES));
  let next = 0;
  return {
    keys: Uint32Array.from(found, (one) => one.key),
    attempts: Uint32Array.from(found, (one) => one.attempts),
    late: Uint32Array.from(found, (one) => one.late),
    failed: Uint32Array.from(found, (one) => one.failed),
    lone: Uint8Array.from(found, (one) => one.lone),
    begins: Int32Array.from(found, (one) => (one.minutes ? next++ * 3 * MINUTES : -1)),
    minutes,
  };
}

/** The distinct names of a column among judged rows, and the place of each. */
function numbered(column: ArrayLike<number>, counts: Uint8Array): { names: number[]; placeOf: Int32Array } {
  let largest = 0;
  for (let i = 0; i < counts.length; i++) largest = Math.max(largest, column[i] as number);
  const placeOf = new Int32Array(largest + 1).fill(-1);
  const names: number[] = [];
  for (let i = 0; i < counts.length; i++) {
    const name = column[i] as number;
    if (counts[i] === NOT_JUDGED || placeOf[name] !== -1) continue;
    placeOf[name] = names.length;
    names.push(name);
  }
  return { names, placeOf };
}

export const NO_SLICES: SlicesOfHour = packed([]);
