import { normalDeviate, seededRandom } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';
import { seedOfMinute, seedOfText } from '../seeds';
import { DEPOTS } from './pellwick';
import { inside, type Troubles } from './troubles';

/** A step of a run that a depot's probe made, invented. */
export interface SimulatedStep {
  name: string;
  startMs: number;
  durationMs: number;
  /** what the server took of it */
  serverMs: number;
  /** '' when it went well */
  failure: string;
}

export interface SimulatedRun {
  probe: string;
  application: string;
  /** the service that answers */
  service: string;
  site: string;
  startMs: number;
  number: number;
  fault: string;
  steps: SimulatedStep[];
}

const EVERY_MINUTES = 5;

/** Medians in milliseconds; the script stands in the settings of the demo. */
const SCRIPTS = [
  {
    probe: 'Depot sign-in',
    application: 'Depot Desk',
    service: 'manifests',
    sites: DEPOTS,
    steps: [
      { name: 'Open the desk', medianMs: 180 },
      { name: 'Sign in', medianMs: 420 },
      { name: 'Find a parcel', medianMs: 460 },
    ],
  },
  {
    probe: 'Shipper Link rates',
    application: 'Shipper Link',
    service: 'shipper-link',
    sites: DEPOTS.slice(0, 4),
    steps: [
      { name: 'Ask for rates', medianMs: 210 },
      { name: 'Track a parcel', medianMs: 240 },
    ],
  },
] as const;

/** Runs that begin in a minute: each site has its own of the five, so that they do not all come at once. */
export function simulateProbeMinute(
  minuteMs: number,
  { seed, troubles }: { seed: number; troubles: Troubles },
): SimulatedRun[] {
  const minute = Math.floor(minuteMs / MINUTE_MS);
  return SCRIPTS.flatMap(({ sites, ...script }) =>
    sites
      .filter((site) => minute % EVERY_MINUTES === seedOfText(site) % EVERY_MINUTES)
      .map((site) => run(script, site, { minuteMs, seed: seed ^ seedOfText(`${script.probe} ${site}`), troubles })),
  );
}

function run(
  { probe, application, service, steps }: Omit<(typeof SCRIPTS)[number], 'sites'>,
  site: string,
  { minuteMs, seed, troubles }: { minuteMs: number; seed: number; troubles: Troubles },
): SimulatedRun {
  const random = seededRandom(seedOfMinute(seed, Math.floor(minuteMs / MINUTE_MS)));
  const { slowLine, blockedProbe, wrongClock } = troubles;
  const line = slowLine?.site === site && inside(slowLine, minuteMs) ? slowLine.factor : 1;
  const isBlocked = blockedProbe?.site === site && probe !== 'Depot sign-in' && inside(blockedProbe, minuteMs);
  const startMs = minuteMs + random() * 20_000;
  const done: SimulatedStep[] = [];
  let atMs = startMs;
  for (const { name, medianMs } of steps) {
    const usualMs = medianMs * Math.exp(0.2 * normalDeviate(random));
    const isLast = isBlocked && done.length === 1;
    const durationMs = isLast ? 5_000 + 200 * random() : usualMs * line;
    done.push({
      name,
      startMs: atMs,
      durationMs,
      serverMs: isLast ? 0 : usualMs * 0.6,
      failure: isLast ? 'status 504, expected below 400' : '',
    });
    atMs += durationMs;
    if (isLast) break;
  }
  const isWrong = wrongClock?.site === site && inside(wrongClock, minuteMs);
  return {
    probe,
    application,
    service,
    site,
    startMs,
    number: Math.floor(random() * 2 ** 32),
    fault: isWrong ? 'its clock is 4 min ahead' : '',
    steps: done,
  };
}
