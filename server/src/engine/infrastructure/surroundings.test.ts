import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { seededRandom } from '@toplens/core/stats';
import type { AttemptPageShape } from '../../contract/attempts';
import type { FieldShape, FlowPageShape, FlowTableShape, PathShape, RegionShape } from '../../contract/flows';
import type { IncidentShape, WorstFirstShape } from '../../contract/incidents';
import type { ComponentShape, HostsShape } from '../../contract/infrastructure';
import type { LogPatternsShape } from '../../contract/logs';
import { describedAnswer } from '../../fixtures/described-answer';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Five hours of a flow through a service and its store; in the last half hour a fifth of it fails, and its pool is
// full.
const END = floorTo(Date.now(), MINUTE_MS) - MINUTE_MS;
const ONSET = END - 30 * MINUTE_MS;
const BEGIN = END - 300 * MINUTE_MS;

let server: TestServer;
const resource = (service: string, host: string) => ({
  attributes: [text('service.name', service), text('service.namespace', 'Shop'), text('host.name', host)],
});

async function post(path: string, body: object, type = 'application/json'): Promise<void> {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: JSON.stringify(body),
  });
  expect([path, answer.status]).toEqual([path, 200]);
}

async function sendWorld(): Promise<void> {
  const random = seededRandom(4);
  const entries: object[] = [];
  const inner: object[] = [];
  const lines: object[] = [];
  let n = 0;
  for (let minuteMs = BEGIN; minuteMs < END; minuteMs += MINUTE_MS)
    for (let k = 0; k < 12; k++, n++) {
      const startMs = minuteMs + random() * (MINUTE_MS - 2_000);
      const failed = minuteMs >= ONSET && random() < 0.4;
      const span = (
        id: number,
        parent: number,
        { name, fromMs, toMs }: { name: string; fromMs: number; toMs: number },
      ) => ({
        traceId: hex(n, 32),
        spanId: hex(10 * n + id, 16),
        ...(parent >= 0 && { parentSpanId: hex(10 * n + parent, 16) }),
        name,
        kind: 2,
        startTimeUnixNano: nanos(startMs + fromMs),
        endTimeUnixNano: nanos(startMs + toMs),
        status: failed ? { code: 2 } : {},
      });
      const tookMs = 200 + 100 * random();
      entries.push({
        ...span(0, -1, { name: 'GET', fromMs: 0, toMs: tookMs }),
        attributes: [text('http.request.method', 'GET'), text('http.route', '/basket'), text('user.id', `p${n % 900}`)],
      });
      inner.push({
        ...span(1, 0, { name: 'GET /prices', fromMs: 20, toMs: tookMs - 20 }),
        ...(failed && { events: [{ name: 'exception', attributes: [text('exception.type', 'NoPrice')] }] }),
      });
      const line = (severityNumber: number, body: string) => ({
        timeUnixNano: nanos(startMs + tookMs - 30),
        severityNumber,
        body: { stringValue: body },
        traceId: hex(n, 32),
        spanId: hex(10 * n + 1, 16),
      });
      lines.push(line(9, `price of item ${n} found in ${Math.round(tookMs)} ms`));
      if (failed) lines.push(line(17, `no price for item ${n}: pool exhausted after ${Math.round(tookMs)} ms`));
    }
  lines.push({ timeUnixNano: nanos(ONSET - 20_000), severityNumber: 13, body: { stringValue: 'before' } });
  lines.push({
    timeUnixNano: nanos(ONSET + 90_000),
    severityNumber: 13,
    body: { stringValue: 'price list 7 reloaded by hand' },
  });
  await post('/v1/traces', {
    resourceSpans: [
      { resource: resource('shop-web', 'north-1'), scopeSpans: [{ spans: entries }] },
      { resource: resource('prices', 'mid-2'), scopeSpans: [{ spans: inner }] },
    ],
  });
  await post('/v1/logs', {
    resourceLogs: [{ resource: resource('prices', 'mid-2'), scopeLogs: [{ logRecords: lines }] }],
  });
  const minutes = Array.from({ length: (END - BEGIN) / MINUTE_MS }, (_, i) => BEGIN + (i + 1) * MINUTE_MS - 1_000);
  const dataPoints = (of: (atMs: number) => number, ...attributes: object[]) =>
    minutes.map((atMs) => ({ timeUnixNano: nanos(atMs), asDouble: of(atMs), attributes }));
  await post('/v1/metrics', {
    resourceMetrics: [
      {
        resource: resource('prices', 'mid-2'),
        scopeMetrics: [
          {
            metrics: [
              {
                name: 'system.cpu.utilization',
                gauge: { dataPoints: dataPoints(() => 0.7 + 0.02 * random(), text('cpu.mode', 'idle')) },
              },
              {
                name: 'db.client.connection.count',
                sum: {
                  aggregationTemporality: 2,
                  dataPoints: dataPoints(
                    (atMs) => (atMs >= ONSET ? 10 : 3),
                    text('db.client.connection.state', 'used'),
                  ),
                },
              },
              {
                name: 'db.client.connection.max',
                sum: { aggregationTemporality: 2, dataPoints: dataPoints(() => 10) },
              },
            ],
          },
        ],
      },
    ],
  });
  await post(
    '/v1/changes',
    [
      {
        specversion: '1.0',
        id: '1',
        source: '/line',
        type: 'toplens.change.setting',
        subject: 'prices',
        time: new Date(ONSET - 4 * MINUTE_MS).toISOString(),
        data: { title: 'pool 20 to 10', by: 'desk' },
      },
    ],
    'application/cloudevents-batch+json',
  );
  await server.intake.settled();
  await server.engine.ask('settle', null);
}

