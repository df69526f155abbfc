import { seededRandom } from '@toplens/core/stats';
import { Severity } from '@toplens/core/telemetry';
import type { PhoneEvent } from '../pellwick/round';
import { inside, type Troubles } from '../pellwick/troubles';
import type { OutLine } from './lines';
import { ofPerson, phoneOf } from './phones';
import { CLIENT, SERVER, words, type Attribute, type OutSpan } from './spans';

const API = 'api.round.pellwick.example';
const PHOTOS = 'photos.round.pellwick.example';

/** What each screen asks of a server: bytes are invented. */
const REQUESTS: Readonly<
  Record<string, { method: string; host: string; path: string; sent: number; received: number }>
> = {
  Stop: { method: 'GET', host: API, path: '/stops/{id}', sent: 0, received: 9_000 },
  Scan: { method: 'POST', host: API, path: '/scans', sent: 600, received: 1_200 },
  Photo: { method: 'PUT', host: PHOTOS, path: '/photos/{id}', sent: 640_000, received: 0 },
  Confirm: { method: 'POST', host: API, path: '/stops/{id}/done', sent: 900, received: 300 },
};

type Part = readonly [kind: string, x: number, y: number, width: number, height: number];
const HEAD: readonly Part[] = [['text', 16, 52, 220, 28]];
/** What the screens are made of, on a screen of 390 × 844 points. */
const SHAPES: Readonly<Record<string, readonly Part[]>> = {
  Stop: [
    ...HEAD,
    ['text', 16, 96, 358, 20],
    ['picture', 0, 130, 390, 320],
    ['list', 16, 470, 358, 240],
    ['button', 16, 740, 358, 56],
  ],
  Scan: [...HEAD, ['picture', 0, 100, 390, 440], ['field', 16, 560, 358, 52], ['button', 16, 740, 358, 56]],
  Photo: [...HEAD, ['picture', 0, 100, 390, 560], ['button', 155, 700, 80, 80]],
  Confirm: [
    ...HEAD,
    ['text', 16, 100, 358, 20],
    ['text', 16, 130, 300, 20],
    ['field', 16, 180, 358, 52],
    ['picture', 16, 260, 358, 200],
    ['button', 16, 740, 358, 56],
  ],
};
const TAPS: Readonly<Record<string, string>> = {
  Stop: 'I am there',
  Scan: 'Scan',
  Photo: 'Take photo',
  Confirm: 'Handed over',
};

/** So many drivers let their application tell how it is used, and what it takes of their phone. */
const TELLS = 0.4;

/** What phones tell beside launches, screens and crashes. Drawn from each event's own number. */
export function detailsOf(events: readonly PhoneEvent[], troubles: Troubles): { spans: OutSpan[]; lines: OutLine[] } {
  const details = events.map((event) => detailsOfEvent(event, troubles));
  return { spans: details.flatMap(({ spans }) => spans), lines: details.flatMap(({ lines }) => lines) };
}

