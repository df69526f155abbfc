import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { EventsForm, takenWords } from './events-form';

const mockUpload = {
  mutate: jest.fn(),
  isPending: false,
  error: null as Error | null,
  data: undefined as { taken: number; rejected: number } | undefined,
};
jest.mock('@/data/telemetry', () => ({ useUploadEvents: () => mockUpload }));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
const mockPick = jest.fn<Promise<string | undefined>, [string]>();
jest.mock('@/frame/pick-text', () => ({ pickText: (accept: string) => mockPick(accept) }));
beforeEach(() => {
  jest.clearAllMocks();
  mockUpload.error = null;
  mockUpload.data = undefined;
});

const choose = () => act(() => void fireEvent.click(screen.getByTestId('pick-events')));

test('a chosen file is sent as it is, with the key where one was typed; none chosen, none sent', async () => {
  render(<EventsForm />);
  mockPick.mockResolvedValueOnce(undefined);
  choose();
  await waitFor(() => expect(mockPick).toHaveBeenCalledTimes(1));
  expect(mockUpload.mutate).not.toHaveBeenCalled();
  fireEvent.change(screen.getByTestId('events-key'), { target: { value: ' k1 ' } });
  mockPick.mockResolvedValueOnce('time,name\n');
  choose();
  await waitFor(() => expect(mockUpload.mutate).toHaveBeenCalledWith({ csv: 'time,name\n', key: 'k1' }));
});

test('what is wrong is said, and that nothing was taken', async () => {
  mockUpload.error = new Error('row 3, column time: missing');
  render(<EventsForm />);
  expect(screen.getByRole('alert').textContent).toMatch(/Row 3, column time: missing\. Nothing of the file was taken/);
  mockPick.mockRejectedValueOnce(new RangeError('orders.csv is larger than 8 MB'));
  choose();
  await waitFor(() =>
    expect(screen.getByText('This file cannot be read: orders.csv is larger than 8 MB.')).toBeTruthy(),
  );
});

test.each([
  [{ taken: 1, rejected: 0 }, '1 event taken.'],
  [{ taken: 1204, rejected: 0 }, '1,204 events taken.'],
  [{ taken: 2, rejected: 1, reasons: 'time: too far ahead' }, '2 events taken. 1 was refused: time: too far ahead.'],
])('%j in words', (taken, words) => expect(takenWords(taken)).toBe(words));
