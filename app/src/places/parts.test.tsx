import { fireEvent, render, screen } from '@testing-library/react';
import { BandChart } from '@/charts/band-chart';
import { SharedMoment } from '@/charts/moment';
import { OutcomeColumns } from '@/charts/outcome-columns';
import type { FlowPage, FlowRow, Incident, Row } from '@/data/client';
import { FocusSheet } from '@/frame/focus-sheet';
import { Bands } from './flow/bands';
import { Sides } from './flow/sides';
import { Statements } from './flow/statements';
import { COLUMNS } from './flows/columns';
import { beforeWords, FlowTableRows } from './flows/flow-table-rows';
import { LikelyOrigin, sharedWords } from './incident/likely-origin';
import { linesOf, mainFigure, rangeWords, WhoIsHitMost } from './incident/who-is-hit-most';
import { IncidentRow } from './worst-first/incident-row';

const mockSetView = jest.fn();
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ view: { last: 60, rankBy: 'harm' }, setView: mockSetView, go: jest.fn() }),
}));
jest.mock('@/frame/door', () => ({
  Door: ({ children, testID }: { children: unknown; testID?: string }) => (
    <div data-testid={testID}>{children as never}</div>
  ),
}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
jest.mock('@/data/client', () => ({}));
beforeEach(() => mockSetView.mockClear());

const series = { startMs: 0, stepMs: 300_000, values: [1, 2, 9], low: [0, 0, 0], high: [3, 3, 3], other: null };

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

const KNOWN = {
  applications: ['Sender Portal', 'Shipper Link'],
  teams: ['Payments'],
  flows: [{ id: 7, name: 'Pay', application: 'Sender Portal' }],
  dimensions: [{ dimension: 'site' as const, values: ['Ostrel', 'Dunsel'] }],
  remaining: { sessions: 121, attempts: 344 },
};

test('the focus narrows by any value, keeps what is narrowed already, and says what remains', () => {
  const onChange = jest.fn();
  render(
    <FocusSheet
      view={{ last: 60, rankBy: 'harm', application: 'Sender Portal' }}
      known={KNOWN}
      onChange={onChange}
      onClose={jest.fn()}
    />,
  );
  expect(screen.getByText('121 sessions with 344 attempts remain.')).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'Site' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Ostrel' }));
  expect(onChange).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', application: 'Sender Portal', site: 'Ostrel' });
  fireEvent.click(screen.getByRole('radio', { name: /^Application/ }));
  fireEvent.click(screen.getByRole('radio', { name: 'Any application' }));
  expect(onChange).toHaveBeenLastCalledWith({ last: 60, rankBy: 'harm' });
});

const segment = {
  dimension: 'promotion' as const,
  value: 'SPRING10',
  all: 80,
  bad: 70,
  people: 41,
  shareOfBad: 0.97,
  shareOfAll: 0.2,
  relativeRisk: 40,
  low: 21,
  high: 80,
  excess: 68,
  by: ['wentWrong' as const, 'left' as const],
  waited: { here: -40, elsewhere: 12, low: -90, high: 10 },
  left: { here: 0.18, elsewhere: 0.06, low: 0.08, high: 0.16 },
  words: 'promotion SPRING10: 97 % of what went wrong',
};
const incident = (mostHit: Partial<Incident['mostHit']>, signal: Incident['signal'] = 'failing') =>
  ({
    signal,
    remaining: null,
    mostHit: {
      segments: [],
      spared: [],
      ruledOut: [],
      measures: ['wentWrong', 'waited', 'left'],
      bad: 0,
      all: 0,
      ...mostHit,
    },
  }) as unknown as Incident;

test('of a value all that was measured is told, what it stands out by first, with no more digits than are known', () => {
  expect(linesOf(segment)).toEqual([
    { words: '97 % of what went wrong, 20 % of all · 41 people', standsOut: true },
    { words: '18 % more leave than usual, elsewhere 6 %', standsOut: true },
    { words: 'Waits no longer than usual, elsewhere 12 ms', standsOut: false },
  ]);
  expect(linesOf({ ...segment, by: ['left'], people: 1 }).map(({ words }) => words)[1]).toMatch(/· 1 person$/);
  expect(mainFigure(segment)).toEqual({ ratio: 40, words: '40×', range: '21× to 80×' });
  expect(mainFigure({ ...segment, by: ['left'] })).toEqual({ ratio: 3, words: '3.0× as often', range: '2.3× to 3.7×' });
  expect(mainFigure({ ...segment, by: ['waited'], waited: { here: 9, elsewhere: 0, low: 4, high: 14 } }).words).toBe(
    'nowhere else',
  );
  expect(rangeWords({ low: 31.2, high: 7883 })).toBe('at least 31×');
  expect(rangeWords({ low: 2.2, high: 6.1 })).toBe('2.2× to 6.1×');
});

test('who is hit narrows everything at a tap; nothing, and who never came, is said plainly', () => {
  const { rerender } = render(
    <WhoIsHitMost
      incident={incident({ segments: [segment], ruledOut: [{ dimension: 'site', why: 'noDifference', value: null }] })}
    />,
  );
  expect(
    screen.getByText('No difference by site: attempts go wrong, people wait and people leave alike.'),
  ).toBeTruthy();
  expect(screen.getByText('21× to 80×')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /SPRING10/ }));
  expect(mockSetView).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', promotion: 'SPRING10' });
  rerender(<WhoIsHitMost incident={incident({ segments: [{ ...segment, relativeRisk: null, high: null }] })} />);
  expect(screen.getByText('nowhere else')).toBeTruthy();
  rerender(<WhoIsHitMost incident={incident({})} />);
  expect(screen.getByText(/Nobody stands out/)).toBeTruthy();
  rerender(<WhoIsHitMost incident={incident({}, 'missing')} />);
  expect(screen.getByText(/cannot be told apart/)).toBeTruthy();
});

