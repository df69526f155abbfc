import { render, screen } from '@testing-library/react';
import { Text } from 'react-native';
import type { SessionState } from '@/data/session';
import { Gate } from './gate';
import { useMay } from './session';

let mockPath = '/';
let mockState: { data?: SessionState; error?: Error } = {};
jest.mock('expo-router', () => {
  const { createElement } = jest.requireActual<typeof import('react')>('react');
  return {
    usePathname: () => mockPath,
    Redirect: ({ href }: { href: string }) => createElement('i', null, `sent to ${href}`),
  };
});
jest.mock('@/data/session', () => ({ useSessionState: () => mockState }));

const NOBODY: SessionState = {
  who: null,
  isVisitor: false,
  rights: [],
  mustSetUpFactor: false,
  awaitsSecondFactor: false,
  endsMs: null,
  visitors: [],
  provider: null,
};
const Door = () => <Text>the door</Text>;
const Place = () => <Text>{useMay('send') ? 'a place, and may send' : 'a place'}</Text>;
const shown = (path: string, state: typeof mockState) => {
  mockPath = path;
  mockState = state;
  const { container, unmount } = render(
    <Gate signIn={Door}>
      <Place />
    </Gate>,
  );
  const text = container.textContent;
  unmount();
  return text;
};

test('nothing is drawn before it is known who looks; nobody sees the door alone', () => {
  expect(shown('/flows', {})).toBe('');
  expect(shown('/flows', { data: NOBODY })).toBe('the door');
  expect(shown('/flows', { data: { ...NOBODY, awaitsSecondFactor: true } })).toBe('the door');
});

test('who is signed in, and a visitor, see the place with their rights', () => {
  const who = { id: 1, name: 'Ada Finch' };
  expect(shown('/', { data: { ...NOBODY, who, rights: ['look'] } })).toBe('a place');
  expect(shown('/', { data: { ...NOBODY, isVisitor: true, rights: ['look', 'send'] } })).toBe('a place, and may send');
});

test('who has to set up a second factor first sees their own account alone', () => {
  const data = { ...NOBODY, who: { id: 1, name: 'Ada Finch' }, mustSetUpFactor: true };
  for (const path of ['/', '/settings', '/wall/Duty']) expect(shown(path, { data })).toBe('sent to /account');
  expect(shown('/account', { data })).toBe('a place');
});

test('links, and the way to a sign-in, open for everybody; a server that is away is told by each place', () => {
  for (const path of ['/shared/4fKq', '/welcome/4fKq', '/signed-in']) {
    expect(shown(path, { data: NOBODY })).not.toBe('the door');
    expect(shown(path, {})).not.toBe('');
  }
  // Neither a place that is called alike nor a wall is among them.
  for (const path of ['/shared', '/wall/Duty', '/signed-in/x', '/flows/welcome/x'])
    expect([path, shown(path, { data: NOBODY })]).toEqual([path, 'the door']);
  expect(shown('/', { error: new Error('away') })).toContain('a place');
});

test('a page that the browser kept is read anew when it comes back', () => {
  mockState = { data: { ...NOBODY, who: { id: 1, name: 'Ada Finch' } } };
  const heard: string[] = [];
  const add = jest.spyOn(window, 'addEventListener').mockImplementation((name: string) => void heard.push(name));
  render(
    <Gate signIn={Door}>
      <Place />
    </Gate>,
  );
  expect(heard).toContain('pageshow');
  add.mockRestore();
  screen.getByText('a place');
});
