import { outfitOf } from '../browsers/outfit';
import { FLOWS, type Call, type FlowModel } from '../pellwick/pellwick';
import type { Troubles } from '../pellwick/troubles';
import { CARD_TIMEOUT, type WorldAttempt } from '../pellwick/simulate';

export type Attribute = [key: string, value: string | number];

/** A span ready to be encoded; ids are lists of 32-bit words. */
export interface OutSpan {
  service: string;
  host: string;
  application: string;
  version: string;
  traceId: number[];
  spanId: number[];
  parentSpanId: number[] | undefined;
  name: string;
  kind: number;
  startMs: number;
  durationMs: number;
  error: boolean;
  exception: string;
  /** message and stack trace of the exception, where the failing code tells them */
  details: Attribute[];
  attributes: Attribute[];
  /** of the person's own device, for what runs there; else left out */
  device?: Attribute[];
}

export const INTERNAL = 1;
export const SERVER = 2;
export const CLIENT = 3;
const CONSUMER = 5;

/** An id of two words, the same for the same number and purpose. */
export const words = (number: number, salt: number): number[] => {
  let h = (number ^ Math.imul(salt, 0x9e3779b1)) >>> 0;
  return Array.from({ length: 2 }, () => {
    h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d) >>> 0;
    h = (Math.imul(h ^ (h >>> 12), 0x297a2d39) ^ 0x5f356495) >>> 0;
    return h || 1;
  });
};

/** What is sent; shares are invented. */
const ITEMS = ['parcel to 2 kg', 'parcel to 2 kg', 'parcel to 10 kg', 'parcel to 30 kg', 'pallet'];
const ITEM_FLOWS: ReadonlySet<string> = new Set(['rate', 'slots', 'pay', 'label']);

/** One session sends one thing. */
const itemOf = (session: string): string =>
  ITEMS[[...session].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % ITEMS.length] as string;

/** The spans that an attempt leaves behind: the entry alone, or the whole trace. */
export function spansOf(attempt: WorldAttempt, full: boolean, troubles: Troubles): OutSpan[] {
  const traceId = [...words(attempt.number, 1), ...words(Math.floor(attempt.startMs) & 0xffffffff, 2)];
  if (attempt.flow === 'rebuildRoutes') return [rebuild(attempt, traceId)];
  const flow: FlowModel = FLOWS[attempt.flow];
  const entry = entrySpan(attempt, flow, traceId, troubles);
  if (!full) return [entry];
  const browser = flow.application === 'Sender Portal' ? browserSpans(attempt, flow, entry) : [];
  const called = browser.at(-1);
  return [
    called ? { ...entry, parentSpanId: called.spanId } : entry,
    ...innerSpans(attempt, flow, entry, troubles),
    ...browser,
  ];
}

function rebuild(attempt: WorldAttempt, traceId: number[]): OutSpan {
  return {
    service: 'routes-builder',
    host: 'coast-2',
    application: 'Sender Portal',
    version: '2.2.0',
    traceId,
    spanId: words(attempt.number, 3),
    parentSpanId: undefined,
    name: 'route-rebuild process',
    kind: CONSUMER,
    startMs: attempt.startMs,
    durationMs: attempt.durationMs,
    error: false,
    exception: '',
    details: [],
    attributes: [
      ['messaging.destination.name', 'route-rebuild'],
      ['messaging.system', 'event-queue'],
    ],
  };
}

const VERSIONS: Record<string, string> = {
  'portal-web': '5.12.0',
  'shipper-link': '3.4.1',
  rates: '2.9.3',
  addresses: '1.20.0',
  payments: '6.1.2',
  labels: '4.7.0',
  tracking: '2.0.8',
};
export const HOSTS: Record<string, string[]> = {
  'portal-web': ['north-1', 'mid-1', 'coast-1'],
  'shipper-link': ['north-2', 'mid-2'],
  rates: ['north-3', 'mid-3'],
  addresses: ['north-4', 'mid-4'],
  slots: ['mid-5', 'coast-3'],
  payments: ['north-5', 'mid-1'],
  labels: ['coast-2', 'mid-2'],
  tracking: ['coast-4', 'north-2'],
};

