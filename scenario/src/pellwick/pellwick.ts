import { pick } from '../seeds';
/**
 * Pellwick Parcels, an invented parcel carrier: what there is and how it usually behaves. Nothing in it exists.
 * Durations are medians in milliseconds with the spread of their logarithm.
 */
export interface FlowModel {
  application: 'Sender Portal' | 'Shipper Link';
  method: 'GET' | 'POST';
  route: string;
  entry: string;
  medianMs: number;
  spread: number;
  usualFailures: number;
  /** service behind the entry, and what it calls; shares of the attempt's time */
  service: string;
  calls: Call[];
}

export interface Call {
  component: string;
  kind: 'store' | 'outside';
  share: number;
  operation: string;
  /** what is sent to a store, with its values */
  statement?: string;
  /** so many calls alike, one after the other; once when left out */
  times?: number;
}

const portal = { application: 'Sender Portal', entry: 'portal-web' } as const;
const partners = { application: 'Shipper Link', entry: 'shipper-link' } as const;
const db = (operation: string, share: number, statement: string, times = 1) =>
  ({ component: 'parcels-db', kind: 'store', share, operation, statement, times }) as const;
const RATE_BANDS =
  "SELECT b.price FROM rate_bands b WHERE b.region = 'NL' AND b.weight_from <= 2.5 AND b.weight_to > 2.5";
const SURCHARGES = "SELECT s.amount FROM surcharges s WHERE s.band = 7 AND s.promotion = 'SPRING10'";
const EVENTS = "SELECT e.at, e.what, e.place FROM events e WHERE e.parcel = 'PW48210' AND e.leg = 3 ORDER BY e.at";
const SLOTS =
  "SELECT s.id, s.opens, s.closes FROM slots s JOIN rounds r ON r.id = s.round WHERE s.depot = 'Ostrel' AND s.day BETWEEN '2026-03-11' AND '2026-03-18' AND s.free > 0";

export const FLOWS = {
  rate: {
    ...portal,
    method: 'POST',
    route: '/rates/quote',
    medianMs: 380,
    spread: 0.3,
    usualFailures: 0.002,
    service: 'rates',
    calls: [db('select rate_bands', 0.4, RATE_BANDS)],
  },
  addresses: {
    ...portal,
    method: 'GET',
    route: '/addresses/search',
    medianMs: 240,
    spread: 0.35,
    usualFailures: 0.003,
    service: 'addresses',
    calls: [{ component: 'address-register', kind: 'outside', share: 0.5, operation: 'GET /lookup' }],
  },
  slots: {
    ...portal,
    method: 'GET',
    route: '/slots/search',
    medianMs: 620,
    spread: 0.35,
    usualFailures: 0.003,
    service: 'slots',
    calls: [
      {
        component: 'slot-cache',
        kind: 'store',
        share: 0.05,
        operation: 'get slots',
        statement: 'GET slots:ostrel:20260311',
      },
      db('select slots', 0.45, SLOTS),
    ],
  },
  pay: {
    ...portal,
    method: 'POST',
    route: '/payments',
    medianMs: 1350,
    spread: 0.3,
    usualFailures: 0.006,
    service: 'payments',
    calls: [
      { component: 'card-network', kind: 'outside', share: 0.6, operation: 'POST /authorise' },
      {
        component: 'ledger-db',
        kind: 'store',
        share: 0.1,
        operation: 'insert entry',
        statement: "INSERT INTO entry (parcel, amount, at) VALUES ('PW48210', 1690, now())",
      },
    ],
  },
  label: {
    ...portal,
    method: 'POST',
    route: '/labels/{parcel}',
    medianMs: 720,
    spread: 0.3,
    usualFailures: 0.003,
    service: 'labels',
    calls: [db('select surcharges', 0.3, SURCHARGES)],
  },
  track: {
    ...portal,
    method: 'GET',
    route: '/track/{parcel}',
    medianMs: 310,
    spread: 0.35,
    usualFailures: 0.002,
    service: 'tracking',
    calls: [db('select events', 0.5, EVENTS, 5)],
  },
  partnerRate: {
    ...partners,
    method: 'POST',
    route: '/v2/rates',
    medianMs: 210,
    spread: 0.3,
    usualFailures: 0.002,
    service: 'rates',
    calls: [db('select rate_bands', 0.5, RATE_BANDS)],
  },
  partnerLabel: {
    ...partners,
    method: 'POST',
    route: '/v2/labels',
    medianMs: 540,
    spread: 0.3,
    usualFailures: 0.003,
    service: 'labels',
    calls: [db('select surcharges', 0.3, SURCHARGES)],
  },
  partnerTrack: {
    ...partners,
    method: 'GET',
    route: '/v2/track/{parcel}',
    medianMs: 160,
    spread: 0.3,
    usualFailures: 0.001,
    service: 'tracking',
    calls: [db('select events', 0.5, EVENTS, 5)],
  },
} as const satisfies Record<string, FlowModel>;

