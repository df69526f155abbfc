import { fireEvent, render, screen } from '@testing-library/react';
import { chainWords, RecordsPart, recordWords } from './records-part';

const ONE = {
  id: 412,
  atMs: new Date(2026, 2, 2, 9, 14).getTime(),
  who: 'Dana',
  address: '10.0.0.7',
  what: 'Change of a setting',
  about: '/api/settings',
  detail: '{"key":"currency"}',
};
const mockMore = jest.fn();
const mockVerify = jest.fn();
const mockFound = jest.fn((_find: string) => ({
  data: { pages: [{ records: [ONE], next: 411 }] },
  error: null,
  hasNextPage: true,
  fetchNextPage: mockMore,
}));
jest.mock('@/data/records', () => ({
  useRecords: (find: string) => mockFound(find),
  useRecordChain: () => ({ mutate: mockVerify, data: undefined, error: null, isPending: false }),
  recordsFile: (find: string) => `/api/records.csv?find=${find}`,
}));
jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));

test('who did what, when and from where', () => {
  expect(recordWords(ONE)).toMatch(/^412 · .*09:14 · Dana · 10\.0\.0\.7 · \/api\/settings$/);
  expect(recordWords({ ...ONE, who: '', address: '' })).toContain('nobody was asked');
});

test('whether they are whole, and where not', () => {
  expect(chainWords({ records: 0, brokenAt: null, newest: '' })).toBe('There is none yet.');
  expect(chainWords({ records: 20, brokenAt: 17, newest: 'x' })).toContain('Record 17 does not follow');
  expect(chainWords({ records: 2, brokenAt: null, newest: '9f86d081884c7d659a2f' })).toMatch(
    /^2 records, each following .* 9f86d081884c7d65…/,
  );
});

test('they are looked through by a text, page after page, verified and taken along', () => {
  render(<RecordsPart />);
  fireEvent.click(screen.getByRole('button', { name: 'What was done' }));
  expect(screen.getByText('Change of a setting')).toBeTruthy();
  fireEvent.change(screen.getByTestId('records-find'), { target: { value: ' dana ' } });
  expect(mockFound).toHaveBeenLastCalledWith('dana');
  expect(screen.getByText('As CSV').closest('a')?.getAttribute('href')).toBe('/api/records.csv?find=dana');
  fireEvent.click(screen.getByTestId('records-more'));
  fireEvent.click(screen.getByTestId('records-chain'));
  expect([mockMore, mockVerify].map((mock) => mock.mock.calls.length)).toEqual([1, 1]);
});
