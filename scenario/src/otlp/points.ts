import { normalDeviate, seededRandom } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';
import { desktopSession, OLD_DEVICE, STAFF, staff } from '../pellwick/depot-desk';
import { inside, type Troubles } from '../pellwick/troubles';
import { seedOfText } from '../seeds';
import { STORE_HOSTS } from './lines';
import { HOSTS, type Attribute } from './spans';

/** A point of a metric ready to be encoded. */
export interface OutPoint {
  service: string;
  host: string;
  version: string;
  application: string;
  instance: string;
  metric: string;
  unit: string;
  kind: 'gauge' | 'counter' | 'upDownCounter';
  startMs: number;
  atMs: number;
  value: number;
  attributes: Attribute[];
}

/** Processes run for long: they started at some moment of this day. */
const STARTED_MS = Date.UTC(2026, 0, 5);
const HEAP_LIMIT = 1_073_741_824;
const POOL_MAX = 20;

/** What hosts and processes tell at the end of a minute. All started long ago; only the dead replica falls silent. */
export function minutePoints(minuteMs: number, busyness: number, troubles: Troubles): OutPoint[] {
  const atMs = minuteMs + MINUTE_MS;
  const points: OutPoint[] = [];
  const isSlow = inside(troubles.slowSlots, minuteMs);
  const senders = [
    ...Object.entries(HOSTS).flatMap(([service, hosts]) => hosts.map((host) => ({ service, host, isStore: false }))),
    ...Object.entries(STORE_HOSTS).map(([service, host]) => ({ service, host, isStore: true })),
  ];
  for (const { service, host, isStore } of senders) {
    if (
      service === 'addresses' &&
      host === HOSTS.addresses?.[1] &&
      troubles.deadReplica &&
      minuteMs >= troubles.deadReplica.fromMs
    )
      continue;
    const random = seededRandom(seedOfText(`${service}@${host}`) ^ Math.floor(minuteMs / MINUTE_MS));
    const ofHost = seededRandom(seedOfText(host));
    const noise = (spread: number) => spread * normalDeviate(random);
    const startMs = STARTED_MS + (seedOfText(service + host) % 86_400_000);
    const say = (
      metric: string,
      unit: string,
      value: number,
      { attributes = [], kind = 'gauge' }: { attributes?: Attribute[]; kind?: OutPoint['kind'] } = {},
    ) =>
      points.push({
        service,
        host,
        version: '1.0.0',
        application: 'Sender Portal',
        instance: `${service}-${host}`,
        metric,
        unit,
        kind,
        startMs,
        atMs,
        value,
        attributes,
      });
    const [usualCpu, usualMemory] = [0.12 + 0.1 * ofHost(), 0.45 + 0.2 * ofHost()];
    const isHit = isSlow && service === 'parcels-db';
    const cpu = clamp(isHit ? 0.9 + noise(0.02) : usualCpu + 0.25 * busyness + noise(0.015));
    say('system.cpu.utilization', '1', cpu, { attributes: [['cpu.mode', 'user']] });
    say('system.cpu.utilization', '1', 1 - cpu, { attributes: [['cpu.mode', 'idle']] });
    say('system.memory.utilization', '1', clamp(usualMemory + noise(0.006)), {
      attributes: [['system.memory.state', 'used']],
    });
    const seconds = (atMs - startMs) / 1000;
    say('system.network.io', 'By', seconds * 40_000 + 3e6 * Math.sin(seconds / 9_000), {
      attributes: [['network.io.direction', 'transmit']],
      kind: 'counter',
    });
    if (isStore) {
      say(
        'system.disk.io_time',
        's',
        seconds * 0.22 + (isHit ? (0.62 * (atMs - (troubles.slowSlots?.fromMs ?? 0))) / 1000 : 0),
        { attributes: [['system.device', 'sda']], kind: 'counter' },
      );
      continue;
    }
    say(
      'jvm.memory.used',
      'By',
      HEAP_LIMIT * clamp(0.4 + 0.12 * busyness + 0.06 * Math.sin(atMs / 240_000) + noise(0.02)),
      { attributes: [['jvm.memory.type', 'heap']], kind: 'upDownCounter' },
    );
    say('jvm.memory.limit', 'By', HEAP_LIMIT, { attributes: [['jvm.memory.type', 'heap']], kind: 'upDownCounter' });
    // Whoever waits for the store holds a connection meanwhile.
    const taken =
      isSlow && service === 'slots' ? POOL_MAX : Math.round(clamp(0.2 + 0.15 * busyness + noise(0.03)) * POOL_MAX);
    say('db.client.connection.count', '{connection}', taken, {
      attributes: [['db.client.connection.state', 'used']],
      kind: 'upDownCounter',
    });
    say('db.client.connection.max', '{connection}', POOL_MAX, { attributes: [], kind: 'upDownCounter' });
  }
  return points;
}

