import { act, fireEvent, render, screen } from '@testing-library/react';
import type { Row, WorstFirst } from '@/data/client';
import { WorstFirstList } from './worst-first-list';

const NOW = Date.UTC(2026, 2, 10, 10);
const mockAnswer = { data: undefined as WorstFirst | undefined, error: null as Error | null, refetch: jest.fn() };
const mockChanges = jest.fn((isShown: boolean) => ({
  data: isShown ? { changes: [] as object[] } : undefined,
  error: null,
}));
const mockSetView = jest.fn();
const mockGo = jest.fn();
const mockView = { last: 60, rankBy: 'harm', from: undefined as number | undefined };
const mockWarnings = {
  warnings: [
    {
      kind: 'replica',
      flow: null,
      component: 'addresses',
      host: 'north-2',
      team: 'Portal',
      sinceMs: 0,
      title: 'Silent for 3 h: addresses on north-2',
      mayBecome: 'One host carries all of it now.',
      probe: null,
    },
    {
      kind: 'probe',
      flow: null,
      component: '',
      host: '',
      team: 'Sites & Network',
      sinceMs: 0,
      title: 'Probe Desk sign-in, from North: broken at Sign in',
      mayBecome: 'The probe alone sees it.',
      probe: { name: 'Desk sign-in', site: 'North' },
    },
  ],
};
jest.mock('@/data/infrastructure', () => ({ useEarlyWarnings: () => ({ data: mockWarnings }) }));
jest.mock('@/data/incidents', () => ({
  useWorstFirst: () => mockAnswer,
  useChanges: (_view: unknown, isShown: boolean) => mockChanges(isShown),
}));
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ view: mockView, setView: mockSetView, go: mockGo }),
}));
jest.mock('@/frame/door', () => ({
  Door: ({ children, path, testID }: { children: unknown; path: string; testID?: string }) => (
    <a href={path} data-testid={testID}>
      {children as never}
    </a>
  ),
}));
jest.mock('@/frame/time-bar', () => ({ TimeBar: () => null }));
const mockForward = jest.fn<void, [number]>();
const mockAside = jest.fn<void, [number]>();
jest.mock('./row-actions', () => ({
  useRowActions: ({ window }: { window: object | undefined }) => ({
    forward: ({ id }: { id: number }) => ({ words: 'Accept', act: () => mockForward(id) }),
    aside: ({ id }: { id: number }) => window && { words: 'Set aside', act: () => mockAside(id) },
    waiting: undefined,
    error: null,
  }),
}));
jest.mock('./since-looked', () => ({ SinceLooked: () => null }));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
jest.mock('../incident/send-sheet', () => ({
  SendSheet: ({ incidentId }: { incidentId: number }) => <p>{`sheet for ${incidentId}`}</p>,
}));

const row = (id: number, rank: number, more: Partial<Row> = {}): Row =>
  ({
    id,
    rank,
    moved: 0,
    title: `Trouble ${id}`,
    application: 'Sender Portal',
    flows: [],
    signal: 'failing',
    level: 'hurting',
    priority: 'P2',
    onsetMs: NOW - 600_000,
    endMs: NOW,
    activeAtEnd: true,
    inTroubleNow: true,
    trend: 'steady',
    outcomes: { onTime: 9, late: 0, hung: 0, failed: 1 },
    missingAttempts: 0,
    harmPerHour: 100,
    weight: 100,
    people: { estimate: 5, low: 4, high: 6 },
    money: 0,
    nearTie: false,
    spark: { startMs: 0, stepMs: 1, values: [1], low: [], high: [], other: null },
    handoff: null,
    handoffThen: null,
    ...more,
  }) as unknown as Row;
const list = (more: Partial<WorstFirst> = {}): WorstFirst =>
  ({
    headline: '2 troubles hurt 10 people.',
    detail: '',
    rows: [row(11, 1), row(12, 2)],
    setAside: [],
    earlyWarnings: [],
    compared: null,
    currency: 'EUR',
    hasPromises: false,
    lastEndedMs: null,
    window: { fromMs: NOW - 3_600_000, toMs: NOW },
    freshness: { judgedMs: NOW, watermarkMs: NOW, silent: [], earlier: null },
    ...more,
  }) as unknown as WorstFirst;

beforeEach(() => {
  jest.useFakeTimers({ now: NOW });
  jest.clearAllMocks();
  Object.assign(mockAnswer, { data: list(), error: null });
  mockView.from = undefined;
});
afterEach(() => jest.useRealTimers());
const press = (key: string) => fireEvent.keyDown(document.activeElement ?? document.body, { key });

