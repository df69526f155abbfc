import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { EstateShape } from '../../contract/infrastructure';
import type { ChangesShape } from '../../contract/incidents';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { send, steadyTraffic } from '../../fixtures/traffic';

// Thirty hours of one flow, of which the last three fail for the most part.
const HOURS = 30;
const FAILING_HOURS = 3;
const END = floorTo(Date.now(), MINUTE_MS);
const BEGIN = END - HOURS * HOUR_MS;

let server: TestServer;
const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;

beforeAll(async () => {
  server = await startTestServer({});
  await send(server.url, steadyTraffic(BEGIN, HOURS * 60, FAILING_HOURS * 60));
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 120_000);
afterAll(() => server.remove());

async function summedHours(least: number): Promise<number[]> {
  for (let tries = 0; tries < 200; tries++) {
    const rows = await server.database.query<{ attempts: number }>(
      'SELECT sum(attempts)::int AS attempts FROM part_hour GROUP BY hour_ms ORDER BY hour_ms',
    );
    if (rows.length >= least) return rows.map(({ attempts }) => attempts);
    await server.engine.ask('settle', null);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('hours were not summed');
}

test('hours are summed once they are over, and kept when spans are gone', async () => {
  const hours = await summedHours(HOURS - 4);
  const stored = await server.database.query<{ n: number }>(
    `SELECT count(*)::int AS n FROM attempt WHERE started_us >= ${(floorTo(BEGIN, HOUR_MS) + HOUR_MS) * 1000} GROUP BY started_us / 3600000000 ORDER BY started_us / 3600000000`,
  );
  expect(hours).toEqual(stored.map(({ n }) => n).slice(0, hours.length));
}, 60_000);

test('in its third hour a trouble is still told: the hour before is no measure, the day before is', async () => {
  await summedHours(HOURS - 4);
  const estate = await ask<EstateShape>('/estate?last=60');
  expect(estate.usual).toHaveLength(1);
  const [part] = estate.parts;
  expect(part).toMatchObject({ component: 'shop-web', level: 'broken', isUsualKnown: true, isSudden: false });
  expect(part?.changes.join()).toMatch(/failures (where there usually are none|as usual)|as many failures as usual/);
  expect(part?.usualPerMinute).toBeGreaterThan(8);
  expect(part?.usualPerMinute).toBeLessThan(16);
});

test('both lengths come from the time bar', async () => {
  const minutes = ({ fromMs, toMs }: { fromMs: number; toMs: number }) => (toMs - fromMs) / MINUTE_MS;
  for (const [last, lengths] of [
    [60, [5, 55]],
    [240, [20, 220]],
    [15, [2, 13]],
    [1440, [40, 440]],
  ] as const) {
    const estate = await ask<EstateShape>(`/estate?last=${last}`);
    expect([minutes(estate.window), minutes(estate.before)]).toEqual(lengths);
    const changes = await ask<ChangesShape>(`/changes?last=${last}`);
    expect([changes.window, changes.before]).toEqual([estate.window, estate.before]);
  }
  // Where the failing began it is sudden.
  const turn = END - FAILING_HOURS * HOUR_MS;
  const then = await ask<EstateShape>(
    `/estate?from=${new Date(turn - 55 * MINUTE_MS).toISOString()}&to=${new Date(turn + 5 * MINUTE_MS).toISOString()}`,
  );
  expect(then.parts[0]).toMatchObject({ level: 'broken', isSudden: true });
});
