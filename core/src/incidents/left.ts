import type { Deviation } from '../normal';
import { mantelHaenszel, type Stratum } from '../stats';
import { BACKGROUND, FAILED, PROBE } from '../telemetry';
import { HOUR_MS, MINUTE_MS, type Window } from '../time';
import { troubledStretches } from './attempt-sums';
import type { BillContext } from './bill';
import { outcomeOfRow } from './row-outcome';

export interface Left {
  flow: number;
  /** people who went no further, beyond those who usually do */
  people: number;
  sd: number;
  keyPeople: number;
  /** what they would have brought, units of currency */
  money: number;
  moneySd: number;
  keyMoney: number;
}

/** Whoever goes on does so within this time after an attempt. */
const GOES_ON_WITHIN_MS = 30 * MINUTE_MS;
/** Who began so shortly before the end of what is known may still go on. */
const STILL_DECIDING_MS = 5 * MINUTE_MS;
/** Sessions of so long before the trouble show who leaves as usual. */
export const LEFT_LOOK_BACK_MS = 3 * HOUR_MS;
const FEWEST_EXPOSED = 5;
const LEAST_SESSION_SHARE = 0.8;

/** A session at the step. */
interface Passing {
  tier: number;
  lastMs: number;
  exposed: boolean;
  inTrouble: boolean;
  goesOn: boolean;
  value: number;
}

/**
 * People who left at a troubled step beyond the usual: sessions that met late, hung or failed attempts there, against
 * those that did not (then, and in the hours before), like tiers compared with like: Mantel–Haenszel risk difference ×
 * exposed sessions.
 *
 * @returns `undefined` where it cannot be known: no sessions, or no flow that usually follows
 */
export function countLeft(parts: readonly Deviation[], window: Window, context: BillContext): Left[] | undefined {
  const stretches = troubledStretches(parts, window);
  const found: Left[] = [];
  for (const [flow, stretch] of stretches) {
    const followers = context.followersOf(flow);
    if (followers.size === 0) continue;
    const sessions = passings(flow, followers, stretch, context);
    if (sessions) found.push(excessLeavers(flow, sessions, context));
  }
  return found.length > 0 ? found : undefined;
}

function passings(flow: number, followers: ReadonlySet<number>, stretch: Window, { rows, normalAt }: BillContext): Passing[] | undefined {
  const sessions = new Map<number, Passing>();
  let [attempts, known] = [0, 0];
  for (let i = 0; i < rows.n; i++) {
    const startMs = rows.startMs[i] as number;
    const flags = rows.flags[i] as number;
    if (rows.flow[i] !== flow || startMs < stretch.fromMs - LEFT_LOOK_BACK_MS || startMs >= stretch.toMs || flags & (PROBE | BACKGROUND)) continue;
    attempts++;
    const session = rows.session[i] as number;
    if (session === 0) continue;
    known++;
    const isBad = outcomeOfRow(rows, i, normalAt(flow, startMs)) !== 'onTime';
    const inTrouble = startMs >= stretch.fromMs;
    const passing = sessions.get(session);
    if (!passing) sessions.set(session, { tier: rows.tier[i] as number, lastMs: startMs, exposed: isBad, inTrouble, goesOn: false, value: 0 });
    else {
      passing.lastMs = Math.max(passing.lastMs, startMs);
      passing.exposed ||= isBad;
      passing.inTrouble ||= inTrouble;
    }
  }
  if (known < LEAST_SESSION_SHARE * attempts || known === 0) return undefined;
  for (let i = 0; i < rows.n; i++) {
    if (!followers.has(rows.flow[i] as number)) continue;
    const passing = sessions.get(rows.session[i] as number);
    const startMs = rows.startMs[i] as number;
    if (!passing || startMs < passing.lastMs - GOES_ON_WITHIN_MS || startMs > passing.lastMs + 2 * GOES_ON_WITHIN_MS) continue;
    if (startMs >= passing.lastMs && startMs <= passing.lastMs + GOES_ON_WITHIN_MS) passing.goesOn = true;
    const value = rows.valueMinor[i] as number;
    if (startMs >= passing.lastMs && !Number.isNaN(value) && !((rows.flags[i] as number) & FAILED)) passing.value += value / 100;
  }
  return [...sessions.values()];
}

function excessLeavers(flow: number, sessions: readonly Passing[], context: BillContext): Left {
  const decidedMs = context.knownUntilMs - STILL_DECIDING_MS;
  const strata = new Map<number, Stratum & { undecided: number; value: number; squares: number; wentOn: number }>();
  for (const { tier, lastMs, exposed, inTrouble, goesOn, value } of sessions) {
    let stratum = strata.get(tier);
    if (!stratum) strata.set(tier, (stratum = { exposed: 0, exposedEvents: 0, others: 0, otherEvents: 0, undecided: 0, value: 0, squares: 0, wentOn: 0 }));
    const isUndecided = lastMs > decidedMs && !goesOn;
    if (exposed) {
      if (!inTrouble) continue;
      if (isUndecided) {
        stratum.undecided++;
        continue;
      }
      stratum.exposed++;
      if (!goesOn) stratum.exposedEvents++;
    } else if (!isUndecided) {
      stratum.others++;
      if (!goesOn) stratum.otherEvents++;
      else {
        stratum.wentOn++;
        stratum.value += value;
        stratum.squares += value ** 2;
      }
    }
  }
  const left: Left = { flow, people: 0, sd: 0, keyPeople: 0, money: 0, moneySd: 0, keyMoney: 0 };
  const pooled = mantelHaenszel([...strata.values()]);
  const exposed = [...strata.values()].reduce((sum, stratum) => sum + stratum.exposed, 0);
  if (!pooled || exposed < FEWEST_EXPOSED) return left;
  // What could well be chance is drawn towards none, as far as it could be (positive-part shrinkage of James & Stein 1961).
  const raw = Math.max(0, pooled.riskDifference.estimate);
  const difference = raw > 0 ? raw * Math.max(0, 1 - (pooled.standardError / raw) ** 2) : 0;
  for (const [tier, stratum] of strata) {
    const people = difference * (stratum.exposed + stratum.undecided);
    const sd = pooled.standardError * (stratum.exposed + stratum.undecided);
    const each = stratum.wentOn > 0 ? stratum.value / stratum.wentOn : 0;
    left.people += people;
    left.sd += sd;
    left.money += people * each;
    // Single sessions bring more or less than their mean, many of them nothing.
    const variance = stratum.wentOn > 0 ? stratum.squares / stratum.wentOn - each ** 2 : 0;
    left.moneySd += Math.hypot(sd * each, Math.sqrt(people * Math.max(0, variance)));
    if (!context.isKeyTier(tier)) continue;
    left.keyPeople += people;
    left.keyMoney += people * each;
  }
  return left;
}
