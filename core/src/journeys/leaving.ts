import { mantelHaenszel, type MantelHaenszel, type Stratum } from '../stats';

/** A session at a step of what people do. `Kind` tells like people apart: only they are compared. */
export interface Passing<Kind> {
  kind: Kind;
  /** its last attempt of the step, milliseconds since the epoch */
  lastMs: number;
  /** it met a late, hung or failed attempt there */
  exposed: boolean;
  /** it passed while the trouble is looked at; others show what is usual */
  inTrouble: boolean;
  goesOn: boolean;
  /** what it brought from there on, units of currency */
  value: number;
}

/** Sessions of like people at a step. */
export interface LikeSessions extends Stratum {
  /** exposed ones that may still go on */
  undecided: number;
  /** of those not exposed that went on: how many, what they brought, and its squares */
  wentOn: number;
  value: number;
  squares: number;
}

export interface Leaving<Kind> {
  byKind: ReadonlyMap<Kind, LikeSessions>;
  /** exposed sessions whose resolution is known */
  exposed: number;
  /** compared within like people; `undefined` where too few were exposed, or nobody alike was not */
  pooled: MantelHaenszel | undefined;
  /** by how much more of the exposed leave: what could well be chance is drawn towards none; 0 where it is not known */
  difference: number;
}

const FEWEST_EXPOSED = 5;

/**
 * How many more of those leave who met trouble at a step than of like people who did not: Mantel–Haenszel risk
 * difference over kinds of people, drawn towards none as far as it could be chance (positive-part shrinkage of James &
 * Stein 1961).
 *
 * @param decidedMs whoever was at the step after that may still go on
 */
export function leavingAt<Kind>(passings: Iterable<Passing<Kind>>, decidedMs: number): Leaving<Kind> {
  const byKind = new Map<Kind, LikeSessions>();
  for (const { kind, lastMs, exposed, inTrouble, goesOn, value } of passings) {
    let like = byKind.get(kind);
    if (!like)
      byKind.set(
        kind,
        (like = {
          exposed: 0,
          exposedEvents: 0,
          others: 0,
          otherEvents: 0,
          undecided: 0,
          value: 0,
          squares: 0,
          wentOn: 0,
        }),
      );
    const isUndecided = lastMs > decidedMs && !goesOn;
    if (exposed) {
      if (!inTrouble) continue;
      if (isUndecided) {
        like.undecided++;
        continue;
      }
      like.exposed++;
      if (!goesOn) like.exposedEvents++;
    } else if (!isUndecided) {
      like.others++;
      if (!goesOn) like.otherEvents++;
      else {
        like.wentOn++;
        like.value += value;
        like.squares += value ** 2;
      }
    }
  }
  const exposed = [...byKind.values()].reduce((sum, like) => sum + like.exposed, 0);
  const pooled = exposed < FEWEST_EXPOSED ? undefined : mantelHaenszel([...byKind.values()]);
  const raw = Math.max(0, pooled?.riskDifference.estimate ?? 0);
  return {
    byKind,
    exposed,
    pooled,
    difference: raw > 0 && pooled ? raw * Math.max(0, 1 - (pooled.standardError / raw) ** 2) : 0,
  };
}
