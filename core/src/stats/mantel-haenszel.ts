import { Z95, type Interval } from './evidence';

/** A 2 × 2 table of one stratum: events among the exposed and the others. */
export interface Stratum {
  exposed: number;
  exposedEvents: number;
  others: number;
  otherEvents: number;
}

export interface MantelHaenszel {
  /** risk among the exposed minus risk among the others, alike people compared with alike */
  riskDifference: Interval;
  /** standard error of the difference (Sato 1989) */
  standardError: number;
  riskRatio: number;
  oddsRatio: number;
}

/**
 * Risks compared within strata and pooled (Mantel & Haenszel 1959), so that a mix of unlike people does not pass for an
 * effect. Strata in which one side is empty say nothing and are passed over.
 *
 * @returns `undefined` when no stratum has both sides
 */
export function mantelHaenszel(strata: readonly Stratum[]): MantelHaenszel | undefined {
  let weight = 0;
  let difference = 0;
  let [rrTop, rrBottom, orTop, orBottom] = [0, 0, 0, 0];
  let [satoP, satoQ] = [0, 0];
  for (const { exposed, exposedEvents: a, others, otherEvents: c } of strata) {
    const n = exposed + others;
    if (exposed === 0 || others === 0) continue;
    const [b, d] = [exposed - a, others - c];
    weight += (exposed * others) / n;
    difference += (a * others - c * exposed) / n;
    rrTop += (a * others) / n;
    rrBottom += (c * exposed) / n;
    orTop += (a * d) / n;
    orBottom += (b * c) / n;
    satoP += (exposed * exposed * c - others * others * a + (exposed * others * (others - exposed)) / 2) / (n * n);
    satoQ += (a * d + b * c) / (2 * n);
  }
  if (weight === 0) return undefined;
  const rd = difference / weight;
  const standardError = Math.sqrt(Math.max(0, rd * satoP + satoQ)) / weight;
  return {
    riskDifference: { estimate: rd, low: rd - Z95 * standardError, high: rd + Z95 * standardError },
    standardError,
    riskRatio: rrTop / rrBottom,
    oddsRatio: orTop / orBottom,
  };
}
