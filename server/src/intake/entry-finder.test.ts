import type { SettingsShape } from '../contract/settings';
import { describedAnswer } from '../fixtures/described-answer';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { post } from '../fixtures/traffic';
import { entriesWith, FOUND_BY } from '../found-entries';
import { checkSettings } from '../settings/settings';
import { SettingsBook } from '../settings/settings-book';
import { EntryFinder, PARENT_WAIT_MS } from './entry-finder';

const hex = (n: number, length: number) => n.toString(16).padStart(length, '0');
type Seen = Parameters<EntryFinder['see']>[0];
const SERVER = 2;
const CLIENT = 3;

const span = (
  trace: number,
  id: number,
  parent: number,
  more: { service: string; kind?: number; isBrowser?: boolean; flow?: string },
): Seen =>
  ({
    traceId: hex(trace, 32),
    spanId: hex(id, 16),
    parentSpanId: parent === 0 ? '' : hex(parent, 16),
    kind: more.kind ?? SERVER,
    attributes: more.flow === undefined ? {} : { 'toplens.flow': more.flow },
    resource: { 'service.name': more.service, ...(more.isBrowser && { 'telemetry.sdk.language': 'webjs' }) },
  }) as Seen;

/** What is found when these spans come, one a second, and their parents had time to come. */
function verdictsOf(spans: readonly Seen[]) {
  let nowMs = 1_000_000;
  const finder = new EntryFinder(() => nowMs);
  for (const one of spans) {
    finder.see(one);
    nowMs += 1_000;
  }
  return finder.verdicts(nowMs + PARENT_WAIT_MS);
}

const many = (of: (trace: number) => Seen[], n = 10) => Array.from({ length: n }, (_, i) => of(i + 1)).flat();

test('what a device names a flow is an attempt already: the servers that it calls do not begin another', () => {
  const desk = (isFlow: boolean) =>
    verdictsOf(
      many(
        (trace) => [
          span(trace, 1, 0, { service: 'desk', kind: CLIENT, isBrowser: true, ...(isFlow && { flow: 'Receive' }) }),
          span(trace, 2, 1, { service: 'manifests' }),
        ],
        30,
      ),
    );
  expect(desk(false)).toEqual({ entries: ['manifests'], inner: [] });
  expect(desk(true)).toEqual({ entries: [], inner: ['manifests'] });
});

test('behind a gateway or a browser a service begins attempts; behind another service it does not', () => {
  const verdicts = verdictsOf(
    many(
      (trace) => [
        // The callee ends first: its span comes before its parent.
        span(trace, 3, 2, { service: 'stock' }),
        span(trace, 2, 1, { service: 'shop', kind: CLIENT }),
        span(trace, 1, 99, { service: 'shop' }),
        span(trace, 12, 11, { service: 'api' }),
        span(trace, 11, 0, { service: 'pages', kind: CLIENT, isBrowser: true }),
      ],
      25,
    ),
  );
  expect(verdicts).toEqual({ entries: ['api', 'shop'], inner: ['stock'] });
});

test('a few spans tell nothing, and a service that is called both ways stays as it is', () => {
  expect(verdictsOf(many((trace) => [span(trace, 1, 99, { service: 'shop' })], 4)).entries).toEqual([]);
  const both = many(
    (trace) => [
      span(trace, 2, trace % 2 === 0 ? 1 : 99, { service: 'shop' }),
      span(trace, 1, 0, { service: 'portal' }),
    ],
    20,
  );
  expect(verdictsOf(both)).toEqual({ entries: [], inner: [] });
});

test('of very many spans a sample is enough, and memory stays small', () => {
  const finder = new EntryFinder(() => 1_000_000);
  for (let trace = 1; trace <= 60_000; trace++) finder.see(span(trace, 1, 99, { service: 'shop' }));
  expect(finder.verdicts(1_000_000 + PARENT_WAIT_MS).entries).toEqual(['shop']);
});

describe('the setting', () => {
  const file = checkSettings({ entryServices: ['portal'] });
  const change = (id: number, who: string, value: string[] | null) => ({
    id,
    atMs: id,
    fromMs: id,
    who,
    key: 'entryServices',
    value,
    undoes: null,
  });

  test('takes what is found, and gives back what others turn out to call', () => {
    const book = new SettingsBook(file, []);
    expect(entriesWith(book, { entries: ['shop', 'portal'], inner: [] })).toEqual(['portal', 'shop']);
    expect(entriesWith(book, { entries: [], inner: ['stock'] })).toBeUndefined();
    const found = new SettingsBook(file, [change(1, FOUND_BY, ['portal', 'shop'])]);
    expect(entriesWith(found, { entries: [], inner: ['shop'] })).toEqual(['portal']);
    // The file is what people said.
    expect(entriesWith(found, { entries: [], inner: ['portal'] })).toBeUndefined();
  });

  test('what people said of a service holds', () => {
    const undone = new SettingsBook(file, [change(1, FOUND_BY, ['portal', 'shop']), change(2, 'Ada', ['portal'])]);
    expect(entriesWith(undone, { entries: ['shop'], inner: [] })).toBeUndefined();
    const added = new SettingsBook(file, [change(1, 'Ada', ['portal', 'shop'])]);
    expect(entriesWith(added, { entries: [], inner: ['shop'] })).toBeUndefined();
  });
});

describe('a service behind a gateway that tells nothing', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.remove());

  const send = (from: number) => {
    const nowNs = BigInt(Date.now()) * 1_000_000n;
    const spans = Array.from({ length: 10 }, (_, i) => ({
      traceId: hex(from + i, 32),
      spanId: hex(from + i, 16),
      parentSpanId: hex(0xabc, 16),
      name: 'GET',
      kind: SERVER,
      startTimeUnixNano: String(nowNs - 50_000_000n),
      endTimeUnixNano: String(nowNs),
      attributes: [
        { key: 'http.request.method', value: { stringValue: 'GET' } },
        { key: 'http.route', value: { stringValue: '/basket' } },
      ],
      status: {},
    }));
    const resource = { attributes: [{ key: 'service.name', value: { stringValue: 'basket' } }] };
    return post(server.url, JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans }] }] }), {
      'content-type': 'application/json',
    });
  };

  test('has its flows within a minute, and Settings says who found it', async () => {
    await send(1);
    await server.findEntries(Date.now() + PARENT_WAIT_MS + 1);
    await send(100);
    await server.intake.settled();
    await server.engine.ask('settle', null);
    const attempts = await server.database.query('SELECT flow FROM attempt');
    expect(attempts).toHaveLength(10);
    const { changes } = await describedAnswer<SettingsShape>(server.url, '/api/settings', 'Settings');
    expect(changes[0]).toMatchObject({ who: FOUND_BY, about: 'entry services', words: '1 entry: basket' });
  });
});