/** Services that several applications use belong to none of them. */
const SHARED: ReadonlySet<string> = new Set(['rates', 'labels', 'tracking']);

function versionOf(service: string, timeMs: number, troubles: Troubles): string {
  if (service !== 'slots') return VERSIONS[service] ?? '1.0.0';
  // The release that lost the index went out three minutes before people felt it.
  return troubles.slowSlots && timeMs >= troubles.slowSlots.fromMs - 180_000 ? '4.18.0' : '4.17.2';
}

function hostOf(service: string, attempt: WorldAttempt, troubles: Troubles): string {
  const hosts = HOSTS[service] ?? ['mid-1'];
  const alive =
    service === 'addresses' && troubles.deadReplica && attempt.startMs >= troubles.deadReplica.fromMs
      ? hosts.slice(0, 1)
      : hosts;
  return alive[attempt.number % alive.length] as string;
}

function entrySpan(attempt: WorldAttempt, flow: FlowModel, traceId: number[], troubles: Troubles): OutSpan {
  const { person } = attempt;
  const attributes: Attribute[] = [
    ['http.request.method', flow.method],
    ['http.route', flow.route],
    ['url.path', flow.route.replace('{parcel}', `PW${attempt.number}`)],
    ['http.response.status_code', attempt.failed ? 500 : 200],
  ];
  if (person) {
    attributes.push(['user.id', person.id], ['toplens.tier', person.tier], ['toplens.region', person.region]);
    if (person.site) attributes.push(['toplens.site', person.site]);
    if (person.promotion) attributes.push(['toplens.promotion', person.promotion]);
  }
  if (person && flow.application === 'Sender Portal')
    attributes.push(['user_agent.original', outfitOf(person.id).device.userAgent]);
  if (attempt.session && ITEM_FLOWS.has(attempt.flow)) attributes.push(['toplens.item', itemOf(attempt.session)]);
  if (attempt.session) attributes.push(['session.id', attempt.session]);
  if (!Number.isNaN(attempt.value))
    attributes.push(['toplens.value.amount', Math.round(attempt.value * 100) / 100], ['toplens.value.currency', 'EUR']);
  return {
    service: flow.entry,
    host: hostOf(flow.entry, attempt, troubles),
    application: flow.application,
    version: versionOf(flow.entry, attempt.startMs, troubles),
    traceId,
    spanId: words(attempt.number, 4),
    parentSpanId: undefined,
    name: `${flow.method} ${flow.route}`,
    kind: SERVER,
    startMs: attempt.startMs,
    durationMs: attempt.durationMs,
    error: attempt.failed,
    exception: attempt.failure,
    details: [],
    attributes,
  };
}

/** In the sender's browser: what was pressed, and the call that it makes. The last one is the call. */
function browserSpans(attempt: WorldAttempt, flow: FlowModel, entry: OutSpan): OutSpan[] {
  const chance = (attempt.number % 1000) / 1000;
  const [beforeMs, wayMs, drawMs] = [5 + 20 * chance, 20 + 60 * chance, 30 + 90 * (1 - chance)];
  const page: OutSpan = {
    ...entry,
    service: 'portal-browser',
    host: '',
    version: '5.12.0',
    spanId: words(attempt.number, 40),
    parentSpanId: undefined,
    name: `press ${flow.route}`,
    kind: INTERNAL,
    startMs: entry.startMs - beforeMs - wayMs,
    durationMs: entry.durationMs + beforeMs + 2 * wayMs + drawMs,
    error: false,
    exception: '',
    details: [],
    attributes: [],
    device: [['telemetry.sdk.language', 'webjs'], ...Object.entries(outfitOf(attempt.person?.id ?? '').device.told)],
  };
  const call: OutSpan = {
    ...page,
    spanId: words(attempt.number, 41),
    parentSpanId: page.spanId,
    name: `${flow.method} ${flow.route}`,
    kind: CLIENT,
    startMs: entry.startMs - wayMs,
    durationMs: entry.durationMs + 2 * wayMs,
    error: attempt.failed,
    attributes: [
      ['http.request.method', flow.method],
      ['server.address', entry.service],
    ],
  };
  return [page, call];
}

/**
 * Entry → call → service → its stores and outside services, one after the other. Added time is spent where the trouble
 * is.
 */
