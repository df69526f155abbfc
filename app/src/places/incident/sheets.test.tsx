import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Incident } from '@/data/client';
import { DecideSheet, type DecideOn } from './decide-sheet';
import { SendSheet } from './send-sheet';

type Then = { onSuccess: (answer: { id: number }) => void };
const mockDecide = { mutate: jest.fn<void, [object, Then]>(), isPending: false, error: null as Error | null };
const mockSend = { mutate: jest.fn<void, [{ key: string }, Then]>(), isPending: false, error: null as Error | null };
const mockIncident = { data: undefined as Incident | undefined, error: null as Error | null, refetch: jest.fn() };
const mockGo = jest.fn();
jest.mock('@/data/incidents', () => ({ useDecide: () => mockDecide, useIncident: () => mockIncident }));
jest.mock('@/data/handoffs', () => ({
  useSend: () => mockSend,
  useBrief: (_incident: unknown, team: string, note: string, isShown: boolean) => ({
    data: isShown ? { markdown: `To ${team}: ${note}` } : undefined,
  }),
}));
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ go: mockGo, view: {}, setView: jest.fn() }),
}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));

const incident = {
  id: 4,
  title: 'Pay fails',
  window: { fromMs: Date.UTC(2026, 2, 10, 9), toMs: Date.UTC(2026, 2, 10, 10) },
  parts: [
    { flowId: 7, flow: 'Pay' },
    { flowId: 8, flow: 'Refund' },
    { flowId: 7, flow: 'Pay' },
  ],
  nearby: [{ id: 9, title: 'Refund is slow' }],
  teams: ['Payments', 'Data Stores'],
  proposedTeam: { team: 'Payments', reason: 'owns pay-office' },
} as unknown as Incident;

beforeEach(() => {
  jest.clearAllMocks();
  mockDecide.error = mockSend.error = mockIncident.error = null;
  mockIncident.data = incident;
  localStorage.clear();
  sessionStorage.clear();
});
const write = (testID: string, text: string) =>
  fireEvent.change(screen.getByTestId(testID), { target: { value: text } });
const press = (testID: string) => act(() => void fireEvent.click(screen.getByTestId(testID)));
const onClose = jest.fn();
const open = (on: DecideOn) => render(<DecideSheet incident={incident} on={on} onClose={onClose} />);