describe('what is said first', () => {
  test('is the sentence, also in the title of the tab', () => {
    render(<WorstFirstList />);
    expect(screen.getByTestId('headline').textContent).toBe('2 troubles hurt 10 people.');
    expect(document.title).toBe('2 troubles hurt 10 people. · Top Lens');
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
  });

  test('while it is asked for, nothing is claimed', () => {
    mockAnswer.data = undefined;
    render(<WorstFirstList />);
    expect(screen.getByRole('status', { name: 'Loading' })).toBeTruthy();
    expect(document.title).toBe('Top Lens');
    expect(screen.queryByTestId('headline')).toBeNull();
  });

  test('a server that went away leaves what was known, and says up to when it holds', () => {
    mockAnswer.error = new Error('The server cannot be reached.');
    render(<WorstFirstList />);
    expect(screen.getByRole('alert').textContent).toMatch(
      /The server cannot be reached\. What you see is as of \d\d:\d\d\./,
    );
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(mockAnswer.refetch).toHaveBeenCalled();
  });

  test('calm tells when it was last otherwise; a new installation what to do', () => {
    mockAnswer.data = list({ headline: 'Nobody is being hurt.', rows: [] });
    const { rerender } = render(<WorstFirstList />);
    expect(screen.getByText('No incident on record.')).toBeTruthy();
    expect(screen.queryByRole('tab')).toBeNull();
    mockAnswer.data = list({ headline: 'Nobody is being hurt.', rows: [], lastEndedMs: NOW - 7_200_000 });
    rerender(<WorstFirstList />);
    expect(screen.getByText(/^Last incident ended \d\d:\d\d\.$/)).toBeTruthy();
    mockAnswer.data = list({
      headline: 'No data has come in yet.',
      rows: [],
      freshness: { judgedMs: null, watermarkMs: null, silent: [], earlier: null },
    });
    rerender(<WorstFirstList />);
    expect(screen.getByTestId('headline').textContent).toBe('No data has come in yet.');
    expect(screen.getByText(/Settings › Data in says where telemetry is taken/)).toBeTruthy();
  });

  test('silence is not calm: once data is old the sentence says up to when it holds', () => {
    mockAnswer.data = list({ headline: 'Nobody is being hurt.', rows: [] });
    render(<WorstFirstList />);
    expect(screen.getByTestId('headline').textContent).toBe('Nobody is being hurt.');
    act(() => void jest.advanceTimersByTime(4 * 60_000));
    expect(screen.getByTestId('headline').textContent).toMatch(/^Up to \d\d:\d\d nobody was being hurt\.$/);
  });

  test('of a past window the age of the data says nothing', () => {
    mockView.from = NOW - 86_400_000;
    mockAnswer.data = list({
      headline: 'Nobody was hurt.',
      rows: [],
      freshness: { judgedMs: NOW - 3_600_000, watermarkMs: NOW, silent: [], earlier: null },
    });
    render(<WorstFirstList />);
    expect(screen.getByTestId('headline').textContent).toBe('Nobody was hurt.');
  });
});

describe('by keys', () => {
  test('what waits for it is accepted, and what is chosen is set aside; of the past nothing is', () => {
    mockAnswer.data = list({
      rows: [row(11, 1, { handoff: { id: 'h', team: 'Payments', state: 'sent' } as never }), row(12, 2)],
    });
    const { unmount } = render(<WorstFirstList />);
    press('a');
    expect(mockForward).toHaveBeenCalledWith(11);
    press('j');
    press('j');
    press('a');
    expect(mockForward).toHaveBeenCalledTimes(1);
    press('x');
    expect(mockAside).toHaveBeenCalledWith(12);
    unmount();
    mockView.from = NOW - 86_400_000;
    render(<WorstFirstList />);
    press('x');
    expect(mockAside).toHaveBeenCalledTimes(1);
  });
});

