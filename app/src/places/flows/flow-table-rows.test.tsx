import { fireEvent, render, screen } from '@testing-library/react';
import type { FlowRow } from '@/data/client';
import { COLUMNS } from './columns';
import { beforeWords, FlowTableRows } from './flow-table-rows';
import { series } from '@/fixtures/series';

const flowRow = {
  id: 7,
  name: 'Pay',
  application: 'Sender Portal',
  level: 'noData',
  attempts: 0,
  perMinute: 0,
  meanMs: null,
  medianMs: null,
  p95Ms: null,
  maxMs: null,
  failedShare: null,
  apdex: null,
  apdexWords: null,
  hurt: null,
  people: null,
  shareOfTime: null,
  before: null,
  spark: series,
  marks: [{ atMs: series.startMs, words: 'slots 3.2 released' }],
} as unknown as FlowRow;

test('a flow without data shows no figures, never zeroes; every head sorts', () => {
  const onSort = jest.fn();
  const table = {
    name: 'flows',
    columns: COLUMNS,
    column: COLUMNS[2] as (typeof COLUMNS)[number],
    isDescending: true,
    rows: [flowRow],
    few: new Set<FlowRow>(),
    fewest: 30,
    sortBy: onSort,
    setFewest: jest.fn(),
  };
  render(<FlowTableRows table={table} />);
  const cells = screen.getAllByRole('cell').map((cell) => cell.textContent);
  expect(cells[1]).toBe('no data');
  expect(cells.slice(4, 13)).toEqual(new Array(9).fill('–'));
  expect(screen.getByRole('columnheader', { name: /Attempts/ }).getAttribute('aria-sort')).toBe('descending');
  fireEvent.click(screen.getByRole('button', { name: /95th/ }));
  expect(onSort).toHaveBeenCalledWith('p95Ms');
  expect(beforeWords({ before: { attempts: 12, medianMs: null, failedShare: 0.5 } }, 'failedShare')).toBe('50 %');
});
