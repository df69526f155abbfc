import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Settings } from '@/data/client';
import { AtOnceForm } from './at-once-form';
import { CalendarForm } from './calendar-form';
import { RetentionForm } from './retention-form';
import { RatesForm } from './rates-form';

const mockChange = { mutate: jest.fn(), isPending: false, error: null as Error | null };
const mockRead = {
  mutateAsync: jest.fn(() =>
    Promise.resolve({ calendar: { holidays: ['2026-12-25', '2027-01-01'], excluded: [], maintenance: [] }, notes: [] }),
  ),
  isPending: false,
  error: null,
  data: undefined,
};
jest.mock('@/data/settings', () => ({ useChangeSetting: () => mockChange, useReadCalendar: () => mockRead }));
jest.mock('@/frame/pick-text', () => ({ pickText: () => Promise.resolve('BEGIN:VCALENDAR') }));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
beforeEach(() => {
  mockChange.mutate.mockClear();
  mockChange.error = null;
  localStorage.clear();
});

const DAY_MS = 86_400_000;
const NOT_SAID = {
  attempts: null,
  traces: null,
  logs: null,
  metrics: null,
  pageLoads: null,
  crashes: null,
  phoneSessions: null,
};
const settings = {
  file: { atOnceMs: 100, retention: { ...NOT_SAID, logs: 7 } },
  installation: {
    keptDays: { attempts: 35, traces: 2, logs: 2, metrics: 35, pageLoads: 35, crashes: 35, phoneSessions: 2 },
  },
  rates: { waiting: 1, failed: 5, left: 15, missing: 5, money: 0.5, keyMultiplier: 2 },
  keyTiers: ['Anchor'],
  calendar: {
    holidays: ['2026-12-25'],
    excluded: [{ fromMs: Date.UTC(2026, 10, 2), toMs: Date.UTC(2026, 10, 9) + DAY_MS, reason: 'migration' }],
    maintenance: [],
  },
} as unknown as Settings;

const field = (testID: string) => screen.getByTestId(testID);
const write = (testID: string, text: string) => {
  fireEvent.change(field(testID), { target: { value: text } });
  fireEvent.blur(field(testID));
};
const press = (testID: string) => act(() => void fireEvent.click(field(testID)));

describe('harm rates', () => {
  test('show what is in force, and whose harm counts again', () => {
    render(<RatesForm settings={settings} />);
    expect((field('rate-left') as HTMLInputElement).value).toBe('15');
    expect(screen.getByText(/Key customers: Anchor\./)).toBeTruthy();
  });

  test('are saved as numbers, by whoever changes them, with a comma or a point', async () => {
    render(<RatesForm settings={settings} />);
    write('rate-money', '0,75');
    write('rate-left', '20');
    write('rates-who', '  Ada Field ');
    press('save-rates');
    await waitFor(() => expect(mockChange.mutate).toHaveBeenCalled());
    expect(mockChange.mutate).toHaveBeenCalledWith({
      who: 'Ada Field',
      key: 'rates',
      value: { waiting: 1, failed: 5, left: 20, missing: 5, money: 0.75, keyMultiplier: 2 },
    });
  });

  test.each([
    ['rate-failed', '-1', 'A number, at least 0.'],
    ['rate-failed', 'five', 'A number, at least 0.'],
    ['rate-failed', '', 'Write a number.'],
    ['rate-keyMultiplier', '0.5', 'A number, at least 1.'],
    ['rate-waiting', 'Infinity', 'A number, at least 0.'],
  ])('%s of "%s" is not saved, and says what is asked for', async (testID, text, words) => {
    render(<RatesForm settings={settings} />);
    write('rates-who', 'Ada');
    write(testID, text);
    press('save-rates');
    expect(await screen.findByText(words)).toBeTruthy();
    expect((field(testID) as HTMLInputElement).value).toBe(text);
    expect(mockChange.mutate).not.toHaveBeenCalled();
  });

  test('nobody changes them without a name; a server that is away loses nothing', async () => {
    const { unmount } = render(<RatesForm settings={settings} />);
    press('save-rates');
    expect(await screen.findByText('Say who changes this.')).toBeTruthy();
    expect(mockChange.mutate).not.toHaveBeenCalled();
    unmount();
    mockChange.error = new Error('The server cannot be reached.');
    render(<RatesForm settings={settings} />);
    expect(screen.getByRole('alert').textContent).toContain(
      'The server cannot be reached. Nothing was changed; what you typed is kept.',
    );
  });
});

