import fc from 'fast-check';
import { rankOrigins, type ObservedAttempt } from '../incidents';
import { MINUTE_MS } from '../time';
import { PARTS } from './navigation-parts';
import { answerSpanOf, spansOfLoad, type Load } from './spans-of-load';

const parts = (more: Partial<Record<(typeof PARTS)[number], number>> = {}) =>
  PARTS.map(
    (part) =>
      (({ waiting: 100, transfer: 20, dom: 200, scripts: 80, resources: 400, ...more }) as Record<string, number>)[
        part
      ] ?? 0,
  );
const resource = (url: string, startMs: number, durationMs: number, missing = false) => ({
  url,
  startMs,
  durationMs,
  missing,
  traceId: '',
});
const load = (more: Partial<Load> = {}): Load => ({
  id: 'a1',
  atUs: 5_000_000,
  component: 'shop-pages',
  host: 'shop.example',
  parts: parts(),
  resources: [resource('/app.js', 130, 90), resource('https://tiles.example/1.png', 150, 300)],
  ...more,
});

test('the browser holds the load; whoever was called holds the call', () => {
  const [root, answer, own, tile] = spansOfLoad(load());
  expect(root).toMatchObject({
    spanId: 'a1',
    parentSpanId: '',
    component: 'shop-pages',
    startUs: 5_000_000,
    durationUs: 800_000,
    isUserSide: true,
    failed: false,
  });
  expect(answer).toMatchObject({
    spanId: answerSpanOf('a1'),
    parentSpanId: 'a1',
    peer: 'shop.example',
    startUs: 5_000_000,
    durationUs: 120_000,
  });
  expect(own).toMatchObject({ peer: 'shop.example', startUs: 5_130_000, durationUs: 90_000 });
  expect(tile).toMatchObject({ peer: 'tiles.example', startUs: 5_150_000, durationUs: 300_000, failed: false });
});

test('background calls are left out; what fails makes the load fail', () => {
  const call = { ...resource('https://api.example/pay', 10, 10, true), traceId: '4bf92f3577b34da6a3ce929d0e0e4736' };
  expect(spansOfLoad(load({ resources: [call] })).map(({ failed }) => failed)).toEqual([false, false]);
  expect(
    spansOfLoad(load({ resources: [resource('https://tiles.example/1.png', 10, 0, true)] })).map(
      ({ failed }) => failed,
    ),
  ).toEqual([true, false, true]);
});

test('every span lies within the load, whatever a browser tells', () => {
  const ms = fc.double({ min: 0, max: 5_000, noNaN: true });
  fc.assert(
    fc.property(fc.array(fc.tuple(ms, ms)), (told) => {
      const [root, ...calls] = spansOfLoad(
        load({ resources: told.map(([startMs, durationMs]) => resource('/x.js', startMs, durationMs)) }),
      );
      for (const { startUs, durationUs } of calls) {
        expect(durationUs).toBeGreaterThanOrEqual(0);
        expect(startUs).toBeGreaterThanOrEqual(5_000_000);
        expect(startUs + durationUs).toBeLessThanOrEqual(5_000_000 + (root?.durationUs ?? 0) + 1);
      }
    }),
  );
});

describe('the origin of trouble with a page is found as that of any attempt', () => {
  const observed = (n: number, isBad: boolean, of: Load): ObservedAttempt => ({
    atMs: (isBad ? 180 : 0) * MINUTE_MS + n * MINUTE_MS,
    rootId: `${isBad}${n}`,
    isBad,
    spans: spansOfLoad({ ...of, id: `${isBad}${n}`, atUs: ((isBad ? 180 : 0) + n) * MINUTE_MS * 1000 }),
  });
  const around = (bad: Load) =>
    [...Array(60).keys()].flatMap((n) => [observed(n, false, load()), observed(n, true, bad)]);

  test('pictures that do not come are owed by their host', () => {
    const bad = load({
      resources: [resource('/app.js', 130, 90), resource('https://tiles.example/1.png', 150, 0, true)],
    });
    expect(rankOrigins(around(bad), 'failing', 180 * MINUTE_MS, []).candidates[0]?.component).toBe('tiles.example');
  });

  test('a page whose first byte is late is slow by its own host', () => {
    const bad = load({ parts: parts({ waiting: 2_000 }), resources: [resource('/app.js', 2_030, 90)] });
    expect(rankOrigins(around(bad), 'slow', 180 * MINUTE_MS, []).candidates[0]?.component).toBe('shop.example');
  });
});
