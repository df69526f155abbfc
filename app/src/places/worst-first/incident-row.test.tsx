import { fireEvent, render, screen } from '@testing-library/react';
import type { Row } from '@/data/client';
import { IncidentRow } from './incident-row';
import { series } from '@/fixtures/series';

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
    marks: [{ atMs: series.startMs, words: 'slots 3.2 released' }],
    handoff: null,
    handoffThen: null,
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
