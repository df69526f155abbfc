import { HOUR_MS, MINUTE_MS } from '../time';
import { deadReplicas } from './dead-replicas';

const NOW = Date.UTC(2026, 2, 10, 12);
const part = (component: string, host: string, silentMs: number) => ({ component, host, lastMs: NOW - silentMs });

test('a host that fell silent is told while others of its component work', () => {
  const parts = [
    part('addresses', 'north-1', 3 * HOUR_MS),
    part('addresses', 'north-2', 1_000),
    part('addresses', 'mid-1', 14 * MINUTE_MS),
    part('prices', 'north-1', 2 * HOUR_MS),
  ];
  expect(deadReplicas(parts, NOW)).toEqual([{ ...part('addresses', 'north-1', 3 * HOUR_MS), alive: 2 }]);
});

test('one that was taken away a day ago, stores without a host, and the last host of all are no dead replicas', () => {
  expect(deadReplicas([part('a', 'x', 24 * HOUR_MS), part('a', 'y', 0)], NOW)).toEqual([]);
  expect(deadReplicas([part('a', '', HOUR_MS), part('a', 'y', 0)], NOW)).toEqual([]);
  expect(deadReplicas([part('a', 'x', HOUR_MS)], NOW)).toEqual([]);
  expect(deadReplicas([part('a', 'x', 15 * MINUTE_MS), part('a', 'y', 0)], NOW)).toHaveLength(1);
});
