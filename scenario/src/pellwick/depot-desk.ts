import { normalDeviate, poissonDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { DAY_MS, MINUTE_MS } from '@toplens/core/time';
import { pick, seedOfMinute, seedOfText } from '../seeds';
import { DEPOTS } from './pellwick';
import { busyness, type WorldOptions } from './simulate';
import { inside } from './troubles';
import type { TruthEvent } from './truth';

/** Who works at a depot, on what: invented. */
export interface Staff {
  id: string;
  site: string;
  department: string;
  role: string;
  /** kind of device */
  station: string;
  /** its name, and its model */
  device: string;
  model: string;
  server: string;
}

/** Something that somebody did at *Depot Desk*. */
export interface DeskAttempt {
  activity: string;
  startMs: number;
  durationMs: number;
  /** of it, what the server took */
  serverMs: number;
  staff: Staff;
  number: number;
}

export const STAFF = 260;
/** Attempts a minute when it is busiest. */
const PEAK_ATTEMPTS = 15;
const SERVER_SHARE = 0.6;

/** Medians in milliseconds, spread of their logarithm, and how often each is done. */
const ACTIVITIES = [
  { activity: 'Receive parcels', medianMs: 620, spread: 0.3, share: 0.34 },
  { activity: 'Sort a parcel', medianMs: 380, spread: 0.3, share: 0.3 },
  { activity: 'Find a parcel', medianMs: 450, spread: 0.35, share: 0.16 },
  { activity: 'Hand over to a round', medianMs: 840, spread: 0.3, share: 0.13 },
  { activity: 'Close a manifest', medianMs: 1_900, spread: 0.35, share: 0.07 },
] as const;

const DEPARTMENTS = ['Receiving', 'Sorting', 'Sorting', 'Despatch', 'Office'];
const STATIONS = ['desktop', 'desktop', 'remote desktop'];
const MODELS = { desktop: ['Counter 3', 'Counter 3', 'Counter 4'], 'remote desktop': ['Thin 2'] } as const;
const SERVERS = ['desk-north', 'desk-mid', 'desk-coast'];

/** Where the servers of remote desktops stand, and their names. */
const FARMS = [
  { server: 'farm-1', centre: 'Mid hall' },
  { server: 'farm-2', centre: 'Mid hall' },
  { server: 'farm-3', centre: 'North hall' },
];

/** A session on a remote desktop: one a person and day. */
export interface DesktopSession {
  session: string;
  server: string;
  centre: string;
}

/** `undefined` for whoever sits at a desktop of their own. */
export function desktopSession({ id, station }: Staff, timeMs: number): DesktopSession | undefined {
  if (station !== 'remote desktop') return undefined;
  const farm = FARMS[Math.floor(share(`${id} farm`) * FARMS.length)] as (typeof FARMS)[number];
  return { session: `desk-${id}-${Math.floor(timeMs / DAY_MS)}`, ...farm };
}

const share = (text: string) => seedOfText(text) / 2 ** 32;

export function staff(number: number): Staff {
  const id = `staff-${String(number).padStart(3, '0')}`;
  const site = DEPOTS[number % DEPOTS.length] as string;
  const station = pick(STATIONS, share(`${id} station`)) as keyof typeof MODELS;
  // Most of a depot work with the server that is near; some with the next, so that a slow line is told from a slow server.
  const near = DEPOTS.indexOf(site) % SERVERS.length;
  return {
    id,
    site,
    department: pick(DEPARTMENTS, share(`${id} department`)),
    role: share(`${id} role`) < 0.12 ? 'shift lead' : 'clerk',
    station,
    device: `${site.slice(0, 4).toLowerCase().trim()}-${String(number).padStart(3, '0')}`,
    model: pick(MODELS[station], share(`${id} model`)),
    server: SERVERS[(near + (share(`${id} server`) < 0.3 ? 1 : 0)) % SERVERS.length] as string,
  };
}

/** Whose device is old, and how much slower everything is on it: always, in the quiet history too. */
export const OLD_DEVICE = { staff: 'staff-103', factor: 2.2 } as const;

/** All that is done at depots from a minute on. Each minute has a seed of its own, as the senders' world has. */
export function simulateDeskMinute(minuteMs: number, options: WorldOptions, truth: TruthEvent[]): DeskAttempt[] {
  const random = seededRandom(seedOfMinute(options.seed ^ 0xde5c, Math.floor(minuteMs / MINUTE_MS)));
  const busy = busyness(minuteMs, options);
  return Array.from({ length: poissonDeviate(random, PEAK_ATTEMPTS * busy) }, () =>
    attempt(minuteMs + random() * MINUTE_MS, random, { options, truth }),
  );
}

function attempt(
  startMs: number,
  random: Random,
  { options: { troubles }, truth }: { options: WorldOptions; truth: TruthEvent[] },
): DeskAttempt {
  const who = staff(Math.floor(random() * STAFF));
  const { activity, medianMs, spread } = activityAt(random());
  const usualMs = medianMs * Math.exp(spread * normalDeviate(random));
  const number = Math.floor(random() * 2 ** 32);
  const { slowLine } = troubles;
  const line = slowLine && inside(slowLine, startMs) && who.site === slowLine.site ? slowLine.factor : 1;
  const device = who.id === OLD_DEVICE.staff ? OLD_DEVICE.factor : 1;
  const durationMs = usualMs * line * device;
  if (line > 1)
    truth.push({
      trouble: 4,
      atMs: startMs,
      person: who.id,
      flow: activity,
      kind: 'waited',
      minutes: (usualMs * (line - 1)) / MINUTE_MS,
    });
  return { activity, startMs, durationMs, serverMs: usualMs * SERVER_SHARE, staff: who, number };
}

function activityAt(at: number): (typeof ACTIVITIES)[number] {
  let below = 0;
  return ACTIVITIES.find(({ share: of }) => at < (below += of)) ?? ACTIVITIES[0];
}
