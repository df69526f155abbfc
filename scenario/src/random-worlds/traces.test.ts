import { ORIGIN_KINDS, traceWorld, type TracedAttempt } from './traces';

const worlds = Array.from({ length: 3 * ORIGIN_KINDS.length }, (_, i) => traceWorld(1 + i));
const meanMs = (attempts: readonly TracedAttempt[]) =>
  attempts.reduce((sum, { durationMs }) => sum + durationMs, 0) / attempts.length;

test('a seed alone decides an application and its trouble', () => {
  expect(traceWorld(7)).toEqual(traceWorld(7));
  expect(traceWorld(8)).not.toEqual(traceWorld(7));
});

test('all kinds of origin come up, those of two with two of them, and each can be reached', () => {
  expect(new Set(worlds.map(({ kind }) => kind))).toEqual(new Set(ORIGIN_KINDS));
  for (const { kind, origins, before, during } of worlds) {
    expect(origins.length).toBeLessThanOrEqual(kind.startsWith('two') ? 2 : 1);
    expect(new Set(origins).size).toBe(origins.length);
    const named = new Set(
      [...before, ...during].flatMap(({ spans }) => spans.flatMap(({ component, peer }) => [component, peer])),
    );
    for (const origin of origins) expect(named).toContain(origin);
  }
});

test('each attempt begins with its root, of which all that is known hangs', () => {
  for (const { before } of worlds.slice(0, 10))
    for (const { spans, rootId, durationMs } of before.slice(0, 20)) {
      expect(spans.some(({ spanId }) => spanId === rootId)).toBe(true);
      expect(new Set(spans.map(({ spanId }) => spanId)).size).toBe(spans.length);
      expect(durationMs).toBeGreaterThan(0);
    }
});

test('what is slow gets slower from the onset on, what fails fails more often', () => {
  const slow = worlds.filter(({ signal }) => signal === 'slow');
  const slower = slow.filter(({ before, during }) => meanMs(during) > meanMs(before));
  expect(slower.length / slow.length).toBeGreaterThan(0.9);
  const failedShare = (attempts: readonly TracedAttempt[]) =>
    attempts.filter(({ failed }) => failed).length / attempts.length;
  const failing = worlds.filter(({ signal }) => signal === 'failing');
  expect(failing.length).toBeGreaterThan(3);
  for (const { before, during } of failing) expect(failedShare(during)).toBeGreaterThan(failedShare(before));
  // The onset is told as an engine would estimate it: up to one and a half minutes off.
  for (const { onsetMs, before, during } of worlds) {
    expect(Math.max(...before.map(({ atMs }) => atMs))).toBeLessThan(onsetMs + 90_000);
    expect(Math.min(...during.map(({ atMs }) => atMs))).toBeGreaterThanOrEqual(onsetMs - 90_000);
  }
});
