import { fireEvent, render, screen } from '@testing-library/react';
import { scaleLinear } from 'd3-scale';
import { Text } from 'react-native';
import { chartSummary } from './band-chart';
import { bandShape, timeTicks, type BandSeries } from './band-shape';
import { HarmStrip, stripParts } from './harm-strip';
import CountryMap from './country-map';
import { curveWithGaps, HostCurves, valueWords } from './host-curves';
import { SharedMoment } from './moment';
import { Plot, valueTicks } from './plot';

const none = { onTime: 0, late: 0, hung: 0, failed: 0, missing: 0 };

test('the strip is always full, and what is small can still be seen', () => {
  const parts = stripParts({ ...none, onTime: 9_990, failed: 1 }, 300);
  expect(parts.map(({ outcome }) => outcome)).toEqual(['onTime', 'failed']);
  expect(parts.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(300, 6);
  expect(parts[1]?.width).toBeGreaterThan(1.9);
  expect(stripParts(none, 300)).toEqual([]);
});

test('the strip says in words what it shows', () => {
  render(<HarmStrip counts={{ ...none, onTime: 3, late: 1 }} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Of 4 attempts 3 on time, 1 late');
});

const series: BandSeries = {
  startMs: 0,
  stepMs: 300_000,
  values: [100, null, 300],
  low: [80, 80, 80],
  high: [120, 120, 120],
};

test('a gap stays a gap, and only what is outside the range is filled', () => {
  const shape = bandShape(series, 200, 100);
  expect(shape.line.match(/M/g)).toHaveLength(2);
  expect(shape.y(0)).toBe(100);
  expect(shape.x(600_000)).toBe(200);
  expect(shape.top).toBeCloseTo(324, 6);
});

test('a chart has a sentence for those who do not see it', () => {
  const format = (value: number) => `${value} ms`;
  expect(chartSummary({ name: 'duration', series, format })).toBe(
    'duration: from 100 ms to 300 ms, now 300 ms, usually 80 ms to 120 ms',
  );
  expect(chartSummary({ name: 'duration', series: { ...series, values: [null, null, null] }, format })).toBe(
    'duration: no data',
  );
});

test('time ticks are round and few', () => {
  const ticks = timeTicks(1_000, 3 * 3_600_000, 4);
  expect(ticks).toEqual([3_600_000, 7_200_000, 10_800_000]);
  expect(timeTicks(0, 400 * 86_400_000, 4).length).toBeGreaterThan(0);
});

test('where a host told nothing its curve has a gap; what is alone is a dot', () => {
  const at = (minute: number) => ({ atMs: minute * 60_000, x: minute, y: 5 });
  expect(curveWithGaps([0, 1, 2, 3].map(at))).toBe('M0.0,5.0L1.0,5.0L2.0,5.0L3.0,5.0');
  expect(curveWithGaps([0, 1, 5, 9, 10].map(at))).toBe('M0.0,5.0L1.0,5.0M5.0,5.0L5.0,5.0M9.0,5.0L10.0,5.0');
  expect(curveWithGaps([at(7)])).toBe('M7.0,5.0L7.0,5.0');
  expect(curveWithGaps([])).toBe('');
});

test('a value axis has few round values, each beside its line', () => {
  const y = scaleLinear([0, 1_340], [92, 0]);
  expect(valueTicks(y, 92)).toEqual([0, 500, 1_000]);
  render(
    <Plot
      name="Waiting"
      figures={() => ({ heads: ['At', 'ms'], rows: [['00:00', '40 ms']] })}
      y={y}
      height={92}
      format={(value) => `${value} ms`}
      fromMs={0}
      toMs={3_600_000}
    >
      {(width) => <Text>{`drawn ${width} wide`}</Text>}
    </Plot>,
  );
  for (const words of ['0 ms', '500 ms', '1000 ms', 'drawn 320 wide']) expect(screen.getByText(words)).toBeTruthy();
});

test('figures of hosts are told with a unit that fits', () => {
  const network = { figure: 'network' } as Parameters<typeof valueWords>[0];
  expect([0, 999, 1_000, 41_234, 3_200_000].map((value) => valueWords(network, value, false))).toEqual([
    '0 B/s',
    '1,000 B/s',
    '1 kB/s',
    '41 kB/s',
    '3.2 MB/s',
  ]);
  expect(valueWords(undefined, 0.923, true)).toBe('92 %');
});

const hostFigure = (host: string, value: number) =>
  ({
    figure: 'cpu',
    host,
    component: '',
    verdict: 'usual',
    points: [0, 60_000, 120_000].map((atMs) => ({ atMs, value })),
  }) as never;

test('curves of hosts are hidden and shown, and the axis is scaled anew', () => {
  render(
    <HostCurves
      name="CPU"
      figures={[hostFigure('north-1', 0.9), hostFigure('north-2', 0.2)]}
      window={{ fromMs: 0, toMs: 180_000 }}
    />,
  );
  expect(screen.queryByText('50 %')).not.toBeNull();
  const busy = screen.getByRole('switch', { name: 'north-1' });
  fireEvent.click(busy);
  expect(busy.getAttribute('aria-checked')).toBe('false');
  expect(screen.queryByText('50 %')).toBeNull();
  expect(screen.queryByText('10 %') ?? screen.queryByText('20 %')).not.toBeNull();
});

test('releases and changes of the page stand on every chart that shows their moment', () => {
  const { container } = render(
    <SharedMoment
      marks={[
        { atMs: 60_000, words: '4.18.0 released' },
        { atMs: 900_000, words: 'later' },
      ]}
    >
      <HostCurves name="CPU" figures={[hostFigure('north-1', 0.9)]} window={{ fromMs: 0, toMs: 180_000 }} />
    </SharedMoment>,
  );
  const marks = [...container.querySelectorAll<HTMLElement>('[style*="left: 106"]')];
  expect(marks).toHaveLength(1);
});

test('a circle of the map narrows to its country, by pointer and by keyboard', () => {
  const onChoose = jest.fn();
  render(
    <CountryMap
      places={[
        { code: 'IE', name: 'Ireland', views: 1200, ratio: 1.8 },
        { code: 'DE', name: 'Germany', views: 40, ratio: undefined },
      ]}
      toneWords="loads slower than elsewhere"
      onChoose={onChoose}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Ireland: 1,200 views, 1.8× as elsewhere. Filter' }));
  fireEvent.click(screen.getByRole('button', { name: 'Germany: 40 views. Filter' }));
  expect(onChoose.mock.calls).toEqual([['IE'], ['DE']]);
});
