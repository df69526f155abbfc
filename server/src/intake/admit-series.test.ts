import type { MetricPoint } from '@toplens/core/telemetry';
import { admitSeries } from './admit-series';
import { NameBook } from './name-book';

const point = (id: string): MetricPoint => ({
  series: { metric: 'queue.length', unit: '', kind: 'gauge', temporality: '', component: 'orders', host: 'h', instance: '', attributes: { id } },
  startUs: 0,
  atUs: 1,
  value: 1,
  distribution: undefined,
});

test('points of known series are always taken, those of new ones while there is room', () => {
  const names = new NameBook();
  expect(admitSeries(['a', 'b', 'a'].map(point), names, 2)).toMatchObject({ refused: 0 });
  const { admitted, refused, reason } = admitSeries(['b', 'c', 'd', 'a'].map(point), names, 2);
  expect(admitted.map(({ series }) => series.attributes.id)).toEqual(['b', 'a']);
  expect(refused).toBe(2);
  expect(reason).toMatch(/^attributes: 2 series are kept/);
});
