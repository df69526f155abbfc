import { asksForPrivacy, readSettings } from './settings';

const tag = (data: Record<string, string>): HTMLScriptElement => {
  const script = document.createElement('script');
  script.src = 'https://watch.example:4400/snippet.js';
  Object.assign(script.dataset, data);
  return script;
};

test('a tag with a key alone: all sessions, own calls, nothing told of the page', () => {
  expect(readSettings(tag({ key: 'a b&c' }))).toEqual({
    url: 'https://watch.example:4400/v1/browser?key=a%20b%26c',
    application: '',
    version: '',
    country: '',
    area: '',
    share: 1,
    traceOrigins: [location.origin],
    keepsNothing: false,
  });
});

test('a tag without a key is left alone', () => {
  expect(readSettings(tag({}))).toBeUndefined();
  expect(readSettings(tag({ key: '' }))).toBeUndefined();
});

test('whatever the page says is taken as it is', () => {
  const told = readSettings(
    tag({
      key: 'k',
      application: 'Web shop',
      version: '1.4.0',
      country: 'IE',
      area: 'IE-L',
      share: '0.25',
      traceOrigins: 'https://a.example, https://b.example',
      storage: 'none',
    }),
  );
  expect(told).toMatchObject({
    application: 'Web shop',
    version: '1.4.0',
    country: 'IE',
    area: 'IE-L',
    share: 0.25,
    keepsNothing: true,
  });
  expect(told?.traceOrigins).toEqual([location.origin, 'https://a.example', 'https://b.example']);
});

test.each(['0', '-1', '1.5', 'half', ''])('a share of "%s" is none: all sessions are told', (share) => {
  expect(readSettings(tag({ key: 'k', share }))?.share).toBe(1);
});

describe('people who ask not to be followed', () => {
  afterEach(() => {
    for (const name of ['doNotTrack', 'globalPrivacyControl']) Reflect.deleteProperty(navigator, name);
  });
  const says = (name: string, value: unknown) => Object.defineProperty(navigator, name, { value, configurable: true });

  test('say so by Do Not Track or by Global Privacy Control', () => {
    expect(asksForPrivacy()).toBe(false);
    says('doNotTrack', '0');
    expect(asksForPrivacy()).toBe(false);
    says('doNotTrack', '1');
    expect(asksForPrivacy()).toBe(true);
    says('doNotTrack', null);
    says('globalPrivacyControl', true);
    expect(asksForPrivacy()).toBe(true);
  });
});
