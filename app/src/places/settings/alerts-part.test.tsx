import { act, fireEvent, render, screen } from '@testing-library/react';
import type { Schemas } from '@/data/client';
import { AlertsPart, alertsSentence, dutyWords, messageWords } from './alerts-part';

type Alerts = Schemas['Alerts'];
const NOW = Date.UTC(2026, 2, 2, 10);
const message: Alerts['messages'][number] = {
  id: 'm1',
  stage: 'opened',
  title: 'Pay fails',
  receiver: 'Payments',
  person: '',
  channel: 'mail',
  path: '/incident/7',
  madeMs: NOW,
  deliveredMs: NOW + 900,
  nextTryMs: null,
  tries: 1,
  trouble: '',
  isGivenUp: false,
};
const ALERTS: Alerts = {
  ways: [
    { channel: 'mail', trouble: '' },
    { channel: 'short', trouble: 'no gateway for short messages is set up (TOPLENS_MESSAGE_URL)' },
  ],
  rules: [{ name: 'Hurt', words: 'an incident', to: ['Payments', 'Moon'], trouble: 'Moon is no receiver' }],
  receivers: [{ name: 'Payments', words: 'mail to pay@teams.test', onDuty: null, holes: [] }],
  teamsWithout: ['Routing'],
  messages: [{ ...message, id: 'm2', deliveredMs: null, isGivenUp: true, trouble: 'no such mailbox' }, message],
};
const mockAlerts = { data: ALERTS, error: null, refetch: jest.fn() };
const mockTest = { mutate: jest.fn(), isPending: false, error: null, reset: jest.fn() };
const mockAgain = { mutate: jest.fn(), isPending: false, error: null, reset: jest.fn() };
jest.mock('@/data/alerts', () => ({
  useAlerts: () => mockAlerts,
  useTestMessage: () => mockTest,
  useDeliverAgain: () => mockAgain,
}));
jest.mock('@/frame/door', () => ({
  Door: ({ children }: { children: React.ReactNode }) => <a href="/">{children}</a>,
}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));

test('says who is told of nothing, what is not set up, and what was not delivered', () => {
  expect(alertsSentence(ALERTS)).toBe(
    '1 rule and 1 receiver. No gateway for short messages is set up (TOPLENS_MESSAGE_URL). 1 message not delivered.',
  );
  expect(alertsSentence({ ...ALERTS, receivers: [] })).toBe('Nobody is told of anything: there is no receiver yet.');
  expect(messageWords(message)).toBe('Payments · mail · Mon 2 Mar 10:00 · delivered');
  expect(
    messageWords({ ...message, deliveredMs: null, nextTryMs: NOW + 60_000, trouble: 'the gateway answered 500' }),
  ).toBe('Payments · mail · Mon 2 Mar 10:00 · the gateway answered 500, tried again 10:01');
  expect(messageWords({ ...message, deliveredMs: null, nextTryMs: NOW })).toContain('on its way');
  expect(dutyWords({ onDuty: null, holes: [] })).toBe('');
  expect(dutyWords({ onDuty: '', holes: [{ fromMs: NOW, toMs: NOW + 3_600_000 }] })).toMatch(
    /^nobody has duty now; nobody has it 1 time in the next week, first from .*10:00 to .*11:00$/,
  );
});

test('a receiver is tested and a message tried again by a tap', () => {
  render(<AlertsPart />);
  expect(screen.getByText('Not told, because they are no receivers: Routing.')).toBeTruthy();
  expect(screen.getByText('Moon is no receiver: nobody is told by it')).toBeTruthy();
  act(() => void fireEvent.click(screen.getByText('Receivers · 1')));
  act(() => void fireEvent.click(screen.getByTestId('test-Payments')));
  expect(mockTest.mutate).toHaveBeenCalledWith('Payments');
  act(() => void fireEvent.click(screen.getByText('Messages · 2')));
  act(() => void fireEvent.click(screen.getByText('Try again')));
  expect(mockAgain.mutate).toHaveBeenCalledWith('m2');
});
