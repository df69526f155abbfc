import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { PromisePageShape } from '../../contract/promises';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Sixteen days of an attempt every half hour: at least one whole week (Monday to Sunday, UTC) lies in them.
const END = floorTo(Date.now(), HOUR_MS) - HOUR_MS;
const WEEK = { kind: 'week', zone: 'UTC' };
const promise = { name: 'Answered', application: 'Shop', indicator: 'answered', target: 0.99, period: WEEK };
const settings = { promises: [promise, { ...promise, name: 'Lately', period: { kind: 'rolling', days: 2 } }] };

let server: TestServer;
const send = async (starts: readonly number[], first: number) => {
  const spans = starts.map((startMs, n) => ({
    traceId: hex(first + n, 32),
    spanId: hex(first + n, 16),
    kind: 2,
    name: 'POST',
    startTimeUnixNano: nanos(startMs),
    endTimeUnixNano: nanos(startMs + 100),
    status: {},
    attributes: [text('http.request.method', 'POST'), text('http.route', '/labels')],
  }));
  const resource = { attributes: [text('service.name', 'shop'), text('service.namespace', 'Shop')] };
  const answer = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans }] }] }),
  });
  expect(answer.status).toBe(200);
  await server.intake.settled();
  await server.engine.ask('settle', null);
};
beforeAll(async () => {
  server = await startTestServer({}, settings);
  await send(
    Array.from({ length: 16 * 48 }, (_, n) => END - 16 * DAY_MS + n * 30 * MINUTE_MS),
    1,
  );
});
afterAll(() => server.remove());

const page = async (name: string) =>
  (await (await fetch(`${server.url}/api/promises/${name}`)).json()) as PromisePageShape;
const report = async (periodsBack: number) =>
  (await fetch(`${server.url}/api/promise-report?name=Answered&format=markdown&periodsBack=${periodsBack}`)).text();
const sealed = async () => {
  for (let tries = 0; tries < 100; tries++) {
    const [before] = (await page('Answered')).periods;
    if (before?.sealed) return before;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the week was not sealed');
};

test('a week that is over is sealed; what comes later shows as a correction, in words', async () => {
  const before = await sealed();
  expect([before.valid, before.good]).toEqual([7 * 48, 7 * 48]);
  expect(before.sealed).toMatchObject({ valid: 7 * 48, good: 7 * 48 });
  const then = await report(1);
  expect(then).toContain('**Result**: kept: 100 % of 99 %');
  expect(then).toMatch(/\*\*Sealed\*\*: .* UTC/);
  expect(then).toContain('**Correction**: none: counted again it is the same');

  await send([before.period.fromMs + 10 * HOUR_MS + 7 * MINUTE_MS], 100_000);
  const after = (await page('Answered')).periods[0];
  expect(after).toMatchObject({ valid: 7 * 48 + 1, sealed: { valid: 7 * 48, good: 7 * 48 } });
  const corrected = await report(1);
  expect(corrected).toContain('**Result**: kept: 100 % of 99 %');
  expect(corrected).toContain(
    '**Correction**: counted again it is 100 % of 337 attempts, sealed as 100 % of 336 attempts',
  );
});

test('a period that goes on, and one that never ends, are not sealed', async () => {
  expect(await report(0)).not.toContain('**Sealed**');
  expect((await page('Lately')).periods.map((one) => one.sealed)).toEqual([null, null, null]);
});