function detailsOfEvent(event: PhoneEvent, troubles: Troubles): { spans: OutSpan[]; lines: OutLine[] } {
  const { what, atMs, durationMs, driver, version, number, trail } = event;
  const random = seededRandom(number ^ 0x5e55);
  const tells = seededRandom(Number(driver.id.slice(-3)) + 77)() < TELLS;
  const line = (eventName: string, atMs: number, attributes: Attribute[]): OutLine => ({
    ...phoneOf(event),
    atMs,
    severity: Severity.INFO,
    body: '',
    traceId: undefined,
    spanId: undefined,
    eventName,
    attributes: [...attributes, ...ofPerson(event)],
  });
  const usage = (atMs: number, cpu: number, megabytes: number) =>
    line('toplens.usage', atMs, [
      ['process.cpu.utilization', Math.round(1_000 * cpu * (0.8 + 0.4 * random())) / 1_000],
      ['process.memory.usage', Math.round(1e6 * megabytes * (0.95 + 0.1 * random()))],
    ]);
  if ('crash' in what) {
    // What crashes on taking a photo held every picture in memory.
    const taken = what.crash === 'photo' ? 610 : 240;
    return { spans: [], lines: tells ? [usage(atMs - 900, 0.75, taken * 0.8), usage(atMs - 100, 0.9, taken)] : [] };
  }
  if ('launch' in what)
    return {
      spans: [],
      lines: tells
        ? [
            line('device.app.lifecycle', atMs, [['android.app.state', 'foreground']]),
            usage(atMs + durationMs, 0.55, 160),
          ]
        : [],
    };
  const { screen } = what;
  const spans = requestSpans(event, screen, troubles, random());
  const failed = spans[0]?.error === true;
  const held = 170 + 18 * trail.length + (version === '7.3.0' && screen === 'Photo' ? 190 : 0);
  const lines = [
    line('toplens.screen.shape', atMs + durationMs * 0.6, [
      ['app.screen.name', screen],
      ['toplens.shape', JSON.stringify({ width: 390, height: 844, parts: SHAPES[screen] ?? [] })],
    ]),
    usage(atMs + durationMs, screen === 'Photo' ? 0.6 : 0.25, held),
    line('app.widget.click', atMs + durationMs + 4_000 * (0.5 + random()), [
      ['app.widget.id', screen.toLowerCase()],
      ['app.widget.name', TAPS[screen] ?? screen],
    ]),
    ...(screen === 'Confirm'
      ? [line('device.app.lifecycle', atMs + durationMs + 9_000, [['android.app.state', 'background']])]
      : []),
  ];
  const caught = line('exception', atMs + durationMs * 0.9, [
    ['exception.type', 'java.net.SocketTimeoutException'],
    ['exception.message', 'the picture was not sent: it is tried again later'],
  ]);
  return { spans, lines: [...(tells ? lines : []), ...(failed ? [caught] : [])] };
}

/** A request below its screen, and what the server did for it. */
function requestSpans(event: PhoneEvent, screen: string, troubles: Troubles, chance: number): OutSpan[] {
  const request = REQUESTS[screen];
  if (!request) return [];
  const { atMs, durationMs, driver, number } = event;
  const { failingUploads } = troubles;
  const failed =
    request.host === PHOTOS &&
    failingUploads !== undefined &&
    inside(failingUploads, atMs) &&
    driver.carrier === failingUploads.carrier &&
    chance < failingUploads.share;
  const traceId = [...words(number, 60), ...words(number, 61)];
  const spanId = words(number, 63);
  const base = { error: failed, details: [], traceId };
  const asked: OutSpan = {
    ...phoneOf(event),
    ...base,
    spanId,
    parentSpanId: words(number, 62),
    name: request.method,
    kind: CLIENT,
    startMs: atMs + durationMs * 0.15,
    durationMs: durationMs * 0.75,
    exception: failed ? 'java.net.SocketTimeoutException' : '',
    attributes: [
      ['http.request.method', request.method],
      ['server.address', request.host],
      ['url.template', request.path],
      ['http.request.body.size', request.sent],
      ...(failed
        ? []
        : ([
            ['http.response.status_code', 200],
            ['http.response.body.size', request.received],
          ] satisfies Attribute[])),
      ...ofPerson(event),
    ],
  };
  if (failed) return [asked];
  const answered: OutSpan = {
    ...base,
    service: 'rounds',
    host: number % 2 === 0 ? 'north-7' : 'mid-7',
    application: 'Round',
    version: '5.2.0',
    spanId: words(number, 64),
    parentSpanId: spanId,
    name: `${request.method} ${request.path}`,
    kind: SERVER,
    startMs: atMs + durationMs * 0.25,
    durationMs: durationMs * 0.5,
    exception: '',
    attributes: [
      ['http.request.method', request.method],
      ['http.route', request.path],
      ['http.response.status_code', 200],
    ],
  };
  return [asked, answered];
}