describe('how long data is kept', () => {
  test('is saved in days by kind; an empty field is as the installation says, which is told', async () => {
    render(<RetentionForm settings={settings} />);
    expect((field('retention-logs') as HTMLInputElement).value).toBe('7');
    expect(screen.getAllByText('By the installation: 35 days.')).toHaveLength(4);
    write('retention-logs', '');
    write('retention-pageLoads', '0,5');
    write('retention-who', 'Ada Field');
    press('save-retention');
    await waitFor(() => expect(mockChange.mutate).toHaveBeenCalled());
    expect(mockChange.mutate).toHaveBeenCalledWith({
      who: 'Ada Field',
      key: 'retention',
      value: { ...NOT_SAID, pageLoads: 0.5 },
    });
  });

  test.each(['0', '-1', '3651', 'long'])('%s days are not saved', async (text) => {
    render(<RetentionForm settings={settings} />);
    write('retention-who', 'Ada');
    write('retention-attempts', text);
    press('save-retention');
    expect(await screen.findByText('Days, from 0.05 to 3650, or nothing.')).toBeTruthy();
    expect(mockChange.mutate).not.toHaveBeenCalled();
  });
});

describe('what is answered at once', () => {
  test('shows what is in force in seconds, and is saved in milliseconds', async () => {
    render(<AtOnceForm settings={settings} />);
    expect((field('at-once') as HTMLInputElement).value).toBe('0.1');
    write('at-once', '0,25');
    write('at-once-who', 'Ada Field');
    press('save-at-once');
    await waitFor(() => expect(mockChange.mutate).toHaveBeenCalled());
    expect(mockChange.mutate).toHaveBeenCalledWith({ who: 'Ada Field', key: 'atOnceMs', value: 250 });
  });

  test.each(['-0.1', '11', 'soon'])('%s is not saved', async (text) => {
    render(<AtOnceForm settings={settings} />);
    write('at-once-who', 'Ada');
    write('at-once', text);
    press('save-at-once');
    expect(await screen.findByText('Seconds, from 0 to 10.')).toBeTruthy();
    expect(mockChange.mutate).not.toHaveBeenCalled();
  });
});

describe('days that are not like others', () => {
  test('are added from a file to those that stand there, and not saved yet', async () => {
    render(<CalendarForm settings={settings} />);
    press('pick-calendar');
    await waitFor(() =>
      expect((field('calendar-days') as HTMLTextAreaElement).value).toBe(
        '2026-12-25\n2026-11-02 to 2026-11-09 migration\n2027-01-01',
      ),
    );
    expect(mockRead.mutateAsync).toHaveBeenCalledWith('BEGIN:VCALENDAR');
    expect(mockChange.mutate).not.toHaveBeenCalled();
  });

  test('are shown as they are typed, and typed as they are shown', async () => {
    render(<CalendarForm settings={settings} />);
    const text = (field('calendar-days') as HTMLTextAreaElement).value;
    expect(text).toBe('2026-12-25\n2026-11-02 to 2026-11-09 migration');
    write('calendar-days', `${text}\n2027-01-01`);
    write('calendar-who', 'Ada');
    press('save-calendar');
    await waitFor(() => expect(mockChange.mutate).toHaveBeenCalled());
    expect(mockChange.mutate).toHaveBeenCalledWith({
      who: 'Ada',
      key: 'calendar',
      value: { holidays: ['2026-12-25', '2027-01-01'], excluded: settings.calendar.excluded, maintenance: [] },
    });
  });

  test.each([
    ['25.12.2026', '“25.12.2026”: write a day as 2026-12-25'],
    ['2026-13-01', '“2026-13-01”: write a day as 2026-12-25'],
    ['2026-11-09 to 2026-11-02 late', '“2026-11-09 to 2026-11-02 late”: it ends before it begins.'],
    ['2026-11-02 to 2026-11-09', '“2026-11-02 to 2026-11-09”: say why it is left out.'],
  ])('"%s" is not saved, and the line is named', async (line, words) => {
    render(<CalendarForm settings={settings} />);
    write('calendar-who', 'Ada');
    write('calendar-days', `2026-12-25\n${line}`);
    press('save-calendar');
    expect(await screen.findByText((text) => text.startsWith(words))).toBeTruthy();
    expect(mockChange.mutate).not.toHaveBeenCalled();
  });
});
