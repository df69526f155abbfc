import { normalDeviate, seededRandom, type Random } from '@toplens/core/stats';
import type { OutSpan } from '../otlp/spans';
import type { WorldAttempt } from '../pellwick/simulate';
import { inside, type Troubles } from '../pellwick/troubles';
import { areaOf, outfitOf } from './outfit';

/** A page view as the snippet would tell it: attributes by name. */
export interface OutView {
  atMs: number;
  /** when it is told */
  toldMs: number;
  resource: Record<string, string>;
  attributes: Record<string, string | number>;
  error?: { id: string; atMs: number; attributes: Record<string, string> };
  /** a part of it did not come */
  isIncomplete: boolean;
}

/** What each step of a sender looks at; a route is drawn by the page that is there already. */
const PAGES: Readonly<Record<string, { path: string; kind: 'load' | 'route'; weight: number }>> = {
  rate: { path: '/send/quote', kind: 'load', weight: 1 },
  addresses: { path: '/send/addresses', kind: 'route', weight: 0.4 },
  slots: { path: '/send/pick-up', kind: 'load', weight: 1.3 },
  pay: { path: '/send/pay', kind: 'load', weight: 0.9 },
  label: { path: '/send/label', kind: 'load', weight: 0.8 },
  track: { path: '/track', kind: 'load', weight: 0.7 },
};

const FAR: Readonly<Record<string, number>> = { GB: 1, IE: 1.05, NL: 0.95, BE: 1, FR: 1.1, DE: 1 };
const ZONES: Readonly<Record<string, string>> = {
  GB: 'Europe/London',
  IE: 'Europe/Dublin',
  NL: 'Europe/Amsterdam',
  BE: 'Europe/Brussels',
  FR: 'Europe/Paris',
  DE: 'Europe/Berlin',
};

export const PORTAL_ORIGIN = 'https://portal.pellwick.example';
export const PORTAL_VERSION = '5.12.0';
const TILES = 6;
const TILES_HOST = 'https://tiles.map-tiles.example';
/** Of browsers that are too old for the script that draws the label. */
const LABEL_ERRORS = 0.35;

const around = (random: Random, median: number, spread: number) => median * Math.exp(spread * normalDeviate(random));
const hex = (random: Random) =>
  Array.from({ length: 2 }, () => (Math.floor(random() * 2 ** 32) | 1) >>> 0)
    .map((word) => word.toString(16).padStart(8, '0'))
    .join('');
const hexOf = (words: readonly number[]) => words.map((word) => (word >>> 0).toString(16).padStart(8, '0')).join('');
const round = (ms: number) => Math.round(ms * 10) / 10;

/**
 * The view on which a sender's attempt was made; `undefined` for what has no page. Durations are lognormal with long
 * tails, as loads in the field are; medians and shares are invented.
 */