const clamp = (share: number) => Math.min(0.99, Math.max(0.01, share));

/** Devices at one depot tell how they are, every five minutes: that of the old one's memory is full. */
export function devicePoints(minuteMs: number): OutPoint[] {
  if (minuteMs % (5 * MINUTE_MS) !== 0) return [];
  const { site } = staff(Number(OLD_DEVICE.staff.slice(-3)));
  return Array.from({ length: STAFF }, (_, number) => staff(number))
    .filter((one) => one.site === site)
    .flatMap(({ id, device }) => {
      const random = seededRandom(seedOfText(device) ^ Math.floor(minuteMs / MINUTE_MS));
      const isOld = id === OLD_DEVICE.staff;
      const point = (metric: string, value: number, attribute: Attribute): OutPoint => ({
        service: 'depot-desk',
        host: device,
        version: '8.4.0',
        application: 'Depot Desk',
        instance: device,
        metric,
        unit: '1',
        kind: 'gauge',
        startMs: STARTED_MS,
        atMs: minuteMs + MINUTE_MS,
        value: clamp(value + 0.01 * normalDeviate(random)),
        attributes: [attribute],
      });
      return [
        point('system.memory.utilization', isOld ? 0.975 : 0.6, ['system.memory.state', 'used']),
        point('system.cpu.utilization', isOld ? 0.2 : 0.75, ['cpu.mode', 'idle']),
      ];
    });
}

/** Round trips on a quiet line, in milliseconds; spread of their logarithm. */
const ROUND_TRIP_MS = 28;
const ROUND_TRIP_SPREAD = 0.25;
/** At night hardly anybody has a session. */
const LEAST_BUSY = 0.2;

/** How long the way to remote desktops takes, told every five minutes by each session. */
export function roundTripPoints(minuteMs: number, busyness: number, { slowLine }: Troubles): OutPoint[] {
  if (minuteMs % (5 * MINUTE_MS) !== 0 || busyness < LEAST_BUSY) return [];
  return Array.from({ length: STAFF }, (_, number) => staff(number)).flatMap((one): OutPoint[] => {
    const session = desktopSession(one, minuteMs);
    if (!session) return [];
    const random = seededRandom(seedOfText(`${session.session} way`) ^ Math.floor(minuteMs / MINUTE_MS));
    const line = slowLine?.site === one.site && inside(slowLine, minuteMs) ? slowLine.factor : 1;
    return [
      {
        service: 'remote-desktops',
        host: session.server,
        version: '1.0.0',
        application: 'Depot Desk',
        instance: session.server,
        metric: 'toplens.remote.round_trip',
        unit: 'ms',
        kind: 'gauge',
        startMs: STARTED_MS,
        atMs: minuteMs + MINUTE_MS,
        value: ROUND_TRIP_MS * line * Math.exp(ROUND_TRIP_SPREAD * normalDeviate(random)),
        attributes: [
          ['toplens.remote.session', session.session],
          ['toplens.remote.client', one.device],
          ['toplens.remote.server', session.server],
          ['toplens.site', one.site],
          ['cloud.availability_zone', session.centre],
        ],
      },
    ];
  });
}
