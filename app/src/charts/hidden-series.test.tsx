import { fireEvent, render, screen } from '@testing-library/react';
import { BandChart } from '@/charts/band-chart';
import { SharedMoment } from '@/charts/moment';
import { OutcomeColumns } from '@/charts/outcome-columns';
import { series } from '@/fixtures/series';

test('a series of outcomes can be hidden, and says how many it holds', () => {
  render(
    <OutcomeColumns
      startMs={0}
      stepMs={60_000}
      counts={{ onTime: [90, 80], late: [3, 4], hung: [0, 0], failed: [1, 0] }}
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'Attempts over time: 170 on time, 7 late, 0 hung, 1 failed',
  );
  const late = screen.getByRole('switch', { name: /late/ });
  expect(late.getAttribute('aria-checked')).toBe('true');
  fireEvent.click(late);
  expect(late.getAttribute('aria-checked')).toBe('false');
});

test('a chart says its releases, what it is compared with, and shows its figures at a tap', () => {
  const format = (value: number) => `${value} ms`;
  render(
    <BandChart
      name="duration"
      series={{ ...series, other: [1, 1, 1] }}
      format={format}
      window={{ fromMs: 0, toMs: 900_000 }}
      onsetMs={300_000}
      marks={[{ atMs: 200_000, words: '4.18.0 released' }]}
      comparedWith="the day before"
    />,
  );
  expect(screen.getByRole('slider').getAttribute('aria-label')).toContain('4.18.0 released');
  expect(screen.getByText('Dashed: the day before.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Figures and files of duration' }));
  expect(screen.getByRole('table', { name: 'Figures of duration' }).textContent).toContain('9 ms');
});

test('columns open what they are made of: by a press, and by arrow keys and Enter', () => {
  const onOpen = jest.fn();
  render(
    <SharedMoment>
      <OutcomeColumns
        startMs={0}
        stepMs={60_000}
        counts={{ onTime: [90, 80, 70], late: [3, 4, 1], hung: [0, 0, 0], failed: [1, 0, 2] }}
        onOpen={onOpen}
      />
    </SharedMoment>,
  );
  const columns = screen.getByRole('application', { name: /^Attempts over time/ });
  fireEvent.click(columns, { clientX: 319 });
  fireEvent.keyDown(columns, { key: 'ArrowLeft' });
  fireEvent.keyDown(columns, { key: 'ArrowLeft' });
  fireEvent.keyDown(columns, { key: 'Enter' });
  expect(onOpen.mock.calls).toEqual([[2], [1]]);
});
