import { fireEvent, render, screen } from '@testing-library/react';
import { RefusedPart } from './refused-part';
import { ServerPart } from './server-part';

jest.mock('@/look/icon', () => ({ Icon: () => null }));
const mockSent: string[] = [];
const mockAnswers: { state: unknown; refused: unknown } = { state: undefined, refused: undefined };
jest.mock('@/data/server', () => ({
  useServerState: () => ({ data: mockAnswers.state, error: null }),
  useRefusedRecords: () => ({ data: mockAnswers.refused, error: null }),
  useSendRefusedAgain: () => ({ mutate: (id: number) => mockSent.push(`again ${id}`), error: null, isPending: false }),
  useDropRefused: () => ({ mutate: (id: number) => mockSent.push(`drop ${id}`), error: null, isPending: false }),
}));

const well = { state: 'ok', sinceMs: 0, words: '' };
const parts = { intake: well, journal: well, database: well, engine: well, search: well, disk: well, backup: well };

test('each part says how it is, and since when it is not well', () => {
  mockAnswers.state = {
    nowMs: 0,
    version: '0.1.0',
    parts: { ...parts, backup: { state: 'degraded', sinceMs: 0, words: 'The last backup failed.' } },
    clocks: [],
    currencies: [],
    gatheredNames: [{ kind: 'page', names: 3 }],
  };
  render(<ServerPart />);
  expect(screen.getAllByRole('listitem')).toHaveLength(7);
  expect(screen.getAllByText('works')).toHaveLength(6);
  expect(screen.getByText(/^needs a look since/)).toBeTruthy();
  expect(screen.getByText('The last backup failed.')).toBeTruthy();
  expect(screen.getByText(/put under “other” among pages/)).toBeTruthy();
});

test('refused records are looked at, sent again and dropped; without any there is nothing to see', () => {
  mockAnswers.refused = { total: 0, records: [], more: false };
  const { rerender, container } = render(<RefusedPart />);
  expect(container.textContent).toBe('');
  mockAnswers.refused = {
    total: 1,
    more: false,
    records: [{ id: 7, atMs: 0, kind: 'lines', sqlstate: '54000', reason: 'too long', record: '{"body":"poison"}' }],
  };
  rerender(<RefusedPart />);
  expect(screen.getByText(/^The database refused one record\./)).toBeTruthy();
  expect(screen.getByText('too long (SQLSTATE 54000)')).toBeTruthy();
  expect(screen.queryByText('{"body":"poison"}')).toBeNull();
  fireEvent.click(screen.getByText('Show'));
  expect(screen.getByText('{"body":"poison"}')).toBeTruthy();
  fireEvent.click(screen.getByText('Send again'));
  fireEvent.click(screen.getByText('Drop'));
  expect(mockSent).toEqual(['again 7', 'drop 7']);
});