describe('what is below the list', () => {
  test('opens at a tap: what was set aside by whom, and what is odd without harm', () => {
    mockAnswer.data = list({
      setAside: [{ id: 5, title: 'Refund is slow', by: 'Ada', untilMs: NOW + 3_600_000, reason: 'known' }] as never,
      earlyWarnings: [
        {
          id: 6,
          title: 'Look up is slow',
          application: 'Sender Portal',
          onsetMs: NOW - 60_000,
          mayBecome: 'At this pace 3 people an hour.',
        },
      ] as never,
    });
    render(<WorstFirstList />);
    expect(screen.queryByText('Refund is slow')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Set aside 1' }));
    expect(screen.getByText(/^Ada until \d\d:\d\d: known$/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Early warnings: nobody hurt yet (3)' }));
    expect(screen.getByText('Silent for 3 h: addresses on north-2')).toBeTruthy();
    expect(screen.getByText('Probe Desk sign-in, from North: broken at Sign in')).toBeTruthy();
    expect(screen.getByText(/At this pace 3 people an hour\.$/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Set aside 1' }));
    expect(screen.queryByText('Refund is slow')).toBeNull();
  });

  test('what changed is asked for only when it is opened, and leads to the flow or the component', () => {
    mockChanges.mockImplementation((isShown) => ({
      data: isShown
        ? {
            window: { fromMs: NOW - 300_000, toMs: NOW },
            before: { fromMs: NOW - 3_600_000, toMs: NOW - 300_000 },
            changes: [
              { kind: 'flow', id: 7, name: 'Pay', measure: 'duration', words: '3.1× as long' },
              { kind: 'component', id: null, name: 'slots/db', measure: 'failures', words: '5× as many failures' },
            ],
          }
        : undefined,
      error: null,
    }));
    render(<WorstFirstList />);
    expect(mockChanges).toHaveBeenLastCalledWith(false);
    fireEvent.click(screen.getByRole('button', { name: 'Changed suddenly' }));
    expect(mockChanges).toHaveBeenLastCalledWith(true);
    expect(screen.getByText(/, against the 55 min before\. Beyond chance:$/)).toBeTruthy();
    expect(screen.getByText('Pay: 3.1× as long').closest('a')?.getAttribute('href')).toBe('/flow/7');
    expect(screen.getByText('slots/db: 5× as many failures').closest('a')?.getAttribute('href')).toBe(
      '/component/slots%2Fdb',
    );
  });
});

describe('by keys', () => {
  test('j and k go down and up and stop at the ends, Enter opens', () => {
    render(<WorstFirstList />);
    const focused = () => (document.activeElement as HTMLElement).dataset.testid;
    press('j');
    expect(focused()).toBe('row-1');
    press('j');
    press('j');
    expect(focused()).toBe('row-2');
    press('k');
    press('k');
    expect(focused()).toBe('row-1');
    (document.activeElement as HTMLElement).blur();
    press('Enter');
    expect(mockGo).toHaveBeenCalledWith('/incident/11');
  });

  test('beside an open incident they go from one to the next', () => {
    render(<WorstFirstList chosenId={11} />);
    press('j');
    expect(mockGo).toHaveBeenCalledWith('/incident/12');
    mockGo.mockClear();
    press('s');
    expect(screen.queryByText(/sheet for/)).toBeNull();
  });

  test('s sends the one that is chosen, the first when none is', () => {
    render(<WorstFirstList />);
    press('s');
    expect(screen.getByText('sheet for 11')).toBeTruthy();
  });

  test('in an empty list no key does anything', () => {
    mockAnswer.data = list({ rows: [] });
    render(<WorstFirstList />);
    for (const key of ['j', 'k', 'Enter', 's']) press(key);
    expect(mockGo).not.toHaveBeenCalled();
    expect(screen.queryByText(/sheet for/)).toBeNull();
  });
});

test('what somebody has already leads to what was sent; what came back can be sent again', () => {
  const handoff = (state: string) => ({ state, id: 'h1', team: 'Payments' }) as Row['handoff'];
  mockAnswer.data = list({
    rows: [row(11, 1, { handoff: handoff('taken') }), row(12, 2, { handoff: handoff('returned') })],
  });
  render(<WorstFirstList />);
  fireEvent.click(screen.getByRole('button', { name: 'Handoff: accepted · Payments' }));
  expect(mockGo).toHaveBeenCalledWith('/handoff/h1');
  fireEvent.click(screen.getByRole('button', { name: 'returned · Payments: Trouble 12' }));
  expect(screen.getByText('sheet for 12')).toBeTruthy();
});

test('ranked by something else the view changes, and nothing else does', () => {
  render(<WorstFirstList />);
  fireEvent.click(screen.getByRole('radio', { name: /people/i }));
  expect(mockSetView).toHaveBeenCalledWith({ ...mockView, rankBy: 'people' });
});