export type FlowName = keyof typeof FLOWS;

export const DEPOTS = [
  'Aldermoor',
  'Brackwater',
  'Corrow Quay',
  'Dunsel',
  'Eastfen',
  'Marrow Hill',
  'Ostrel',
  'Tarn Cross',
  'Wending',
];
export const COUNTRIES = ['GB', 'IE', 'NL', 'BE', 'FR', 'DE'];

/** Steps of *Send a parcel*, with the share of people who go on to it after the step before. */
export const SEND_STEPS: readonly { flow: FlowName; goOn: number }[] = [
  { flow: 'rate', goOn: 1 },
  { flow: 'addresses', goOn: 0.84 },
  { flow: 'slots', goOn: 0.92 },
  { flow: 'pay', goOn: 0.8 },
  { flow: 'label', goOn: 0.97 },
];

export const SENDERS = 40_000;
export const PARTNER_PROGRAMS = 60;

/** Sessions a minute when it is busiest. */
export const PEAK = { send: 14, track: 9, partnerCalls: 18 };

/** Share of the busiest hour's traffic by local hour. */
export const DAILY_RHYTHM = [
  0.1, 0.07, 0.05, 0.05, 0.06, 0.1, 0.22, 0.45, 0.7, 0.88, 0.97, 1, 0.95, 0.9, 0.93, 0.96, 0.95, 0.9, 0.85, 0.8, 0.7,
  0.5, 0.32, 0.18,
];
export const WEEKEND = 0.75;

export interface Person {
  id: string;
  tier: 'Casual' | 'Trader' | 'Anchor';
  site: string;
  region: string;
  promotion: string;
  /** weight of the parcel usually sent: the new band is what trouble 2 stumbles over */
  newBand: boolean;
}

/** A number in [0, 1) that always belongs to the same person and question. */
function share(person: number, question: number): number {
  let h = Math.imul(person + 1, 0x9e3779b1) ^ Math.imul(question + 1, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}

export function sender(number: number): Person {
  const t = share(number, 1);
  const tier = t < 0.8 ? 'Casual' : t < 0.96 ? 'Trader' : 'Anchor';
  const usesSpring = share(number, 4) < (tier === 'Anchor' ? 0.45 : 0.12);
  return {
    id: `sender-${String(number).padStart(5, '0')}`,
    tier,
    site: pick(DEPOTS, share(number, 2)),
    region: pick(COUNTRIES, share(number, 3) ** 1.6),
    promotion: usesSpring ? 'SPRING10' : share(number, 5) < 0.1 ? 'NEWROUND' : '',
    newBand: share(number, 6) < 0.9,
  };
}

export function partner(number: number): Person {
  return {
    id: `partner-${String(number).padStart(3, '0')}`,
    tier: share(number, 11) < 0.1 ? 'Anchor' : 'Trader',
    site: '',
    region: pick(COUNTRIES, share(number, 13)),
    promotion: '',
    newBand: false,
  };
}

/** Mean value of a booking in euro. */
export const BOOKING_VALUE = { Casual: 9, Trader: 16, Anchor: 31 };
