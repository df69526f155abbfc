import { GOES_ON_WITHIN_MS, leavingAt, STILL_DECIDING_MS, type LikeSessions, type Passing } from '../../journeys';
import type { Deviation } from '../../normal';
import { sum } from '../../stats';
import { BACKGROUND, eachRow, FAILED, HANDHELD, PROBE } from '../../telemetry';
import { HOUR_MS, type Window } from '../../time';
import { troubledStretches } from './attempt-sums';
import type { BillContext } from './bill-context';
import { outcomeOfRow } from '../rows/row-outcome';

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

/** Sessions of so long before the trouble show who leaves as usual. */
export const LEFT_LOOK_BACK_MS = 3 * HOUR_MS;
const LEAST_SESSION_SHARE = 0.8;

/**
 * People who left at a troubled step beyond the usual: sessions that met late, hung or failed attempts there, against
 * those that did not (then, and in the hours before), like people compared with like (tier, and device in hand or not):
 * Mantel–Haenszel risk difference × exposed sessions.
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

/** Like people: of one tier, with a phone or tablet in hand or not. */
const kindOf = (tier: number, flags: number): number => 2 * tier + (flags & HANDHELD ? 1 : 0);
const tierOf = (kind: number): number => kind >> 1;

function passings(
  flow: number,
  followers: ReadonlySet<number>,
  stretch: Window,
  { rows, normalAt }: BillContext,
): Passing<number>[] | undefined {
  const sessions = new Map<number, Passing<number>>();
  let [attempts, known] = [0, 0];
  const looked = { fromMs: stretch.fromMs - LEFT_LOOK_BACK_MS, toMs: stretch.toMs };
  eachRow(rows, { flows: flow, window: looked, without: PROBE | BACKGROUND }, (i) => {
    const startMs = rows.startMs[i] as number;
    const flags = rows.flags[i] as number;
    attempts++;
    const session = rows.session[i] as number;
    if (session === 0) return;
    known++;
    const isBad = outcomeOfRow(rows, i, normalAt(flow, startMs)) !== 'onTime';
    const inTrouble = startMs >= stretch.fromMs;
    const passing = sessions.get(session);
    if (!passing)
      sessions.set(session, {
        kind: kindOf(rows.tier[i] as number, flags),
        lastMs: startMs,
        exposed: isBad,
        inTrouble,
        goesOn: false,
        value: 0,
      });
    else {
      passing.lastMs = Math.max(passing.lastMs, startMs);
      passing.exposed ||= isBad;
      passing.inTrouble ||= inTrouble;
    }
  });
  if (known < LEAST_SESSION_SHARE * attempts || known === 0) return undefined;
  for (let i = 0; i < rows.n; i++) {
    if (!followers.has(rows.flow[i] as number)) continue;
    const passing = sessions.get(rows.session[i] as number);
    const startMs = rows.startMs[i] as number;
    if (!passing || startMs < passing.lastMs - GOES_ON_WITHIN_MS || startMs > passing.lastMs + 2 * GOES_ON_WITHIN_MS)
      continue;
    if (startMs >= passing.lastMs && startMs <= passing.lastMs + GOES_ON_WITHIN_MS) passing.goesOn = true;
    const value = rows.valueMinor[i] as number;
    if (startMs >= passing.lastMs && !Number.isNaN(value) && !((rows.flags[i] as number) & FAILED))
      passing.value += value / 100;
  }
  return [...sessions.values()];
}

function excessLeavers(flow: number, sessions: readonly Passing<number>[], context: BillContext): Left {
  const { byKind, pooled, difference } = leavingAt(sessions, context.knownUntilMs - STILL_DECIDING_MS);
  const left: Left = { flow, people: 0, sd: 0, keyPeople: 0, money: 0, moneySd: 0, keyMoney: 0 };
  if (!pooled) return left;
  const because = whoLeft(byKind, difference);
  for (const [kind, like] of byKind) {
    const people = because.get(kind) ?? 0;
    const sd = pooled.standardError * (like.exposed + like.undecided);
    const each = like.wentOn > 0 ? like.value / like.wentOn : 0;
    left.people += people;
    left.sd += sd;
    left.money += people * each;
    // Single sessions bring more or less than their mean, many of them nothing.
    const variance = like.wentOn > 0 ? like.squares / like.wentOn - each ** 2 : 0;
    left.moneySd += Math.hypot(sd * each, Math.sqrt(people * Math.max(0, variance)));
    if (!context.isKeyTier(tierOf(kind))) continue;
    left.keyPeople += people;
    left.keyMoney += people * each;
  }
  return left;
}

/**
 * Of which kind they are who left because of it. That so many more leave is known of all kinds together; but who did
 * leave is known as well, and of those each left because of it with the same odds as the others of their kind
 * (attributable fraction among the exposed, Miettinen 1974, cited from memory).
 */
function whoLeft<Kind>(byKind: ReadonlyMap<Kind, LikeSessions>, difference: number): Map<Kind, number> {
  const kinds = [...byKind];
  const total = difference * sum(kinds.map(([, like]) => like.exposed + like.undecided));
  const parts = kinds.map(([, like]) => {
    const usual = like.others > 0 ? like.otherEvents / like.others : 0;
    return (difference * like.exposedEvents) / (usual + difference || 1) + difference * like.undecided;
  });
  const all = sum(parts);
  return new Map(kinds.map(([kind], k) => [kind, all > 0 ? (total * (parts[k] as number)) / all : 0]));
}