const side = (value: string, ridit: number, isOdd: boolean) => ({
  value,
  attempts: 100,
  badShare: 0.1,
  medianMs: 200,
  p95Ms: 400,
  ridit,
  riditError: 0.02,
  isOdd,
});

test('side by side opens with the dimension in which something is odd', () => {
  const page = {
    sides: [
      { dimension: 'site', sides: [side('Ostrel', 0.5, false)] },
      { dimension: 'host', sides: [side('north-1', 0.49, false), side('mid-2', 0.8, true)] },
    ],
  } as unknown as FlowPage;
  render(<Sides page={page} />);
  expect(screen.getByRole('radio', { name: /host !/ }).getAttribute('aria-checked')).toBe('true');
  expect(
    screen.getByRole('button', {
      name: /mid-2: 100 attempts, 10 % not on time, median 200 ms, slower than one of all in 80 % of pairs, stands out/,
    }),
  ).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'site' }));
  fireEvent.click(screen.getByRole('button', { name: /Ostrel/ }));
  expect(mockSetView).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', site: 'Ostrel' });
});

test('response bands are a table; without attempts there is none', () => {
  const bands = [
    { fromMs: 0, toMs: 600, attempts: 30 },
    { fromMs: 600, toMs: null, attempts: 10 },
  ];
  const { container, rerender } = render(<Bands page={{ bands } as unknown as FlowPage} />);
  expect(screen.getByRole('table', { name: 'Response bands' }).textContent).toContain('75 %');
  rerender(<Bands page={{ bands: [] } as unknown as FlowPage} />);
  expect(container.textContent).toBe('');
});

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

test('a row says rank, level, priority and a near tie, and offers to send', () => {
  const row = {
    id: 3,
    rank: 2,
    moved: 1,
    title: 'Pay fails',
    application: 'Sender Portal',
    flows: [],
    signal: 'failing',
    level: 'hurting',
    priority: 'P2',
    onsetMs: 0,
    endMs: 1,
    activeAtEnd: true,
    inTroubleNow: true,
    trend: 'growing',
    outcomes: { onTime: 9, late: 0, hung: 0, failed: 1 },
    missingAttempts: 0,
    harmPerHour: 1234.4,
    people: { estimate: 56.4 },
    money: 0.2,
    nearTie: true,
    spark: series,
    handoff: null,
    proposedTeam: 'Payments',
  } as unknown as Row;
  const onSend = jest.fn();
  render(<IncidentRow row={row} ranking="harm" currency="EUR" nowMs={60_000} isChosen={false} onSend={onSend} />);
  expect(screen.getByText('hurting · P2 · near tie')).toBeTruthy();
  expect(screen.getByText(/1,234/)).toBeTruthy();
  expect(screen.queryByText(/€/)).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Send to Payments: Pay fails' }));
  expect(onSend).toHaveBeenCalled();
});

