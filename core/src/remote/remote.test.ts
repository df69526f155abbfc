import { seededRandom } from '../stats';
import type { MetricPoint } from '../telemetry';
import { compareRemote, remoteSampleOf, remoteWords, type RemoteSession } from '.';

const sessions = (count: number, ms: number, activityFactor?: number, seed = 1): RemoteSession[] => {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => ({
    roundTripMs: ms * Math.exp(0.2 * (random() - 0.5)),
    activityFactor,
  }));
};

test.each([
  ['both longer', 90, 2.2, 'line'],
  ['the way alone', 90, 1.0, 'lineUnfelt'],
  ['the work alone', 30, 2.2, 'application'],
  ['neither', 30, 1.0, 'well'],
] as const)('%s', (_words, ms, factor, verdict) => {
  const told = compareRemote(sessions(20, ms, factor), sessions(40, 30, 1, 2));
  expect(told.verdict).toBe(verdict);
  expect(told.factor).toBeCloseTo(ms / 30, 0);
  expect(remoteWords(told, 'Brackwater')).not.toMatch(/NaN|undefined/);
});

test('a few sessions tell nothing, nor does a way that nobody knows from before', () => {
  expect(compareRemote(sessions(4, 90, 3), sessions(40, 30)).verdict).toBe('tooLittle');
  expect(compareRemote(sessions(20, 90, 3), []).verdict).toBe('tooLittle');
  expect(remoteWords(compareRemote([], []), 'Brackwater')).toBe('Too few sessions to tell: 0 sessions.');
});

test('a little longer beyond chance is still well', () => {
  expect(compareRemote(sessions(400, 36, 1), sessions(400, 30, 1, 2)).verdict).toBe('well');
});

test('the order of sessions changes nothing', () => {
  const [now, before] = [sessions(20, 90, 2), sessions(40, 30, 1, 2)];
  expect(compareRemote([...now].reverse(), [...before].reverse())).toEqual(compareRemote(now, before));
});

describe('a point', () => {
  const point = (unit: string, value: number, more: Record<string, string> = {}): MetricPoint => ({
    series: {
      metric: 'toplens.remote.round_trip',
      unit,
      kind: 'gauge',
      temporality: '',
      component: 'desk',
      host: 'pc-1',
      instance: '',
      attributes: { 'toplens.remote.session': 's-1', 'toplens.remote.server': 'farm-2', ...more },
    },
    startUs: 0,
    atUs: 1e15,
    value,
    distribution: undefined,
  });
  test.each([
    ['ms', 84, 84],
    ['s', 0.084, 84],
    ['us', 84_000, 84],
  ])('in %s', (unit, value, ms) => {
    expect(remoteSampleOf(point(unit, value))).toMatchObject({ roundTripMs: ms, client: 'pc-1', server: 'farm-2' });
  });
  test.each([
    [point('min', 1), 'unit'],
    [point('ms', -1), 'expected 0 or more'],
    [point('ms', 1, { 'toplens.remote.session': '' }), 'toplens.remote.session'],
  ])('is refused by name', (wrong, why) => expect(remoteSampleOf(wrong)).toContain(why));
  test('of a histogram the mean is told', () => {
    const distribution = { count: 4, sum: 200, min: null, max: null, bounds: [], counts: [4] };
    expect(remoteSampleOf({ ...point('ms', 0), distribution })).toMatchObject({ roundTripMs: 50 });
  });
});