describe('what is decided', () => {
  test('to set aside needs a reason and a name; what is missing is said', async () => {
    open('setAside');
    press('decide');
    expect(await screen.findByText('Say who decides this.')).toBeTruthy();
    write('who', 'Ada');
    press('decide');
    expect((await screen.findByRole('alert')).textContent).toBe('Say why it is set aside.');
    expect(mockDecide.mutate).not.toHaveBeenCalled();
    write('reason', ' known, mended tonight ');
    press('decide');
    await waitFor(() => expect(mockDecide.mutate).toHaveBeenCalled());
    const decision = mockDecide.mutate.mock.calls[0]?.[0];
    expect(decision).toMatchObject({
      id: 4,
      who: 'Ada',
      what: 'setAside',
      reason: 'known, mended tonight',
      untilMs: incident.window.toMs + 2 * 3_600_000,
    });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('to split off each flow is offered once, and what is chosen twice is not chosen', async () => {
    open('split');
    expect(screen.getAllByRole('checkbox')).toHaveLength(2);
    const part = (name: string) => screen.getByRole('checkbox', { name });
    for (const name of ['Pay', 'Refund', 'Pay']) fireEvent.click(part(name));
    expect(['Pay', 'Refund'].map((name) => part(name).getAttribute('aria-checked'))).toEqual(['false', 'true']);
    write('who', 'Ada');
    press('decide');
    await waitFor(() => expect(mockDecide.mutate).toHaveBeenCalled());
    expect(mockDecide.mutate.mock.calls[0]?.[0]).toEqual({ id: 4, who: 'Ada', what: 'split', flows: [8] });
  });

  test('joined, the page of the other incident opens', async () => {
    open('join');
    fireEvent.click(screen.getByRole('radio', { name: 'Refund is slow' }));
    write('who', 'Ada');
    press('decide');
    await waitFor(() => expect(mockDecide.mutate).toHaveBeenCalled());
    const [decision, { onSuccess }] = mockDecide.mutate.mock.calls[0] as [object, Then];
    expect(decision).toEqual({ id: 4, who: 'Ada', what: 'join', into: 9 });
    onSuccess({ id: 9 });
    expect(onClose).toHaveBeenCalled();
    expect(mockGo).toHaveBeenCalledWith('/incident/9');
  });

  test('with nothing near there is nothing to join; a failure says what still holds', () => {
    mockDecide.error = new Error('The server cannot be reached.');
    render(<DecideSheet incident={{ ...incident, nearby: [] }} on="join" onClose={onClose} />);
    expect(screen.getByText('No other incident lies near it in time.')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toContain('Nothing was changed.');
  });
});

describe('what is sent', () => {
  const openSend = () => render(<SendSheet incidentId={4} view={{ last: 60, rankBy: 'harm' }} onClose={onClose} />);

  test('goes to the proposed team, whose reason is told, with the window that was looked at', async () => {
    openSend();
    expect(screen.getByRole('radio', { name: /Payments/ }).getAttribute('aria-checked')).toBe('true');
    expect(screen.getByText('proposed: owns pay-office')).toBeTruthy();
    write('note', 'card network answers late');
    press('send-now');
    await waitFor(() => expect(mockSend.mutate).toHaveBeenCalled());
    const sent = mockSend.mutate.mock.calls[0]?.[0];
    expect(sent).toMatchObject({
      incident: 4,
      team: 'Payments',
      note: 'card network answers late',
      ...incident.window,
    });
    expect(sent?.key).toBeTruthy();
  });

  test('shows the brief as it will be sent, for the team that is chosen', () => {
    openSend();
    write('note', 'look at the store');
    fireEvent.click(screen.getByRole('radio', { name: 'Data Stores' }));
    expect(screen.queryByTestId('brief')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /Show the brief/ }));
    expect(screen.getByTestId('brief').textContent).toBe('To Data Stores: look at the store');
    expect(screen.getByTestId('send-now').textContent).toContain('Send to Data Stores');
  });

  test('a note is kept while the sheet is closed, under one key: a second try is no second handoff', async () => {
    const { unmount } = openSend();
    write('note', 'half written');
    unmount();
    openSend();
    expect(screen.getByTestId<HTMLTextAreaElement>('note').value).toBe('half written');
    press('send-now');
    await waitFor(() => expect(mockSend.mutate).toHaveBeenCalledTimes(1));
    press('send-now');
    await waitFor(() => expect(mockSend.mutate).toHaveBeenCalledTimes(2));
    const keys = mockSend.mutate.mock.calls.map(([{ key }]) => key);
    expect(keys[0]).toBe(keys[1]);
  });

  test('once sent the draft is gone, and the next has a key of its own', async () => {
    const { unmount } = openSend();
    write('note', 'done');
    press('send-now');
    await waitFor(() => expect(mockSend.mutate).toHaveBeenCalled());
    const [first, { onSuccess }] = mockSend.mutate.mock.calls[0] as [{ key: string }, Then];
    act(() => onSuccess({ id: 1 }));
    expect(onClose).toHaveBeenCalled();
    unmount();
    openSend();
    expect(screen.getByTestId<HTMLTextAreaElement>('note').value).toBe('');
    press('send-now');
    await waitFor(() => expect(mockSend.mutate).toHaveBeenCalledTimes(2));
    expect(mockSend.mutate.mock.calls[1]?.[0].key).not.toBe(first.key);
  });

  test('without a proposal a team must be chosen; a note has an end; a failure keeps what was written', async () => {
    mockIncident.data = { ...incident, proposedTeam: null };
    mockSend.error = new Error('The desk does not answer.');
    openSend();
    press('send-now');
    expect(await screen.findByText('Choose who shall have it.')).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Payments' }));
    write('note', 'x'.repeat(10_001));
    press('send-now');
    expect(await screen.findByText('A note can have 10,000 characters at most.')).toBeTruthy();
    expect(mockSend.mutate).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toContain(
      'The desk does not answer. Nothing was sent; your note is kept.',
    );
  });

  test('while it cannot be read that is said, with a way on', () => {
    mockIncident.data = undefined;
    mockIncident.error = new Error('The server cannot be reached.');
    openSend();
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(mockIncident.refetch).toHaveBeenCalled();
  });
});