test('who else depends on the likely origin is told, those in trouble by name', () => {
  const flow = (name: string, level: 'calm' | 'broken') => ({ id: 1, name, application: 'Shop', level });
  expect(sharedWords('db', [flow('Pay', 'broken'), flow('Look', 'calm'), flow('Find', 'calm')])).toBe(
    'db also serves Pay of Shop (broken), 2 that are calm.',
  );
  expect(sharedWords('db', [flow('Look', 'calm')])).toBe('db also serves 1 other flow, all calm.');
  expect(
    sharedWords(
      'db',
      Array.from({ length: 6 }, () => flow('Pay', 'broken')),
    ),
  ).toContain('2 more in trouble');
});

test('the likely origin shows its reasons, what was changed, the way down, and further candidates on request', () => {
  const rung = (component: string, depth: number, nowUs: number, onsetMs: number | null) => ({
    component,
    depth,
    usualUs: 40_000,
    nowUs,
    failing: 0,
    onsetMs,
    isSilent: false,
  });
  const origin = {
    candidates: [
      { component: 'parcels-db', score: 0.8, reasons: ['holds 95 % of the added time'], team: 'Data Stores' },
      { component: 'slots', score: 0.1, reasons: [], team: null },
    ],
    changes: ['slots 4.18.0 released 3 min before it began'],
    second: 'card-network',
    trust: 0.97,
    bad: 60,
    usual: 58,
    shared: [],
    rungs: [rung('web', 0, 41_000, null), rung('parcels-db', 2, 4_000_000, 60_000)],
  };
  render(
    <LikelyOrigin incident={{ ...incident({}), origin, onsetMs: 60_000, window: { fromMs: 0, toMs: 3_600_000 } }} />,
  );
  const words = screen.getByTestId('likely-origin').textContent;
  for (const wanted of [
    'parcels-db',
    'belongs to Data Stores',
    'was right in 97 %',
    'Changed on the way: slots 4.18.0',
    'At the same time card-network',
    '40 ms → 4.00 s',
    'as usual',
  ])
    expect(words).toContain(wanted);
  expect(words).not.toContain('little speaks for it');
  fireEvent.click(screen.getByRole('button', { name: /1 further candidate/ }));
  expect(screen.getByTestId('likely-origin').textContent).toContain('little speaks for it');
});

test('an outage says what usually serves it, what that did meanwhile, and what was changed there', () => {
  const outage = {
    words: ['Nothing reaches gateway, the first component on the way.'],
    path: [
      {
        component: 'gateway',
        depth: 0,
        usualPerMinute: 12.1,
        nowPerMinute: 0,
        state: 'silent' as const,
        silentHosts: [],
      },
      { component: 'db', depth: 2, usualPerMinute: 40, nowPerMinute: 38.2, state: 'usual' as const, silentHosts: [] },
    ],
    changes: ['gateway 4.18.0 released 6 min before it began'],
  };
  render(<LikelyOrigin incident={{ ...incident({}, 'missing'), origin: null, outage }} />);
  for (const words of [
    'Nothing reaches gateway',
    'silent: 0.0 a minute, usually 12.1',
    'as usual: 38.2',
    '6 min before',
  ])
    expect(screen.getByTestId('outage').textContent).toContain(words);
});

test('where no trace can tell, that is said', () => {
  const { rerender } = render(<LikelyOrigin incident={{ ...incident({}, 'slow'), origin: null, outage: null }} />);
  const words = () => screen.getByTestId('likely-origin').textContent;
  expect(words()).toContain('their traces cannot tell');
  const outage = { words: [], path: [], changes: [] };
  rerender(<LikelyOrigin incident={{ ...incident({}, 'missing'), origin: null, outage }} />);
  expect(words()).toContain('No trace of a usual attempt is kept');
});

test('statements say their part of the time, how often they are asked, and when that is too often', () => {
  const one = {
    statement: 'SELECT ?',
    component: 'parcels-db',
    calls: 500,
    callsAnAttempt: 5,
    shareOfAttempts: 0.4,
    shareOfTime: 0.62,
    totalMs: 9_000,
    longestMs: 880,
    failed: 2,
  };
  render(<Statements page={{ statements: { attempts: 100, statements: [one] } } as unknown as FlowPage} />);
  const words = screen.getByTestId('statements').textContent;
  for (const wanted of [
    'parcels-db',
    '62 % of the time',
    'SELECT ?',
    '5 calls an attempt, in 40 % of them · longest 880 ms · 2 failed',
    'Asked 5 times in each attempt',
  ])
    expect(words).toContain(wanted);
});
