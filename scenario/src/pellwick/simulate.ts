import { normalDeviate, poissonDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { DAY_MS, floorTo, HOUR_MS, isWeekend, MINUTE_MS } from '@toplens/core/time';
import {
  BOOKING_VALUE,
  DAILY_RHYTHM,
  FLOWS,
  partner,
  PARTNER_PROGRAMS,
  PEAK,
  SEND_STEPS,
  sender,
  SENDERS,
  WEEKEND,
  type FlowName,
  type Person,
} from './pellwick';
import { inside, type Troubles } from './troubles';
import type { TruthEvent } from './truth';
import { seedOfMinute } from '../seeds';

/** One attempt as the world made it; telemetry is written from it. */
export interface WorldAttempt {
  flow: FlowName | 'rebuildRoutes';
  startMs: number;
  durationMs: number;
  failed: boolean;
  failure: string;
  person: Person | undefined;
  session: string;
  value: number;
  /** time that a trouble added in the store */
  addedMs: number;
  /** for ids and choices that must not disturb the course of events */
  number: number;
}

export interface WorldOptions {
  seed: number;
  /** local minus UTC, in hours: lets the demo always begin in the late morning */
  localOffsetHours: number;
  troubles: Troubles;
}

const SLOW_BEATS = 1.5;
export const CARD_TIMEOUT = 'CardNetworkTimeout';
const CARD_TIMEOUT_MS = 30_000;
const NIGHTLY = { localHour: 2, minute: 10, jobs: 40 };

/**
 * Everything that begins in one minute, until its sessions end. Each minute draws from a seed of its own: any stretch
 * of time can be made alone, and a trouble changes only what it touches.
 */
export function simulateMinute(minuteMs: number, options: WorldOptions, truth: TruthEvent[]): WorldAttempt[] {
  const random = seededRandom(seedOfMinute(options.seed, Math.floor(minuteMs / MINUTE_MS)));
  const busy = busyness(minuteMs, options);
  const attempts: WorldAttempt[] = [];
  for (let n = poissonDeviate(random, PEAK.send * busy); n > 0; n--)
    sendSession(minuteMs, random, { options, attempts, truth });
  for (let n = poissonDeviate(random, PEAK.track * busy); n > 0; n--) trackSession(minuteMs, random, attempts);
  for (let n = poissonDeviate(random, PEAK.partnerCalls * (0.35 + 0.65 * busy)); n > 0; n--)
    partnerCall(minuteMs, random, { options, attempts, truth });
  nightly(minuteMs, random, options, attempts);
  return attempts;
}

/** Share of the busiest traffic, with days a little above or below the others. */
export function busyness(timeMs: number, { localOffsetHours, seed }: WorldOptions): number {
  const local = timeMs + localOffsetHours * HOUR_MS;
  const hours = (local - floorTo(local, DAY_MS)) / HOUR_MS;
  const from = DAILY_RHYTHM[Math.floor(hours)] as number;
  const to = DAILY_RHYTHM[(Math.floor(hours) + 1) % 24] as number;
  const ofDay = 1 + 0.04 * normalDeviate(seededRandom(seedOfMinute(seed + 1, Math.floor(timeMs / DAY_MS))));
  return (from + (to - from) * (hours % 1)) * ofDay * (isWeekend(timeMs) ? WEEKEND : 1);
}

const durationOf = (flow: FlowName, random: Random) =>
  FLOWS[flow].medianMs * Math.exp(FLOWS[flow].spread * normalDeviate(random));
const thinkMs = (random: Random) => 18_000 * Math.exp(0.5 * normalDeviate(random));
const sessionId = (random: Random) =>
  `s-${Math.floor(random() * 2 ** 32).toString(16)}${Math.floor(random() * 2 ** 32).toString(16)}`;
const attemptNumber = (random: Random) => Math.floor(random() * 2 ** 32);

function sendSession(
  minuteMs: number,
  random: Random,
  { options: { troubles }, attempts, truth }: { options: WorldOptions; attempts: WorldAttempt[]; truth: TruthEvent[] },
): void {
  const person = sender(Math.floor(random() * SENDERS));
  const session = sessionId(random);
  let at = minuteMs + random() * MINUTE_MS;
  let gone: number | undefined;
  for (const { flow, goOn } of SEND_STEPS) {
    // Every draw is made whether it is needed or not, so that a person who leaves changes nothing for the others.
    const goesOn = random() < goOn;
    const leavesIfSlow = random();
    const failsUsually = random() < FLOWS[flow].usualFailures;
    const triesAgain = random() < 0.6;
    const durationMs = durationOf(flow, random);
    const againMs = durationOf(flow, random);
    const pauseMs = thinkMs(random);
    const value = flow === 'pay' ? BOOKING_VALUE[person.tier] * Math.exp(0.3 * normalDeviate(random)) : NaN;
    const number = attemptNumber(random);
    if (!goesOn) return;
    if (gone !== undefined) {
      truth.push({ trouble: gone, atMs: at, person: person.id, flow, kind: 'missing', minutes: 0 });
      at += durationMs + pauseMs;
      continue;
    }
    const slow = flow === 'slots' && inside(troubles.slowSlots, at) ? troubles.slowSlots : undefined;
    const factor = slow ? (slow.worstSites.includes(person.site) ? slow.worstFactor : slow.factor) : 1;
    const slowedMs = durationMs * (factor - 1);
    const noSurcharge =
      flow === 'label' &&
      inside(troubles.failingLabels, at) &&
      person.promotion === troubles.failingLabels?.promotion &&
      person.newBand;
    const outage =
      flow === 'pay' && inside(troubles.pastOutage, at) && leavesIfSlow < (troubles.pastOutage?.share ?? 0);
    // Told by the attempt's number: one more draw would change everything that comes after it.
    const timesOut =
      flow === 'pay' &&
      inside(troubles.cardTimeouts, at) &&
      ((number >>> 7) % 1000) / 1000 < (troubles.cardTimeouts?.share ?? 0);
    const failed = failsUsually || noSurcharge || outage || timesOut;
    const failure = noSurcharge
      ? 'SurchargeNotFound'
      : outage
        ? 'LedgerUnavailable'
        : timesOut
          ? CARD_TIMEOUT
          : failed
            ? 'UpstreamTimeout'
            : '';
    const addedMs = timesOut ? CARD_TIMEOUT_MS : slowedMs;
    const base = { flow, person, session, value } as const;
    attempts.push({
      ...base,
      startMs: at,
      durationMs: noSurcharge ? 90 : durationMs + addedMs,
      failed,
      failure,
      addedMs,
      number,
    });
    if (slow)
      truth.push({ trouble: 1, atMs: at, person: person.id, flow, kind: 'waited', minutes: addedMs / MINUTE_MS });
    if (noSurcharge) truth.push({ trouble: 2, atMs: at, person: person.id, flow, kind: 'failed', minutes: 0 });
    if (timesOut)
      truth.push({ trouble: 6, atMs: at, person: person.id, flow, kind: 'failed', minutes: addedMs / MINUTE_MS });
    at += durationMs + addedMs;
    if (failed) {
      if (!triesAgain) return;
      at += 6_000 + pauseMs / 3;
      const timesOutAgain = timesOut && leavesIfSlow < 0.5;
      const failsAgain = noSurcharge || (outage && leavesIfSlow < 0.4) || timesOutAgain;
      const addedAgainMs = timesOutAgain ? CARD_TIMEOUT_MS : 0;
      attempts.push({
        ...base,
        startMs: at,
        durationMs: noSurcharge ? 90 : againMs + addedAgainMs,
        failed: failsAgain,
        failure: failsAgain ? failure : '',
        addedMs: addedAgainMs,
        number: (number ^ 1) >>> 0,
      });
      if (noSurcharge) truth.push({ trouble: 2, atMs: at, person: person.id, flow, kind: 'failed', minutes: 0 });
      if (timesOutAgain)
        truth.push({
          trouble: 6,
          atMs: at,
          person: person.id,
          flow,
          kind: 'failed',
          minutes: addedAgainMs / MINUTE_MS,
        });
      at += againMs + addedAgainMs;
      if (failsAgain) return;
    }
    if (slow && leavesIfSlow < slow.leave * (factor > slow.factor ? SLOW_BEATS : 1)) gone = 1;
    at += pauseMs;
  }
}

function trackSession(minuteMs: number, random: Random, attempts: WorldAttempt[]): void {
  const person = sender(Math.floor(random() * SENDERS));
  const session = sessionId(random);
  let at = minuteMs + random() * MINUTE_MS;
  for (let looks = 1 + Math.floor(random() * 2.2); looks > 0; looks--) {
    const failed = random() < FLOWS.track.usualFailures;
    const durationMs = durationOf('track', random);
    attempts.push({
      flow: 'track',
      startMs: at,
      durationMs,
      failed,
      failure: failed ? 'UpstreamTimeout' : '',
      person,
      session,
      value: NaN,
      addedMs: 0,
      number: attemptNumber(random),
    });
    at += durationMs + thinkMs(random);
  }
}

const PARTNER_FLOWS = ['partnerRate', 'partnerRate', 'partnerLabel', 'partnerTrack', 'partnerTrack'] as const;

function partnerCall(
  minuteMs: number,
  random: Random,
  { options: { troubles }, attempts, truth }: { options: WorldOptions; attempts: WorldAttempt[]; truth: TruthEvent[] },
): void {
  // A few partners send most: the square makes low numbers likelier.
  const person = partner(Math.floor(random() ** 1.3 * PARTNER_PROGRAMS));
  const flow = PARTNER_FLOWS[Math.floor(random() * PARTNER_FLOWS.length)] as FlowName;
  const startMs = minuteMs + random() * MINUTE_MS;
  const failed = random() < FLOWS[flow].usualFailures;
  const durationMs = durationOf(flow, random);
  const value = flow === 'partnerLabel' ? 6 * Math.exp(0.2 * normalDeviate(random)) : NaN;
  const number = attemptNumber(random);
  if (inside(troubles.silentPartners, startMs)) {
    truth.push({ trouble: 7, atMs: startMs, person: person.id, flow, kind: 'missing', minutes: 0 });
    return;
  }
  attempts.push({
    flow,
    startMs,
    durationMs,
    failed,
    failure: failed ? 'UpstreamTimeout' : '',
    person,
    session: '',
    value,
    addedMs: 0,
    number,
  });
}

/** Trouble 11 is none: the rebuild of routes takes half an hour every night, and nobody waits for it. */
function nightly(minuteMs: number, random: Random, { localOffsetHours }: WorldOptions, attempts: WorldAttempt[]): void {
  const local = minuteMs + localOffsetHours * HOUR_MS;
  const minuteOfDay = Math.floor((local - floorTo(local, DAY_MS)) / MINUTE_MS);
  const since = minuteOfDay - (NIGHTLY.localHour * 60 + NIGHTLY.minute);
  if (since < 0 || since >= NIGHTLY.jobs / 4) return;
  for (let job = 0; job < 4; job++)
    attempts.push({
      flow: 'rebuildRoutes',
      startMs: minuteMs + random() * MINUTE_MS,
      durationMs: 26 * MINUTE_MS * Math.exp(0.08 * normalDeviate(random)),
      failed: false,
      failure: '',
      person: undefined,
      session: '',
      value: NaN,
      addedMs: 0,
      number: attemptNumber(random),
    });
}