function innerSpans(attempt: WorldAttempt, flow: FlowModel, entry: OutSpan, troubles: Troubles): OutSpan[] {
  const base = attempt.durationMs - attempt.addedMs;
  const call: OutSpan = {
    ...entry,
    spanId: words(attempt.number, 5),
    parentSpanId: entry.spanId,
    name: `call ${flow.service}`,
    kind: CLIENT,
    startMs: entry.startMs + base * 0.06,
    durationMs: entry.durationMs - base * 0.12,
    attributes: [['server.address', flow.service]],
    exception: '',
  };
  const host = hostOf(flow.service, attempt, troubles);
  const service: OutSpan = {
    ...call,
    service: flow.service,
    application: SHARED.has(flow.service) ? 'Parcel Core' : flow.application,
    host,
    version: versionOf(flow.service, attempt.startMs, troubles),
    spanId: words(attempt.number, 6),
    parentSpanId: call.spanId,
    name: `${flow.method} ${flow.route}`,
    kind: SERVER,
    startMs: call.startMs + base * 0.01,
    durationMs: call.durationMs - base * 0.02,
    exception: attempt.failure,
    details: attempt.failed ? failureDetails(attempt.failure, flow.service) : [],
    attributes: [
      ['http.request.method', flow.method],
      ['http.route', flow.route],
    ],
  };
  const spans = [call, service];
  let at = service.startMs + base * 0.03;
  let number = 7;
  for (const below of flow.calls) {
    const isTimingOut = below.component === 'card-network' && attempt.failure === CARD_TIMEOUT;
    const added = below.component === 'parcels-db' || isTimingOut ? attempt.addedMs : 0;
    const wholeMs = Math.min(base * below.share + added, service.startMs + service.durationMs - at);
    const times = below.times ?? 1;
    for (let i = 0; i < times; i++) {
      const durationMs = wholeMs / times;
      spans.push({
        ...service,
        spanId: words(attempt.number, number++),
        parentSpanId: service.spanId,
        name: below.operation,
        kind: CLIENT,
        startMs: at,
        durationMs,
        error: isTimingOut,
        exception: '',
        details: [],
        attributes: storeAttributes(below),
      });
      at += durationMs;
    }
  }
  return spans.map((span) => ({ ...span, startMs: span.startMs + (WRONG_CLOCKS[span.host] ?? 0) }));
}

/** Hosts whose clock goes ahead (or behind), milliseconds. */
export const WRONG_CLOCKS: Record<string, number> = { 'coast-3': 140 };

function storeAttributes({ component, kind, statement }: Call): Attribute[] {
  if (kind === 'outside') return [['server.address', component]];
  return [
    ['db.system.name', component === 'slot-cache' ? 'redis' : 'postgresql'],
    ['db.namespace', component],
    ...(statement === undefined ? [] : [['db.query.text', statement] satisfies Attribute]),
  ];
}

/** What the code of a service says when it fails. */
function failureDetails(failure: string, service: string): Attribute[] {
  const own = service.replace(/(^|-)(\w)/g, (_all, _dash, letter: string) => letter.toUpperCase());
  const [message, place] =
    failure === 'SurchargeNotFound'
      ? [
          'no surcharge for weight band 7 with promotion SPRING10',
          'parcels.labels.Surcharges.forBand(Surcharges.java:88)',
        ]
      : failure === 'LedgerUnavailable'
        ? ['the ledger took no entry: connection refused', 'parcels.payments.Ledger.book(Ledger.java:141)']
        : failure === CARD_TIMEOUT
          ? [
              'no answer from the card network within 30000 ms',
              'parcels.payments.CardNetwork.authorise(CardNetwork.java:73)',
            ]
          : ['no answer within 2000 ms', `parcels.${service}.${own}Client.call(${own}Client.java:57)`];
  const stack = [
    `parcels.${failure}: ${message}`,
    '\tat java.base/java.util.Optional.orElseThrow(Optional.java:403)',
    `\tat ${place}`,
    `\tat parcels.${service}.${own}Resource.handle(${own}Resource.java:34)`,
  ].join('\n');
  return [
    ['exception.message', message],
    ['exception.stacktrace', stack],
  ];
}
