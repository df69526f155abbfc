import { MINUTE_MS } from '../time';
import { findMissing, volumeIn, type Deviation } from './deviations';
import { type MinuteSeries } from './signal-series';

/** People do several things at once: attempts of one application come together more than those of one flow. */
const TOGETHER = 1.5;
/** A flow takes part in the outage of its application when it misses at least this share of what was expected. */
const MISSES_AT_LEAST = 0.3;
const FEWEST_EXPECTED = 0.5;
/** Over its whole stretch an outage must stand out so many spreads: an hour a little quieter than usual is none. */
const LEAST_Z = 4;

/**
 * Outages of a whole application: its flows together tell at once what each of them alone has too few attempts to tell.
 * Flows that the outage reached get it as a deviation of their own, unless they have one already.
 *
 * @param flows of one application, with their series over the same minutes
 * @param found what single flows told
 * @param dispersionTogether how much the sum of these flows usually varies around a moment (variance by mean): more than
 *   is taken at first, where the same people walk all of them
 */
export function findOutages(
  flows: ReadonlyMap<number, MinuteSeries>,
  found: readonly Deviation[],
  dispersionTogether: (flows: readonly number[], timeMs: number) => number = () => 1,
): Deviation[] {
  const all = [...flows.values()];
  if (all.length < 2) return [];
  const together = sumOf(all);
  const added: Deviation[] = [];
  for (const suspected of findMissing(0, together)) {
    if (suspected.z < LEAST_Z) continue;
    const outage = heldAgainst(suspected, together, dispersionTogether([...flows.keys()], suspected.onsetMs));
    if (!outage) continue;
    const from = Math.round((outage.onsetMs - together.startMs) / MINUTE_MS);
    const to = Math.round((outage.endMs - together.startMs) / MINUTE_MS);
    for (const [flow, series] of flows) {
      const own = found.some(
        (one) =>
          one.flow === flow && one.signal === 'missing' && one.onsetMs < outage.endMs && one.endMs > outage.onsetMs,
      );
      const { came, expected } = volumeIn(series, from, to);
      if (own || !(expected >= FEWEST_EXPECTED) || came > expected * (1 - MISSES_AT_LEAST)) continue;
      added.push({ ...outage, flow, excess: expected - came });
    }
  }
  return added;
}

/** The same outage when the sum varies so much; `undefined` when it does not stand out then. */
function heldAgainst(outage: Deviation, together: MinuteSeries, dispersion: number): Deviation | undefined {
  const volumeDispersion = together.volumeDispersion.map((one) => Math.max(one, dispersion));
  if (volumeDispersion.every((one, t) => one === together.volumeDispersion[t])) return outage;
  return findMissing(0, { ...together, volumeDispersion }).find(
    ({ onsetMs, endMs, z }) => z >= LEAST_Z && onsetMs < outage.endMs && endMs > outage.onsetMs,
  );
}

/**
 * Counts and expectations added; spreads and dispersions weighed by volume, since days rise and fall for all flows
 * alike.
 */
function sumOf(all: readonly MinuteSeries[]): MinuteSeries {
  const first = all[0] as MinuteSeries;
  const length = first.attempts.length;
  const sum: MinuteSeries = {
    ...first,
    attempts: new Int32Array(length),
    expectedAttempts: new Float64Array(length),
    volumeSpread: new Float64Array(length),
    volumeDispersion: new Float64Array(length),
  };
  for (let t = 0; t < length; t++) {
    let [came, expected, spread, dispersion] = [0, 0, 0, 0];
    for (const series of all) {
      const one = series.expectedAttempts[t] as number;
      if (Number.isNaN(one)) continue;
      came += series.attempts[t] as number;
      expected += one;
      spread += one * (series.volumeSpread[t] as number);
      dispersion += one * (series.volumeDispersion[t] as number);
    }
    sum.attempts[t] = came;
    sum.expectedAttempts[t] = expected > 0 ? expected : NaN;
    sum.volumeSpread[t] = expected > 0 ? spread / expected : 0;
    sum.volumeDispersion[t] = expected > 0 ? (dispersion / expected) * TOGETHER : 1;
  }
  return sum;
}
