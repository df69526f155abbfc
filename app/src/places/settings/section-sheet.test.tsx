import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Settings } from '@/data/client';
import { SectionSheet } from './section-sheet';
import type { Section } from './section';
import { SECTIONS } from './sections';

const mockChange = { mutate: jest.fn(), isPending: false, error: null };
const mockTrial = {
  mutate: jest.fn(),
  isPending: false,
  error: null,
  data: undefined as { lines: { of: string; words: string }[] } | undefined,
};
jest.mock('@/data/settings', () => ({ useChangeSetting: () => mockChange, useTrySetting: () => mockTrial }));
jest.mock('@/look/icon', () => ({ Icon: () => null }));
beforeEach(() => {
  jest.clearAllMocks();
  mockTrial.data = undefined;
  localStorage.clear();
});

const settings = {
  file: { ownership: [{ component: 'slots', team: 'Slots' }, { team: 'Portal' }] },
} as unknown as Settings;
const owners = SECTIONS.find(({ key }) => key === 'ownership') as Section;
const show = () => render(<SectionSheet section={owners} settings={settings} onClose={jest.fn()} />);
const write = (testID: string, text: string) => {
  fireEvent.change(screen.getByTestId(testID), { target: { value: text } });
  fireEvent.blur(screen.getByTestId(testID));
};
const press = (testID: string) => act(() => void fireEvent.click(screen.getByTestId(testID)));
const pressNamed = (name: RegExp) => act(() => void fireEvent.click(screen.getByRole('button', { name })));

test('entries are added, changed, moved and removed, and saved in their order by whoever changes them', async () => {
  show();
  press('add-ownership');
  write('ownership-2-flow', 'Track*');
  write('ownership-2-team', 'Tracking');
  pressNamed(/^Move up rule 3: Track\* → Tracking/);
  pressNamed(/^Remove rule 1: slots → Slots/);
  write('ownership-who', 'Ada');
  press('save-ownership');
  await waitFor(() => expect(mockChange.mutate).toHaveBeenCalled());
  expect(mockChange.mutate).toHaveBeenCalledWith(
    {
      who: 'Ada',
      key: 'ownership',
      value: [{ flow: 'Track*', team: 'Tracking' }, { team: 'Portal' }],
    },
    expect.anything(),
  );
});

test('what cannot be used is neither tried nor saved: the entry opens and says why', async () => {
  show();
  press('add-ownership');
  pressNamed(/^Close rule 3/);
  write('ownership-who', 'Ada');
  press('save-ownership');
  await waitFor(() => expect(screen.getByText('Name the team.')).toBeTruthy());
  expect(screen.getByRole('status').textContent).toBe('One field is not right yet, in rule 3.');
  press('try-ownership');
  await waitFor(() => expect(screen.getByTestId('ownership-2-team')).toBeTruthy());
  expect([mockChange.mutate, mockTrial.mutate].map(({ mock }) => mock.calls.length)).toEqual([0, 0]);
});

test('a trial says what the rules would match, and saves nothing', async () => {
  mockTrial.data = { lines: [{ of: 'Slots', words: 'owns 2: Pick a slot, slots' }] };
  show();
  press('try-ownership');
  await waitFor(() => expect(mockTrial.mutate).toHaveBeenCalled());
  expect(mockTrial.mutate).toHaveBeenCalledWith({
    key: 'ownership',
    value: [{ component: 'slots', team: 'Slots' }, { team: 'Portal' }],
  });
  expect(screen.getByTestId('tried').textContent).toBe('Slots: owns 2: Pick a slot, slots');
  expect(mockChange.mutate).not.toHaveBeenCalled();
});
