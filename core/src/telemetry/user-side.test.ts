import { deviceOf, isUserSide } from './user-side';

test.each([
  [{ 'telemetry.sdk.language': 'webjs', 'user_agent.name': 'Firefox', 'user_agent.version': '128.0.2', 'os.name': 'Linux' }, 'Firefox 128 · Linux'],
  [{ 'browser.platform': 'Windows' }, 'Windows'],
  [{ 'device.model.name': 'Pixel 9', 'os.name': 'Android', 'os.version': '16' }, 'Pixel 9 · Android 16'],
  [{ 'device.model.identifier': 'iPhone17,1', 'os.name': 'iOS' }, 'iPhone17,1 · iOS'],
])('%j is a person’s own device: %s', (resource, words) => {
  expect(isUserSide(resource)).toBe(true);
  expect(deviceOf(resource)).toBe(words);
});

test('a server is nobody’s device, whatever its system', () => {
  for (const resource of [{}, { 'host.name': 'north-1', 'os.name': 'linux' }, { 'telemetry.sdk.language': 'nodejs' }]) {
    expect(isUserSide(resource)).toBe(false);
    expect(deviceOf(resource)).toBe('');
  }
});
