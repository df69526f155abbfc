import { PARTS } from '@toplens/core/pages';
import { fireEvent, render, screen, within } from '@testing-library/react';
import type { PageLoads } from './page-words';
import { PartColumns } from './part-columns';

const MINUTE = 60_000;
/** Part i took i + 1 ms in the first step, and ten times that in the second. */
const parts = PARTS.map((_, i) => i + 1);
const pagesOf = (loads: number): PageLoads =>
  ({
    all: { loads, parts },
    trend: { startMs: 0, stepMs: MINUTE, parts: parts.map((ms) => [ms, ms * 10]) },
  }) as unknown as PageLoads;

test('all eleven parts are drawn over time, each with its own figures', () => {
  render(<PartColumns pages={pagesOf(3)} />);
  const legend = screen.getAllByRole('switch').map((one) => one.textContent);
  expect(legend).toHaveLength(11);
  expect(legend[0]).toBe('redirect 1 ms');
  expect(legend.at(-1)).toBe('handlers of its load 11 ms');
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain('waiting for the server 6 ms');
  fireEvent.click(screen.getByRole('button', { name: 'Figures and files of A load in its parts' }));
  const [, first, second] = within(screen.getByRole('table')).getAllByRole('row');
  expect(first?.textContent).toContain('6 ms');
  expect(second?.textContent).toContain('110 ms');
});

test('a part is hidden by its name in the legend, and comes back', () => {
  render(<PartColumns pages={pagesOf(3)} />);
  const waiting = screen.getByRole('switch', { name: /waiting/ });
  for (const state of ['false', 'true']) {
    fireEvent.click(waiting);
    expect(waiting.getAttribute('aria-checked')).toBe(state);
  }
});

test('without loads nothing is drawn', () => {
  const { container } = render(<PartColumns pages={pagesOf(0)} />);
  expect(container.textContent).toBe('');
});
