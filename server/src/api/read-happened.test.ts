import type { CrashGroupShape } from '../contract/phones';
import type { ServiceLevelShape } from '../contract/promises';
import { ofCrashes, ofPromise } from './read-happened';

const HOUR_MS = 3_600_000;

test('a budget is spent in the hour that left nothing of it, once in its period', () => {
  const level = (left: number[]) =>
    ({
      name: 'Labels for partners',
      period: { fromMs: 0, toMs: 100 * HOUR_MS },
      line: { startMs: 2 * HOUR_MS, stepMs: HOUR_MS, left },
    }) as unknown as ServiceLevelShape;
  expect(ofPromise(level([0.8, 0.2, 0.1]))).toEqual([]);
  expect(ofPromise(level([0.8, 0.2, -0.1, 0.05, -0.3]))).toMatchObject([
    {
      id: 'promise-Labels for partners-0',
      atMs: 4 * HOUR_MS,
      title: 'The budget of “Labels for partners” is spent',
      path: '/promises/Labels%20for%20partners',
    },
  ]);
});

test('a crash that is new or came back is told; one that is known or gone is not', () => {
  const group = (state: CrashGroupShape['state'], place = 'Camera.take') =>
    ({ id: 'a1', state, place, type: 'java.lang.IllegalStateException', application: 'Round', firstMs: 5 }) as never;
  expect(ofCrashes(group('new'))).toMatchObject([
    { kind: 'crash', atMs: 5, title: 'New crash in Camera.take: IllegalStateException', path: '/crash-group/a1' },
  ]);
  expect(ofCrashes(group('back', ''))[0]?.title).toBe('A crash came back: IllegalStateException');
  expect([...ofCrashes(group('known')), ...ofCrashes(group('gone'))]).toEqual([]);
});