const get = <Shape>(path: string, schema: string) => describedAnswer<Shape>(server.url, path, schema);

let id: number;
beforeAll(async () => {
  server = await startTestServer();
  await sendWorld();
  const { rows } = await get<WorstFirstShape>('/api/worst-first?last=60', 'WorstFirst');
  expect(rows).toHaveLength(1);
  id = rows[0]?.id as number;
}, 120_000);
afterAll(() => server.remove());

test('what was changed on the way is told beside the likely origin', async () => {
  const { origin } = await get<IncidentShape>(`/api/incidents/${id}?last=60`, 'Incident');
  expect(origin?.candidates[0]?.component).toBe('prices');
  expect([...(origin?.candidates[0]?.reasons ?? []), ...(origin?.changes ?? [])].join()).toMatch(
    /setting of prices: pool 20 to 10, by desk, \d min before it began/,
  );
});

test('small lines show what was changed on the way of their flow, as its page does', async () => {
  const { rows } = await get<WorstFirstShape>('/api/worst-first?last=60', 'WorstFirst');
  expect(rows[0]?.marks).toEqual([{ atMs: ONSET - 4 * MINUTE_MS, words: 'setting of prices: pool 20 to 10, by desk' }]);
  const table = await get<FlowTableShape>('/api/flows?last=60', 'FlowTable');
  expect(table.rows.map(({ marks }) => marks)).toEqual([rows[0]?.marks]);
  const page = await get<FlowPageShape>(`/api/flows/${table.rows[0]?.id}?last=60`, 'FlowPage');
  expect(page.marks).toEqual(rows[0]?.marks);
});

test('hosts of the components on the way are ruled out or left over, with advice where something is full', async () => {
  const { lines, advice } = await get<HostsShape>(`/api/incidents/${id}/hosts`, 'Hosts');
  expect(lines.map(({ figure, isLeftOver }) => [figure, isLeftOver])).toEqual([
    ['pool', true],
    ['cpu', false],
  ]);
  expect(lines[0]?.words).toBe('connection pool, prices on mid-2: 30 % usually, 100 % now, nothing left');
  expect(lines[0]?.odd[0]?.points.length).toBeGreaterThan(120);
  expect(advice).toHaveLength(1);
});

test('its log lines are a few patterns, and lead to attempts', async () => {
  const { surging, rare, usual, linesNow } = await get<LogPatternsShape>(`/api/incidents/${id}/logs`, 'LogPatterns');
  expect(surging.map(({ text: pattern, isNew, severity }) => [pattern, isNew, severity])).toEqual([
    ['no price for item ‹…›: pool exhausted after ‹…› ms', true, 'error'],
  ]);
  expect(rare.map((one) => one.text)).toContain('price list ‹…› reloaded by hand');
  expect(usual.map((one) => one.text)).toContain('price of item ‹…› found in ‹…› ms');
  expect(linesNow).toBeGreaterThan(300);
  const sample = surging[0]?.samples[0];
  const page = await get<AttemptPageShape>(`/api/attempts/${sample?.traceId}/${sample?.spanId}`, 'AttemptPage');
  expect(page.lines.map(({ body }) => body)).toContain(sample?.body);
  const hosts = await get<HostsShape>(`/api/attempts/${sample?.traceId}/${sample?.spanId}/hosts`, 'Hosts');
  expect(hosts.lines.find(({ figure }) => figure === 'pool')?.isLeftOver).toBe(true);
});

