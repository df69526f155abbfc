import { fireEvent, render, screen } from '@testing-library/react';
import type { Schemas } from '@/data/client';
import { Components, DataNotes, heldWords, standingWords } from './attempt-head';
import { PlanReader } from './plan-reader';
import { heaviestRow, rowWords, shownRows, spanWords, type AttemptRow } from './rows';
import { SpanRow } from './span-row';
import { Failure, SpanSheet } from './span-sheet';

jest.mock('@/frame/door', () => ({
  Door: ({ children, testID }: { children: unknown; testID?: string }) => (
    <div data-testid={testID}>{children as never}</div>
  ),
}));
jest.mock('@/frame/sheet', () => ({
  Sheet: ({ title, children }: { title: string; children: unknown }) => (
    <div aria-label={title}>{children as never}</div>
  ),
}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
const mockBeside = {
  component: 'parcels-db',
  durationMs: 800,
  others: [{ statement: 'DELETE FROM old WHERE id = ?', calls: 2, overlapMs: 700, longestMs: 450 }],
};
jest.mock('@/data/attempts', () => ({ useBeside: () => ({ data: mockBeside }) }));

const row = (more: Partial<AttemptRow> = {}): AttemptRow => ({
  id: 'a',
  name: 'select',
  component: 'parcels-db',
  host: 'mid-2',
  peer: '',
  statement: '',
  failure: '',
  depth: 1,
  fromUs: 100_000,
  durationUs: 800_000,
  own: [100_000, 900_000],
  ownUs: 800_000,
  shareUs: 800_000,
  calls: 1,
  callsUs: 800_000,
  callsSumUs: 800_000,
  foldedInto: '',
  isMissing: false,
  runsOn: false,
  ...more,
});

test.each([
  [640, '0.64 ms'],
  [6_400, '6.4 ms'],
  [64_000, '64 ms'],
  [6_400_000, '6.40 s'],
  [64_000_000, '1.1 min'],
])('%i µs are read as %s', (us, words) => {
  expect(spanWords(us)).toBe(words);
});

test('calls folded away come into view when their row is opened', () => {
  const rows = [row(), row({ id: 'b', foldedInto: 'a' }), row({ id: 'c' })];
  expect(shownRows(rows, new Set()).map(({ id }) => id)).toEqual(['a', 'c']);
  expect(shownRows(rows, new Set(['a'])).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  expect(heaviestRow([row(), row({ id: 'z', shareUs: 900_000 })])?.id).toBe('z');
  expect(heaviestRow([])).toBeUndefined();
  expect(rowWords(row({ calls: 12 })).what).toBe('select ×12');
  expect(rowWords(row({ isMissing: true })).what).toBe('A span that never came');
});

test('a row says to everybody what it is, how long, which share, and whether it failed; pressing it hands it on', () => {
  const onPress = jest.fn();
  render(<SpanRow row={row({ failure: 'Timeout' })} wholeUs={1_000_000} width={300} isHeaviest onPress={onPress} />);
  fireEvent.click(screen.getByRole('button', { name: /select.*parcels-db · Timeout.*800 ms · 80 %/ }));
  expect(onPress).toHaveBeenCalledTimes(1);
});

test('the sheet tells own time, repeated calls, a wrong clock and the statement', () => {
  const onToggle = jest.fn();
  render(
    <SpanSheet
      traceId="0"
      row={row({ calls: 12, statement: 'SELECT ?', runsOn: true })}
      wholeUs={1_000_000}
      failure={undefined}
      clockUs={-140_000}
      isOpened={false}
      onToggle={onToggle}
      onClose={jest.fn()}
    />,
  );
  for (const words of [
    /12, 800 ms in all/,
    /mid-2; its clock was put right by 140 ms/,
    /on after its parent ended/,
    'SELECT ?',
    'What else ran on parcels-db then',
    '2 calls, 700 ms of it meanwhile; longest 450 ms',
  ])
    expect(screen.getByText(words)).toBeTruthy();
  fireEvent.click(screen.getByTestId('toggle-calls'));
  expect(onToggle).toHaveBeenCalledTimes(1);
});

test('a failure is named by type, message, class, method, file and line, as far as they are known', () => {
  const failure = {
    spanId: 'a',
    component: 'labels',
    type: 'NoSurcharge',
    message: 'no row',
    className: 'Surcharges',
    method: 'forBand',
    file: 'Surcharges.java',
    line: 88,
    stack: 'at …',
  };
  const { unmount } = render(<Failure failure={failure} />);
  expect(screen.getByText('NoSurcharge: no row')).toBeTruthy();
  expect(screen.getByTestId('failing-place').textContent).toBe('in labels, Surcharges.forBand (Surcharges.java:88)');
  unmount();
  render(
    <Failure
      failure={{ ...failure, type: '', message: '', className: '', method: '', file: '', line: 0, stack: '' }}
    />,
  );
  expect(screen.getByTestId('failing-place').textContent).toBe('in labels');
});

describe('where the time went', () => {
  const components = [
    { component: 'parcels-db', shareUs: 900_000, share: 0.9, spans: 1, failed: 0, usualUs: 40_000 },
    { component: 'web', shareUs: 100_000, share: 0.1, spans: 1, failed: 1, usualUs: 90_000 },
  ];
  const page = (more: object) =>
    ({
      components,
      usual: { traceId: 't', spanId: 's', atMs: 0, durationMs: 130 },
      clocks: [],
      missing: 0,
      rows: [row(), row()],
      ...more,
    }) as unknown as Schemas['AttemptPage'];

  test('the heaviest component is named with what it usually takes', () => {
    expect(heldWords(page({}))).toBe('parcels-db holds 90 % of the time, 900 ms; usually 40 ms.');
    expect(heldWords(page({ usual: null }))).toBe('parcels-db holds 90 % of the time, 900 ms.');
    expect(heldWords(page({ components: components.slice(0, 1) }))).toBeUndefined();
    render(<Components page={page({})} />);
    expect(screen.getByRole('table', { name: 'Where the time went' }).textContent).toContain('web · failed');
    expect(screen.getByTestId('usual-attempt').textContent).toContain('130 ms');
  });

  test('what is wrong with the data itself is said', () => {
    render(<DataNotes page={page({ clocks: [{ host: 'coast-3', offsetUs: -140_000 }], missing: 2, rows: [row()] })} />);
    for (const words of [/clock of coast-3 is 140 ms ahead/, /2 spans that others name/, /Only the first span/])
      expect(screen.getByText(words)).toBeTruthy();
  });
});

test('a plan that is pasted is read in words; one that cannot be read says what is missing and keeps the text', () => {
  render(<PlanReader />);
  fireEvent.click(screen.getByTestId('open-plan'));
  const type = (text: string) => fireEvent.change(screen.getByTestId('plan-text'), { target: { value: text } });
  type('Seq Scan on parcel');
  fireEvent.click(screen.getByTestId('read-plan'));
  expect(screen.getByRole('alert').textContent).toContain('run EXPLAIN (ANALYZE, FORMAT JSON)');
  expect(screen.getByTestId<HTMLTextAreaElement>('plan-text').value).toBe('Seq Scan on parcel');
  const scan = (table: string) => ({
    'Node Type': 'Seq Scan',
    'Relation Name': table,
    'Plan Rows': 10,
    'Total Cost': 5,
  });
  type(
    JSON.stringify([
      {
        Plan: {
          'Node Type': 'Nested Loop',
          'Plan Rows': 100,
          'Total Cost': 40,
          Plans: [scan('parcel'), scan('event')],
        },
      },
    ]),
  );
  fireEvent.click(screen.getByTestId('read-plan'));
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.getByTestId('plan-findings').textContent).toContain('parcel and event are joined without a condition');
  expect(screen.getByTestId('plan-findings').textContent).toContain('with ANALYZE, rows and times are compared too');
});

test.each([
  [
    { attempts: 12, wentWrong: 3, value: 240, valued: 2 },
    'In the 24 h before, this person made 12 attempts, 3 of them late, hung or failed; €240 completed.',
  ],
  [
    { attempts: 1, wentWrong: 0, value: 0, valued: 0 },
    'In the 24 h before, this person made 1 attempt, all on time; nothing of value completed.',
  ],
  [{ attempts: 0, wentWrong: 0, value: 0, valued: 0 }, 'No attempt of this person in the 24 h before this one.'],
])('how much the person matters, from %j', (told, words) => {
  const person = { sinceMs: null, window: { fromMs: 0, toMs: 2_000 }, currency: 'EUR', ...told };
  expect(standingWords(person)).toBe(words);
  expect(standingWords({ ...person, sinceMs: 1_000 })).toMatch(/^This person was first seen .*\. (In|No) /);
});
