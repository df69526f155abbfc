import { normalDeviate, poissonDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { pick, seedOfMinute, seedOfText } from '../seeds';
import { COUNTRIES, DEPOTS } from './pellwick';
import { busyness, type WorldOptions } from './simulate';
import type { Troubles } from './troubles';
import type { TruthEvent } from './truth';

/** *Round*, the drivers' application on their phones: invented, with its versions, devices and carriers. */
export interface Driver {
  id: string;
  site: string;
  region: string;
  device: string;
  /** version of Android */
  system: string;
  carrier: string;
}

/** What a phone did: a launch, a screen that was shown, or a crash on a screen. */
export interface PhoneEvent {
  what: { launch: 'cold' | 'warm' } | { screen: string } | { crash: 'photo' | 'sync'; screen: string };
  atMs: number;
  durationMs: number;
  driver: Driver;
  version: string;
  session: string;
  number: number;
  /** what was done before it in this session, for the trail */
  trail: { atMs: number; what: string }[];
}

const DRIVERS = 900;
/** Stops a minute when it is busiest. */
const PEAK_STOPS = 3.5;
const DEVICES = ['Tessel 5', 'Quill 2', 'Quill 2', 'Harrow X', 'Tessel 5', 'Quill 2'];
const CARRIERS = ['Northline', 'Northline', 'Meridian Mobile', 'Copperwave'];
const SYSTEMS = ['14', '15', '15', '16'];

/** Steps of *A driver's stop*: medians in milliseconds, spread of their logarithm. */
const SCREENS = [
  { screen: 'Stop', medianMs: 320, spread: 0.3 },
  { screen: 'Scan', medianMs: 560, spread: 0.35 },
  { screen: 'Photo', medianMs: 940, spread: 0.3 },
  { screen: 'Confirm', medianMs: 430, spread: 0.3 },
] as const;
const STARTS = { cold: { medianMs: 1_250, spread: 0.3 }, warm: { medianMs: 260, spread: 0.3 } } as const;

/** Of drivers so many stay on a version that is two years old and crashes now and then while it syncs. */
const LAGGARDS = 0.04;
const SYNC_CRASHES = 0.02;

const share = (text: string) => seedOfText(text) / 2 ** 32;

export function driver(number: number): Driver {
  const id = `driver-${String(number).padStart(3, '0')}`;
  return {
    id,
    site: pick(DEPOTS, share(`${id} site`)),
    region: pick(COUNTRIES, share(`${id} region`) ** 1.6),
    device: pick(DEVICES, share(`${id} device`)),
    system: pick(SYSTEMS, share(`${id} system`)),
    carrier: pick(CARRIERS, share(`${id} carrier`)),
  };
}

/** A version is taken up by and by: by half of the drivers within so long. */
const isTaken = (id: string, version: string, sinceMs: number, halfMs: number) =>
  sinceMs > 0 && share(`${id} takes ${version}`) < 1 - 0.5 ** (sinceMs / halfMs);

function versionOf({ id }: Driver, atMs: number, { photoCrash }: Troubles): string {
  if (share(`${id} lags`) < LAGGARDS) return '6.9.2';
  if (!photoCrash) return '7.2.4';
  if (isTaken(id, '7.3.1', atMs - photoCrash.healedFromMs, 3 * HOUR_MS)) return '7.3.1';
  return isTaken(id, '7.3.0', atMs - photoCrash.fromMs, HOUR_MS / 4) ? '7.3.0' : '7.2.4';
}

const lasting = ({ medianMs, spread }: { medianMs: number; spread: number }, random: Random) =>
  medianMs * Math.exp(spread * normalDeviate(random));

/** All stops that drivers begin in a minute. Each minute has a seed of its own, as the senders' world has. */
export function simulateRoundMinute(minuteMs: number, options: WorldOptions, truth: TruthEvent[]): PhoneEvent[] {
  const random = seededRandom(seedOfMinute(options.seed ^ 0x20d, Math.floor(minuteMs / MINUTE_MS)));
  const events: PhoneEvent[] = [];
  for (let n = poissonDeviate(random, PEAK_STOPS * busyness(minuteMs, options)); n > 0; n--)
    stop(minuteMs + random() * MINUTE_MS, random, { options, events, truth });
  return events;
}

/** One stop: the application comes to the front, then screen after screen. */
function stop(
  beginMs: number,
  random: Random,
  { options: { troubles }, events, truth }: { options: WorldOptions; events: PhoneEvent[]; truth: TruthEvent[] },
): void {
  const who = driver(Math.floor(random() * DRIVERS));
  // A driver's whole day is one session.
  const session = `r-${seedOfText(`${who.id} ${Math.floor(beginMs / DAY_MS)}`).toString(16)}`;
  const version = versionOf(who, beginMs, troubles);
  const trail: PhoneEvent['trail'] = [];
  let atMs = beginMs;
  const tell = (what: PhoneEvent['what'], durationMs: number, words: string) => {
    const number = Math.floor(random() * 2 ** 32);
    events.push({ what, atMs, durationMs, driver: who, version, session, number, trail: [...trail] });
    trail.push({ atMs, what: words });
    atMs += durationMs;
  };
  const launch = (kind: 'cold' | 'warm') => {
    // What 7.3.0 added to a cold start stayed in 7.3.1.
    const factor = kind === 'cold' && version.startsWith('7.3') ? 1.35 : 1;
    tell({ launch: kind }, factor * lasting(STARTS[kind], random), `${kind} start`);
  };
  // Every draw is made whether it is needed or not, so that a crash changes nothing for the others.
  const [starts, syncs, crashes, again] = [random(), random(), random(), random()];
  launch(starts < 0.25 ? 'cold' : 'warm');
  if (version === '6.9.2' && syncs < SYNC_CRASHES) {
    tell({ crash: 'sync', screen: 'Stop' }, 0, 'crash');
    return;
  }
  for (const screen of SCREENS) {
    const durationMs = lasting(screen, random);
    const pauseMs = 9_000 * Math.exp(0.5 * normalDeviate(random));
    const { photoCrash } = troubles;
    const isDeadly =
      screen.screen === 'Photo' &&
      version === '7.3.0' &&
      who.device === photoCrash?.device &&
      crashes < photoCrash.share;
    if (isDeadly) {
      for (const isLast of again < 0.5 ? [false, true] : [true]) {
        atMs += 1_500;
        tell({ crash: 'photo', screen: 'Photo' }, 0, 'crash');
        truth.push({ trouble: 3, atMs, person: who.id, flow: 'photo', kind: 'failed', minutes: 0 });
        atMs += 15_000;
        launch('cold');
        if (isLast) break;
      }
      atMs += pauseMs;
      continue;
    }
    tell({ screen: screen.screen }, durationMs, `screen ${screen.screen}`);
    atMs += pauseMs;
  }
}