test('the brief tells of hosts and logs, and stays short', async () => {
  const { markdown } = (await (await fetch(`${server.url}/api/incidents/${id}/brief?last=60`)).json()) as {
    markdown: string;
  };
  expect(markdown).toContain('connection pool, prices on mid-2: 30 % usually, 100 % now');
  expect(markdown).toContain('as usual: CPU');
  expect(markdown).toContain('no price for item ‹…›');
  expect(markdown.split('\n').length).toBeLessThan(50);
});

test('the field counts every attempt once, and its region lists the worst first', async () => {
  const { rows } = (await (await fetch(`${server.url}/api/flows?last=60`)).json()) as {
    rows: { id: number; attempts: number }[];
  };
  const flow = rows[0] as (typeof rows)[number];
  const field = await get<FieldShape>(`/api/flows/${flow.id}/field?last=60`, 'Field');
  const sum = (grid: number[][]) => grid.flat().reduce((all, n) => all + n, 0);
  expect(sum(field.counts)).toBe(flow.attempts);
  const whole = await get<RegionShape>(`/api/flows/${flow.id}/region?last=60`, 'Region');
  expect([whole.attempts, whole.bad]).toEqual([flow.attempts, sum(field.bad)]);
  expect(whole.samples).toHaveLength(60);
  expect(whole.samples[0]?.outcome).toBe('failed');
  const upper = await get<RegionShape>(`/api/flows/${flow.id}/region?last=60&longer=250`, 'Region');
  const lower = await get<RegionShape>(`/api/flows/${flow.id}/region?last=60&shorter=250`, 'Region');
  expect(upper.attempts + lower.attempts).toBe(flow.attempts);
  expect(upper.samples.every(({ durationMs }) => durationMs >= 250)).toBe(true);
});

test('the way through components, and a component with callers, hosts, flows, incidents and changes', async () => {
  const { rows } = (await (await fetch(`${server.url}/api/flows?last=60`)).json()) as { rows: { id: number }[] };
  const path = await get<PathShape>(`/api/flows/${rows[0]?.id}/path?last=60`, 'Path');
  expect(path.hops.map(({ from, to, shareOfTraces }) => [from, to, shareOfTraces])).toEqual([
    ['', 'shop-web', 1],
    ['shop-web', 'prices', 1],
  ]);
  expect(path.hops[1]?.failed).toBeGreaterThan(0);
  // Two components of our own, one calling the other at once: all of the time is own code, and it is what attempts
  // took.
  const own = path.layers.means.find(({ layer }) => layer === 'ownCode');
  const others = path.layers.means.filter((one) => one !== own);
  expect(others.flatMap(({ ms }) => ms).every((ms) => ms === 0)).toBe(true);
  path.layers.attempts.forEach(
    (n, step) => n > 0 && expect(own?.ms[step]).toBeGreaterThan(200) && expect(own?.ms[step]).toBeLessThan(300),
  );
  const page = await get<ComponentShape>('/api/components/prices?last=20', 'Component');
  expect(page.callers.map(({ from }) => from)).toEqual(['shop-web']);
  expect(page.callees).toEqual([]);
  expect(page.hosts).toEqual(['mid-2']);
  expect(page.figures.map(({ figure, hosts }) => [figure, hosts.map(({ verdict }) => verdict)])).toEqual([
    ['cpu', ['usual']],
    ['pool', ['full']],
  ]);
  // Judged by the hours before the trouble, not by the minutes in which it went on already.
  const last = await get<ComponentShape>('/api/components/prices?last=5', 'Component');
  expect(last.before.toMs).toBe(page.incidents[0]?.onsetMs);
  const pool = last.figures.find(({ figure }) => figure === 'pool')?.hosts[0];
  expect(pool?.verdict).toBe('full');
  expect(pool?.usual).toBeCloseTo(0.3, 1);
  expect(page.flows.map(({ level }) => level)).not.toContain('calm');
  expect(page.incidents.map((incident) => incident.id)).toEqual([id]);
  expect(page.changes.map(({ words }) => words)).toEqual(['setting of prices: pool 20 to 10, by desk']);
  expect(page.traces).toBe(200);
  expect(page.attempts).toBeGreaterThan(200);
});

test.each([
  ['/api/components/nobody', 404],
  ['/api/flows/99999/path', 404],
  ['/api/incidents/99999/hosts', 404],
  ['/api/incidents/x/logs', 404],
  ['/api/flows/99999/field', 404],
  ['/api/flows/1/region?longer=-3', 400],
  ['/api/attempts/nonsense/1/hosts', 400],
])('%s is refused in words', async (path, status) => {
  const answer = await fetch(`${server.url}${path}`);
  expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
    status,
    expect.stringMatching(/\w{4}/),
  ]);
});
