import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { FlowPage } from '@/data/client';
import { FlowSheet, parseSeconds } from './flow-sheet';

const mockMutate = jest.fn();
jest.mock('@/data/settings', () => ({
  useChangeSetting: () => ({ mutate: mockMutate, error: null, isPending: false }),
}));
const mockSteps = {
  steps: [{ component: 'payments', operation: 'POST /authorise' }],
  limits: [{ step: 'ledger insert', limitMs: 250 }],
};
jest.mock('@/data/flows', () => ({ useSteps: () => ({ data: mockSteps }) }));
jest.mock('@/frame/view', () => ({ useView: () => ({ view: {} }) }));
jest.mock('@/frame/sheet', () => ({
  Sheet: ({ title, children }: { title: string; children: unknown }) => (
    <div aria-label={title}>{children as never}</div>
  ),
}));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
beforeEach(() => mockMutate.mockClear());

const page = (more: Partial<FlowPage['normal']> = {}) =>
  ({
    key: 'flow\u001fShop\u001fPOST /pay',
    window: { fromMs: 1_000, toMs: 2_000 },
    row: { id: 3, name: 'Pay', technicalName: 'POST /pay', importance: 2 },
    // Tarn has not come yet: it judges nothing, but what was set for it must not get lost.
    sites: ['Ostrel', 'Brann', 'Tarn'],
    ownersSiteLimits: [
      { site: 'Brann', limitMs: 700 },
      { site: 'Tarn', limitMs: 1100 },
    ],
    normal: {
      ownersLimitMs: 1500,
      learnedLimitMs: 900,
      sites: [{ site: 'Brann', limitMs: 700, lateShare: 0.01 }],
      ...more,
    },
  }) as unknown as FlowPage;

const type = (testID: string, value: string) => fireEvent.change(screen.getByTestId(testID), { target: { value } });
const save = () => act(() => Promise.resolve(fireEvent.click(screen.getByTestId('save-flow'))));

test('what is known stands in the form, and is sent back as a whole: name, limits, importance, who, from when', async () => {
  render(<FlowSheet page={page()} onClose={jest.fn()} />);
  expect(screen.getByTestId<HTMLInputElement>('flow-limit').value).toBe('1.5');
  expect(screen.getByTestId<HTMLTextAreaElement>('flow-site-limits').value).toBe('Brann: 0.7\nTarn: 1.1');
  expect(screen.getByTestId<HTMLTextAreaElement>('flow-step-limits').value).toBe('ledger insert: 0.25');
  type('flow-who', 'Kim');
  type('flow-limit', '2,25');
  type('flow-site-limits', 'Brann: 0.7\nTarn: 1.1\nostrel: 3');
  type('flow-step-limits', 'ledger insert: 0.3\npayments POST /authorise: 0.8');
  await save();
  await waitFor(() => expect(mockMutate).toHaveBeenCalledTimes(1));
  expect((mockMutate.mock.calls[0] as unknown[])[0]).toEqual({
    who: 'Kim',
    key: 'flow\u001fShop\u001fPOST /pay',
    value: {
      name: 'Pay',
      limitMs: 2250,
      siteLimitsMs: { Brann: 700, Tarn: 1100, Ostrel: 3000 },
      stepLimitsMs: { 'ledger insert': 300, 'payments POST /authorise': 800 },
      importance: 2,
    },
    fromMs: 1_000,
  });
});

test('from now on, without limit and name of its own: null takes back to the settings file', async () => {
  render(
    <FlowSheet page={{ ...page({ ownersLimitMs: null, sites: [] }), ownersSiteLimits: [] }} onClose={jest.fn()} />,
  );
  type('flow-who', 'Kim');
  type('flow-name', ' ');
  fireEvent.click(screen.getByRole('radio', { name: /From now on/ }));
  await save();
  await waitFor(() => expect(mockMutate).toHaveBeenCalledTimes(1));
  expect((mockMutate.mock.calls[0] as unknown[])[0]).toEqual({
    who: 'Kim',
    key: 'flow\u001fShop\u001fPOST /pay',
    value: { name: null, limitMs: null, siteLimitsMs: {}, stepLimitsMs: { 'ledger insert': 250 }, importance: 2 },
  });
});

test.each([
  ['flow-limit', 'soon', /Limit: a number/],
  ['flow-limit', '0', /Limit: a number, more than 0/],
  ['flow-importance', '-1', /Importance: a number, at least 0/],
  ['flow-site-limits', 'Ostrel', /Line 1: write the site/],
  ['flow-step-limits', 'ledger: 1', /Line 1: no step is called “ledger”/],
  ['flow-name', 'x'.repeat(121), /At most 120/],
])('%s refuses %j, sends nothing and keeps what was typed', async (field, text, words) => {
  render(<FlowSheet page={page()} onClose={jest.fn()} />);
  type('flow-who', 'Kim');
  type(field, text);
  await save();
  expect(await screen.findByText(words)).toBeTruthy();
  expect(mockMutate).not.toHaveBeenCalled();
  expect(screen.getByTestId<HTMLInputElement>(field).value).toBe(text);
});

test('nobody changes anything without a name', async () => {
  localStorage.clear();
  render(<FlowSheet page={page()} onClose={jest.fn()} />);
  await save();
  expect(await screen.findByText('Say who changes this.')).toBeTruthy();
  expect(mockMutate).not.toHaveBeenCalled();
});

test('seconds as people write them', () => {
  expect(['', ' 1.2 ', '1,2', '0.05'].map(parseSeconds)).toEqual([null, 1200, 1200, 50]);
  expect(parseSeconds('soon')).toBeNaN();
});
