import { bestStretch } from '../stats';
import { STRAINED_SPREADS } from './range';
import { RETURN_GAIN, FEWEST_ATTEMPTS } from './rules';
import { evidence, type SignalSeries } from './signal-series';

/** The stretch in which the changed level explains the minutes best: maximum of the summed log-likelihood ratio. */
export function changedStretch(series: SignalSeries, from: number, to: number) {
  const changed = strongestLevel(series, from, to);
  if (changed === undefined) return undefined;
  const isMissing = series.signal === 'missing';
  const scores = new Float64Array(to - from);
  for (let t = from; t < to; t++) {
    const { n, bad, usual, known } = series.tally(t, t + 1);
    if (!known || n === 0) continue;
    if (isMissing) scores[t - from] = bad * Math.log(changed) - n * (changed - 1);
    else {
      const share = usual / n;
      scores[t - from] = bad * Math.log(changed / share) + (n - bad) * Math.log((1 - changed) / (1 - share));
    }
  }
  const best = bestStretch(scores);
  return best && { start: from + best.start, end: lastReturn(series, from + best.start, from + best.end) };
}

/**
 * Where the stretch changes once more, to a level that alone would be usual: there it ended. A quiet half hour behind
 * an outage lies half way between the outage and the usual, and the halved level alone cannot tell to which of them it
 * belongs.
 */
function lastReturn(series: SignalSeries, start: number, end: number): number {
  const whole = logLikelihood(series, start, end);
  let best = { end, gain: RETURN_GAIN };
  for (let cut = start + 1; cut < end; cut++) {
    const gain = logLikelihood(series, start, cut) + logLikelihood(series, cut, end) - whole;
    if (gain <= best.gain || !isUsual(series, cut, end)) continue;
    best = { end: cut, gain };
  }
  return best.end;
}

function isUsual(series: SignalSeries, from: number, to: number): boolean {
  const sums = series.tally(from, to);
  return sums.known && sums.n >= FEWEST_ATTEMPTS && evidence(series.signal, sums) < STRAINED_SPREADS;
}

/** Of one level over the whole stretch, the one that it shows; Poisson for what is missing, else binomial. */
function logLikelihood(series: SignalSeries, from: number, to: number): number {
  const { n, bad } = series.tally(from, to);
  const times = (count: number, share: number) => (count > 0 ? count * Math.log(share) : 0);
  if (n === 0) return 0;
  return series.signal === 'missing' ? times(bad, bad / n) - bad : times(bad, bad / n) + times(n - bad, 1 - bad / n);
}

/** Share (for missing: ratio to the expectation) in the trailing window with the strongest evidence. */
function strongestLevel(series: SignalSeries, from: number, to: number): number | undefined {
  let strongest = 0;
  let level: number | undefined;
  for (const { minutes } of series.rules)
    for (let t = Math.max(from, minutes - 1); t < to; t++) {
      const sums = series.tally(t - minutes + 1, t + 1);
      if (!sums.known || sums.n < FEWEST_ATTEMPTS) continue;
      const z = evidence(series.signal, sums);
      if (z <= strongest) continue;
      strongest = z;
      // Half way back to the usual: minutes at the edge that are only partly affected still belong to the stretch.
      const seen = sums.bad / sums.n;
      level =
        series.signal === 'missing'
          ? Math.min(0.9, Math.max(0.02, (seen + 1) / 2))
          : Math.min(0.98, (seen + sums.usual / sums.n) / 2);
    }
  return level;
}
