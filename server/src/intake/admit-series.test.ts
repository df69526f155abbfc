import type { MetricPoint } from '@toplens/core/telemetry';
import type { Database } from '../store/database';
import { admitSeries } from './admit-series';
import { NameBook } from './name-book';

const database = { query: () => Promise.resolve([]) } as unknown as Database;
const limits = { series: 2, seriesBytes: 200 };

const point = (id: string): MetricPoint => ({
  series: {
    metric: 'queue.length',
    unit: '',
    kind: 'gauge',
    temporality: '',
    component: 'orders',
    host: 'h',
    instance: '',
    attributes: { id },
  },
  startUs: 0,
  atUs: 1,
  value: 1,
  distribution: undefined,
});

test('points of known series are always taken, those of new ones while there is room', async () => {
  const names = await NameBook.load(database);
  expect(admitSeries(['a', 'b', 'a'].map(point), names, limits).refused.size).toBe(0);
  const { admitted, refused } = admitSeries(['b', 'c', 'd', 'a'].map(point), names, limits);
  expect(admitted.map(({ series }) => series.attributes.id)).toEqual(['b', 'a']);
  expect([...refused]).toEqual([[expect.stringMatching(/^attributes: 2 series are kept/), 2]]);
});

test('a series whose attributes are longer than an index can hold is refused, however few characters they are', async () => {
  const names = await NameBook.load(database);
  const { admitted, refused } = admitSeries(
    [point('x'.repeat(300)), point('\u4e2d'.repeat(60)), point('short')],
    names,
    limits,
  );
  expect(admitted).toHaveLength(1);
  expect([...refused.values()]).toEqual([2]);
});
