import { isHandheld, isPhone, isUserSide, outfitOf, ranOnOf } from './user-side';
import type { Attributes } from './attributes';

test('a device at work that tells its kind is a person’s own, and is held in the hand only where that says so', () => {
  const desktop = { 'toplens.station': 'desktop', 'device.model.name': 'Counter 3', 'host.name': 'brac-104' };
  expect(isUserSide(desktop)).toBe(true);
  expect(isHandheld(desktop, '')).toBe(false);
  expect(isPhone(desktop)).toBe(false);
  expect(isHandheld({ ...desktop, 'toplens.station': 'Tablet' }, '')).toBe(true);
});

test.each([
  [
    {
      'telemetry.sdk.language': 'webjs',
      'user_agent.name': 'Firefox',
      'user_agent.version': '128.0.2',
      'os.name': 'Linux',
    },
    'Firefox 128 · Linux',
  ],
  [{ 'browser.platform': 'Windows' }, 'Windows'],
  [{ 'device.model.name': 'Pixel 9', 'os.name': 'Android', 'os.version': '16' }, 'Pixel 9 · Android 16'],
  [{ 'device.model.identifier': 'iPhone17,1', 'os.name': 'iOS' }, 'iPhone17,1 · iOS'],
])('%j is a person’s own device: %s', (resource, words) => {
  expect(isUserSide(resource)).toBe(true);
  expect(ranOnOf(resource)).toBe(words);
});

test('a server is nobody’s device, whatever its system', () => {
  for (const resource of [{}, { 'host.name': 'north-1', 'os.name': 'linux' }, { 'telemetry.sdk.language': 'nodejs' }]) {
    expect(isUserSide(resource)).toBe(false);
    expect(ranOnOf(resource)).toBe('');
  }
});

test.each([
  [{ 'os.name': 'Android' }, '', true],
  [{ 'browser.mobile': true }, '', true],
  [{ 'device.model.identifier': 'iPhone17,1' }, '', true],
  [
    {},
    'Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/141.0.0.0 Mobile Safari/537.36',
    true,
  ],
  [
    {},
    'Mozilla/5.0 (iPad; CPU OS 18_4 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.4 Safari/604.1',
    true,
  ],
  [{}, 'Mozilla/5.0 (Android 16; Tablet; rv:143.0) Gecko/143.0 Firefox/143.0', true],
  [{}, 'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:143.0) Gecko/20100101 Firefox/143.0', false],
  [{ 'os.name': 'Windows', 'browser.mobile': false }, '', false],
  [{}, '', false],
])('%j %s held in the hand: %s', (resource, userAgent, held) => expect(isHandheld(resource, userAgent)).toBe(held));

test.each<[Attributes, ReturnType<typeof outfitOf>]>([
  [
    {
      'device.model.name': 'Pixel 9',
      'device.model.identifier': 'tokay',
      'os.name': 'Android',
      'network.carrier.name': 'Northmobile',
    },
    { device: 'Pixel 9', browser: '', system: 'Android', carrier: 'Northmobile' },
  ],
  [{ 'device.model.identifier': 'tokay' }, { device: 'tokay', browser: '', system: '', carrier: '' }],
  [
    { 'user_agent.name': 'Firefox', 'user_agent.version': '128.0.2', 'os.name': 'Linux' },
    { device: '', browser: 'Firefox 128', system: 'Linux', carrier: '' },
  ],
  // The system of a server is no person's.
  [
    { 'os.name': 'linux', 'user_agent.version': '7.3' },
    { device: '', browser: '', system: '', carrier: '' },
  ],
])('%j: with what a person works', (told, outfit) =>
  expect(outfitOf((name) => String(told[name] ?? ''))).toEqual(outfit),
);
