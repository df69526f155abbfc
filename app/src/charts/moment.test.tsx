import { fireEvent, render, screen } from '@testing-library/react';
import { BandChart } from '@/charts/band-chart';
import { SharedMoment, spanning } from '@/charts/moment';
import { series } from '@/fixtures/series';

test('charts show one moment together: by arrow keys, and by the pointer until it leaves', () => {
  const chart = (name: string, values: number[]) => (
    <BandChart
      name={name}
      series={{ ...series, values }}
      format={(value) => `${value} ms`}
      window={{ fromMs: 0, toMs: 900_000 }}
      onsetMs={undefined}
    />
  );
  render(
    <SharedMoment>
      {chart('median', [1, 2, 9])}
      {chart('other', [4, 5, 6])}
    </SharedMoment>,
  );
  const shown = () =>
    ['median', 'other'].map((name) => screen.getByTestId(`at-${name}`).textContent.replace(/^.* {2}/, ''));
  const [first] = screen.getAllByRole('slider') as [HTMLElement];
  expect(shown()).toEqual(['9 ms', '6 ms']);
  fireEvent.keyDown(first, { key: 'ArrowLeft' });
  expect(shown()).toEqual(['2 ms', '5 ms']);
  expect(first.getAttribute('aria-valuetext')).toContain('2 ms, usually 0 ms to 3 ms');
  fireEvent.keyDown(first, { key: 'Home' });
  expect(shown()).toEqual(['1 ms', '4 ms']);
  fireEvent.mouseLeave(first);
  expect(shown()).toEqual(['9 ms', '6 ms']);
  fireEvent.mouseMove(first, { clientX: 0 });
  expect(shown()).toEqual(['1 ms', '4 ms']);
});

test('charts of a page stand over one time axis, each in its own part of it', () => {
  const chart = (name: string, startMs: number, values: number[]) => (
    <BandChart
      name={name}
      series={{ ...series, startMs, values }}
      format={(value) => `${value} ms`}
      window={{ fromMs: 0, toMs: 1_200_000 }}
      onsetMs={undefined}
    />
  );
  const { container } = render(
    <SharedMoment
      axis={spanning([
        { fromMs: 600_000, toMs: 1_200_000 },
        { fromMs: 0, toMs: 1_200_000 },
      ])}
    >
      {chart('all of it', 0, [1, 2, 9, 4, 5])}
      {chart('its second half', 600_000, [1, 2, 9])}
    </SharedMoment>,
  );
  const drawings = [...container.querySelectorAll('svg')].filter((svg) => Number(svg.getAttribute('width')) > 100);
  expect(drawings.map((svg) => Number(svg.getAttribute('width')))).toEqual([320, 160]);
  const placed = drawings.map((svg) => svg.closest<HTMLElement>('[style*="margin-left"]')?.style.marginLeft);
  expect(placed).toEqual(['0px', '160px']);
});
