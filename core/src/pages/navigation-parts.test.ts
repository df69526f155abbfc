import fc from 'fast-check';
import { MARKS, navigationParts, PARTS, type Mark } from './navigation-parts';

const named = (parts: readonly number[] | undefined) =>
  Object.fromEntries((parts ?? []).map((ms, i): [string, number] => [PARTS[i] as string, ms]));

describe('parts of a load', () => {
  test('a load over a new connection with TLS, by hand', () => {
    const parts = navigationParts({
      domainLookupStart: 5,
      domainLookupEnd: 25,
      connectStart: 25,
      secureConnectionStart: 45,
      connectEnd: 85,
      requestStart: 86,
      responseStart: 206,
      responseEnd: 236,
      domInteractive: 536,
      domContentLoadedEventEnd: 586,
      domComplete: 986,
      loadEventEnd: 1000,
    });
    // TTFB by its published parts (web-vitals, src/attribution/onTTFB.ts): 5 + 20 + 60 + 121 = 206.
    expect(named(parts)).toEqual({
      redirect: 0,
      cache: 5,
      lookup: 20,
      connect: 20,
      tls: 40,
      waiting: 121,
      transfer: 30,
      dom: 300,
      scripts: 50,
      resources: 400,
      handlers: 14,
    });
  });

  test('a connection used again has no lookup, connect and TLS', () => {
    const parts = named(
      navigationParts({
        domainLookupStart: 2,
        domainLookupEnd: 2,
        connectStart: 2,
        secureConnectionStart: 0,
        connectEnd: 2,
        requestStart: 3,
        responseStart: 50,
        responseEnd: 60,
        domInteractive: 100,
        domContentLoadedEventEnd: 110,
        domComplete: 200,
        loadEventEnd: 201,
      }),
    );
    expect(parts).toMatchObject({ lookup: 0, connect: 0, tls: 0, waiting: 48 });
  });

  test('a load that was left before its end has no parts', () => {
    expect(navigationParts({ responseStart: 200, loadEventEnd: 0 })).toBeUndefined();
    expect(navigationParts({ responseStart: 200 })).toBeUndefined();
  });

  test('whatever a browser tells, no part is negative and they add up to the load', () => {
    const marks = fc.dictionary(fc.constantFrom<Mark>(...MARKS), fc.double({ min: -100, max: 60_000, noNaN: true }), {
      noNullPrototype: true,
    });
    fc.assert(
      fc.property(marks, fc.double({ min: 0.1, max: 60_000, noNaN: true }), (told, loadEventEnd) => {
        const parts = navigationParts({ ...told, loadEventEnd }) ?? [];
        expect(Math.min(...parts)).toBeGreaterThanOrEqual(0);
        expect(parts.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(loadEventEnd, 6);
      }),
    );
  });
});