export function viewOf(
  attempt: WorldAttempt,
  spans: readonly OutSpan[],
  troubles: Troubles,
  withResources: boolean,
): OutView | undefined {
  const page = PAGES[attempt.flow];
  const call = spans.at(-1);
  const { person } = attempt;
  if (!page || !person || !call?.device) return undefined;
  const { device, connection } = outfitOf(person.id);
  const random = seededRandom(attempt.number ^ 0x5eed);
  const far = (FAR[person.region] ?? 1) * connection.slowness;
  const heavy = device.slowness * page.weight;

  const reused = random() < 0.55;
  const lookup = reused ? 0 : around(random, 14 * far, 0.6);
  const connect = reused ? 0 : around(random, 18 * far, 0.4);
  const tls = reused ? 0 : around(random, 24 * far, 0.4);
  const cache = around(random, 3, 0.5);
  const waiting = around(random, 120 * far, 0.4);
  const transfer = around(random, 22 * far, 0.5);
  const dom = around(random, 190 * heavy, 0.4);
  const scripts = around(random, 110 * heavy, 0.5);
  const fetched = around(random, 320 * far * page.weight, 0.5);
  const handlers = around(random, 6 * device.slowness, 0.5);
  const domainLookupStart = cache;
  const domainLookupEnd = domainLookupStart + lookup;
  const secureConnectionStart = domainLookupEnd + connect;
  const connectEnd = secureConnectionStart + tls;
  const responseStart = connectEnd + waiting;
  const responseEnd = responseStart + transfer;
  const domInteractive = responseEnd + dom;
  const domContentLoadedEventEnd = domInteractive + scripts;
  const domComplete = domContentLoadedEventEnd + fetched;
  const loadEventEnd = domComplete + handlers;
  const fcp = responseEnd + dom * 0.6;
  const lcp = fcp + around(random, 380 * heavy * Math.sqrt(far), 0.5);
  const isLoad = page.kind === 'load';
  const readyMs = isLoad ? loadEventEnd : around(random, 90 * heavy, 0.4);
  const atMs = call.startMs - readyMs - 40;

  const resources: unknown[][] = [];
  let isIncomplete = false;
  if (isLoad)
    resources.push(
      [`${PORTAL_ORIGIN}/assets/portal.css`, 'link', round(responseEnd), round(fetched * 0.3), 18_200, 0],
      [`${PORTAL_ORIGIN}/assets/portal.min.js`, 'script', round(responseEnd), round(fetched * 0.5), 164_000, 0],
      [`${PORTAL_ORIGIN}/assets/signet.svg`, 'img', round(domInteractive), round(fetched * 0.2), 2_300, 0],
    );
  if (attempt.flow === 'slots')
    for (let tile = 0; tile < TILES; tile++) {
      const isHit = inside(troubles.emptyMaps, atMs) && person.region === troubles.emptyMaps?.region;
      const isGone = isHit && random() < (troubles.emptyMaps?.share ?? 0);
      isIncomplete ||= isGone;
      const took = isGone ? 0 : around(random, (isHit ? 3_500 : 70) * far, 0.4);
      resources.push([
        `${TILES_HOST}/12/${2046 + tile}/1361.png`,
        'img',
        round(loadEventEnd + 20 * tile),
        round(took),
        isGone ? 0 : 14_800,
        isGone ? 1 : 0,
      ]);
    }
  resources.push([
    `${PORTAL_ORIGIN}/api${call.name.replace(/^\w+ /, '').replace('{parcel}', `PW${attempt.number % 100_000}`)}`,
    'fetch',
    round(call.startMs - atMs),
    round(call.durationMs),
    0,
    attempt.failed ? 1 : 0,
    hexOf(call.traceId),
    hexOf(call.spanId),
  ]);

  const id = hex(random);
  const throws = attempt.flow === 'label' && device.isOld === true && random() < LABEL_ERRORS;
  const view: OutView = {
    atMs,
    isIncomplete,
    toldMs: call.startMs + call.durationMs + 3_000,
    resource: {
      'service.version': PORTAL_VERSION,
      'toplens.application': 'Sender Portal',
      'user_agent.original': device.userAgent,
      'toplens.connection': connection.type,
      'toplens.time_zone': ZONES[person.region] ?? '',
      'geo.region.iso_code': areaOf(person.id, person.region),
      'telemetry.sdk.language': 'webjs',
    },
    attributes: {
      'session.id': attempt.session,
      'user.id': person.id,
      'toplens.tier': person.tier,
      'toplens.view.id': id,
      'toplens.view.sequence': 1,
      'toplens.view.kind': page.kind,
      'url.path': page.path,
      'server.address': new URL(PORTAL_ORIGIN).host,
      'toplens.interactions': 1 + Math.floor(random() * 5),
      'toplens.errors': throws ? 1 : 0,
      'toplens.vital.inp': round(around(random, 75 * device.slowness, 0.6)),
      'toplens.resources': JSON.stringify(
        withResources ? resources : resources.filter(([, , , , , missing]) => missing === 1),
      ),
    },
  };
  if (isLoad)
    Object.assign(view.attributes, {
      'toplens.timing.domainLookupStart': round(domainLookupStart),
      'toplens.timing.domainLookupEnd': round(domainLookupEnd),
      'toplens.timing.connectStart': round(domainLookupEnd),
      'toplens.timing.secureConnectionStart': reused ? 0 : round(secureConnectionStart),
      'toplens.timing.connectEnd': round(connectEnd),
      'toplens.timing.requestStart': round(connectEnd),
      'toplens.timing.responseStart': round(responseStart),
      'toplens.timing.responseEnd': round(responseEnd),
      'toplens.timing.domInteractive': round(domInteractive),
      'toplens.timing.domContentLoadedEventEnd': round(domContentLoadedEventEnd),
      'toplens.timing.domComplete': round(domComplete),
      'toplens.timing.loadEventEnd': round(loadEventEnd),
      'toplens.vital.ttfb': round(responseStart),
      'toplens.vital.fcp': round(fcp),
      'toplens.vital.lcp': round(lcp),
      'toplens.vital.cls': Math.round(around(random, 0.02, 1) * 10_000) / 10_000,
    });
  if (throws) view.error = { id: hex(random), atMs: atMs + loadEventEnd, attributes: labelError(page.path) };
  return { ...view, attributes: { ...view.attributes, 'toplens.more_resources': 0 } };
}

/** What label.min.js throws for a parcel without a weight; places as in scenario/portal/label.min.js. */
function labelError(path: string): Record<string, string> {
  const at = (name: string, column: number) => `    at ${name} (${PORTAL_ORIGIN}/assets/label.min.js:1:${column})`;
  const message = "Cannot read properties of undefined (reading 'grams')";
  return {
    'toplens.page': path,
    'exception.type': 'TypeError',
    'exception.message': message,
    'exception.stacktrace': [
      `TypeError: ${message}`,
      at('n', 37),
      at('t', 95),
      at('o', 138),
      `    at ${PORTAL_ORIGIN}/assets/label.min.js:1:214`,
    ].join('\n'),
  };
}
