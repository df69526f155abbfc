import type { PhoneVersionShape } from '../contract/phones';
import { stateOf } from './phone';

const versions = (...launches: number[]) =>
  launches.map((n, i) => ({ version: `v${launches.length - i}`, launches: n }) as PhoneVersionShape);

test.each([
  ['only the newest has it', [100, 100], { v2: 4 }, 'new'],
  ['the newest has none, where four were due', [100, 100], { v1: 4 }, 'gone'],
  ['the newest has none, where two were due', [50, 100], { v1: 4 }, 'known'],
  ['all have it', [100, 100, 100], { v3: 4, v2: 4, v1: 4 }, 'known'],
  ['the one between had none', [20, 100, 100], { v3: 1, v1: 4 }, 'back'],
  ['the one between had none, where two were due', [20, 50, 100], { v3: 1, v1: 4 }, 'known'],
  ['only one version is known', [100], { v1: 9 }, 'known'],
] as const)('%s', (_, launches, crashes, state) => {
  expect(stateOf(new Map(Object.entries(crashes)), versions(...launches))).toBe(state);
});
