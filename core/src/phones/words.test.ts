import { isOnPhone } from '../flows';
import { crashLines, isFlowOfScreens } from './index';

const GROUP = {
  type: 'Lost',
  message: 'the picture was closed',
  place: 'PhotoStore.keep',
  crashes: 64,
  people: 39,
  versions: [{ version: '7.3.0', crashes: 64, launches: 243 }],
};
const frame = (method: string, isOwn: boolean) => ({
  module: 'app.Camera',
  method,
  file: 'Camera.kt',
  line: 64,
  isOwn,
});
const CRASH = {
  atMs: 100_000,
  device: 'Tessel 5',
  system: 'Android 16',
  frames: [frame('keep', true), frame('dispatch', false), frame('take', true)],
  trail: [
    { atMs: 59_000, what: 'warm start' },
    { atMs: 65_000, what: 'screen Scan' },
  ],
};

test('a group is told with versions, own code, what was done before, and how far the fix has spread', () => {
  expect(crashLines(GROUP, CRASH, { version: '7.3.1', shareOfLaunches: 0.09 })).toEqual([
    'PhotoStore.keep: Lost: the picture was closed. 64 crashes for 39 people',
    '7.3.0: 64 of 243 launches. 7.3.1 has none so far; 9 % of launches are of it',
    'in app.Camera.keep (Camera.kt:64), called by app.Camera.take (Camera.kt:64)',
    'before one of them on Tessel 5, Android 16: warm start (41 s before), screen Scan (35 s before)',
  ]);
});

test('what is not known is left out, and the newest version is no fix when it crashes too', () => {
  expect(
    crashLines({ ...GROUP, place: '', versions: [{ version: '', crashes: 1, launches: 0 }] }, undefined, undefined),
  ).toEqual(['Lost: the picture was closed. 64 crashes for 39 people', 'version not told: 1']);
  expect(crashLines(GROUP, undefined, { version: '7.3.0', shareOfLaunches: 1 })[1]).toBe('7.3.0: 64 of 243 launches');
});

test.each([
  ['screen Photo', ['Photo'], true],
  ['screen Photo', ['Scan'], false],
  ['launch, cold', [''], true],
  ['launch, warm', [''], false],
  ['screen Photo', [], false],
])('%s fails by crashes on %j: %s', (flow, screens, isSo) => expect(isFlowOfScreens(flow, screens)).toBe(isSo));

test.each([
  ['screen Photo', true],
  ['launch, cold', true],
  ['launch, warm', true],
  ['launch, soon', false],
  ['GET /screen', false],
])('%s is of a phone: %s', (flow, isSo) => expect(isOnPhone(flow)).toBe(isSo));
