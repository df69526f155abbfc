import {
  byVersionWords,
  crashFreeWords,
  crashRateWords,
  demandWords,
  foldedFrames,
  frameWords,
  groupFigures,
  standsOutWords,
  startWords,
  whereWords,
  type Frame,
  type Group,
  type Version,
} from './phone-words';
import { countryWords, toneRatio } from './phone-countries';
import { phoneSentence } from './phone-place';
import { oldestTogether } from './version-spread';

jest.mock('@/look/icon', () => ({ Icon: () => null }));

const NO_SPREAD = { startMs: 0, stepMs: 1, versions: [] };
const interval = (estimate: number, low: number, high: number) => ({ estimate, low, high });
const starts = (medianMs: number) => ({ starts: 100, medianMs, p75Ms: 1.5 * medianMs, p95Ms: 2 * medianMs });
const group = (more: Partial<Group> = {}): Group => ({
  id: '1',
  application: 'Round',
  type: 'Lost',
  message: 'no camera',
  place: 'Camera.take',
  crashes: 31,
  people: 1,
  devices: 3,
  shareOfLaunches: 0.012,
  firstMs: 0,
  lastMs: 1,
  versions: [
    { version: '7.3.0', crashes: 30, launches: 1_000 },
    { version: '', crashes: 1, launches: 0 },
  ],
  screens: ['Photo'],
  state: 'new',
  isRestored: true,
  sample: '2',
  ...more,
});

test('a version is told by its crashes, whom it spared, and how it starts', () => {
  expect(crashRateWords({ launches: 1_000, crashes: 60, crashRate: interval(0.061, 0.047, 0.077) })).toBe(
    '6.1 % of 1,000 launches crashed, between 4.7 % and 7.7 %',
  );
  expect(crashRateWords({ launches: 0, crashes: 1, crashRate: null })).toBe('1 crash; its launches are not told');
  expect(crashRateWords({ launches: 25, crashes: 0, crashRate: interval(0, 0, 0.133) })).toBe(
    'None of 25 launches crashed; the share is at most 13 %',
  );
  expect(crashFreeWords({ people: 420, crashFree: interval(0.97, 0.95, 0.98) })).toBe(
    'it never crashed for 97 % of 420 people',
  );
  expect(crashFreeWords({ people: 0, crashFree: null })).toBe('nobody is named');
  expect(startWords({ cold: starts(900), warm: starts(240) })).toBe(
    'cold start 900 ms, 95 of 100 below 1.8 s; warm 240 ms',
  );
  expect(startWords({ cold: { ...starts(900), starts: 19 }, warm: null })).toBe('cold start 900 ms');
  expect(startWords({ cold: null, warm: null })).toBe('no start is told');
});

test.each([
  [{ what: 'crashes', times: 12, isWorse: true }, 'crashes 12× as often as all others'],
  [{ what: 'crashes', times: 0.25, isWorse: false }, 'crashes 4.0× less often than all others'],
  [{ what: 'crashes', times: 0, isWorse: false }, 'does not crash, others do'],
  [{ what: 'crashes', times: null, isWorse: true }, 'crashes, all others do not'],
  [{ what: 'coldStart', times: 1.4, isWorse: true }, 'cold start 40 % slower than all others'],
  [{ what: 'coldStart', times: 0.8, isWorse: false }, 'cold start 20 % faster than all others'],
] as const)('%j stands out as “%s”', (one, words) => {
  expect(standsOutWords({ standsOut: [one] })).toEqual([words]);
});

test('a group is told by people, launches, devices and versions', () => {
  expect(groupFigures(group())).toBe('31 crashes for 1 person, 1.2 % of launches, on 3 device models');
  expect(groupFigures(group({ shareOfLaunches: null, devices: 0 }))).toBe('31 crashes for 1 person');
  expect(byVersionWords(group({ versions: [{ version: '7.3.0', crashes: 1, launches: 1 }] }))).toBe(
    '7.3.0: 1 of 1 launch',
  );
  expect(byVersionWords(group())).toBe('7.3.0: 30 of 1,000 launches; version not told: 1');
});

test('where it happens is told beside how much it is used there', () => {
  const value = { value: 'Tessel 5', crashes: 30, launches: 400, times: 12, low: 6, high: 30 };
  expect(whereWords(value, 31)).toBe('30 of 400 launches: 12× as often as elsewhere (6.0× to 30×)');
  expect(whereWords({ ...value, times: null, high: null }, 31)).toBe('30 of 400 launches: here alone');
  expect(whereWords({ ...value, high: null }, 31)).toBe('30 of 400 launches: 12× as often as elsewhere (6.0× to any)');
  expect(whereWords({ ...value, launches: null }, 31)).toBe('30, 97 % of them');
  expect(whereWords({ ...value, low: null, times: null }, 31)).toBe('30 of 400 launches');
});

const frame = (method: string, isOwn: boolean): Frame => ({ module: 'a.B', method, file: 'B.kt', line: 7, isOwn });

test('frames of others in a row are one line, own ones stand by themselves', () => {
  const lines = foldedFrames([frame('x', false), frame('y', false), frame('take', true), frame('z', false)]);
  expect(lines.map((line) => ('frame' in line ? line.frame.method : line.others.length))).toEqual([2, 'take', 1]);
});

test.each([
  [frame('take', true), 'a.B.take, B.kt:7'],
  [{ module: 'libphoto.so', method: 'encode', file: '', line: 0, isOwn: true }, 'libphoto.so.encode'],
  [{ module: 'src/photo.ts', method: 'take', file: 'photo.ts', line: 8, isOwn: true }, 'src/photo.ts.take:8'],
])('%j reads “%s”', (one, words) => expect(frameWords(one)).toBe(words));

test('no data is not the same as no crash', () => {
  const window = { fromMs: 0, toMs: 1 };
  const round = {
    application: 'Round',
    launches: 1_200,
    crashes: 0,
    peopleCrashed: 0,
    versions: [],
    countries: [],
    spread: NO_SPREAD,
  };
  expect(phoneSentence({ window, isCut: false, applications: [], groups: [] })).toMatch(/^No data: .*not the same/);
  // It is known from before, and told nothing in this window.
  const silent = { ...round, launches: 0 };
  expect(phoneSentence({ window, isCut: false, applications: [silent], groups: [] })).toMatch(/^No data: /);
  expect(phoneSentence({ window, isCut: false, applications: [silent], groups: [group({ crashes: 1 })] })).toBe(
    'Launches are not told; 1 crash at one place of the code.',
  );
  expect(phoneSentence({ window, isCut: false, applications: [{ ...round, launches: 1 }], groups: [] })).toBe(
    '1 launch, and no crash among them.',
  );
  expect(phoneSentence({ window, isCut: false, applications: [round], groups: [] })).toBe(
    '1,200 launches, and no crash among them.',
  );
  expect(phoneSentence({ window, isCut: false, applications: [round], groups: [group()] })).toBe(
    '1,200 launches; 31 crashes at one place of the code.',
  );
});

test('a filter that leaves nobody says so, and not that nothing crashed', () => {
  const window = { fromMs: 0, toMs: 1 };
  expect(phoneSentence({ window, isCut: false, applications: [], groups: [] }, true)).toMatch(
    /^No data for this filter/,
  );
});

test.each([
  [{ crashes: 0, launches: 1, times: null, low: null, high: null }, 'none of 1 launch crashed', undefined],
  [
    { crashes: 12, launches: 420, times: 1.42, low: 0.8, high: 2.3 },
    '12 of 420 launches crashed: 1.4× as often as elsewhere (0.8× to 2.3×)',
    1,
  ],
  [
    { crashes: 12, launches: 420, times: 2.1, low: 1.2, high: null },
    '12 of 420 launches crashed: 2.1× as often as elsewhere (1.2× to any)',
    2.1,
  ],
  [{ crashes: 1, launches: 1, times: null, low: null, high: null }, '1 of 1 launch crashed', undefined],
])('a country with %j reads: %s', (told, words, tone) => {
  expect(countryWords({ country: 'IE', ...told })).toBe(words);
  expect(toneRatio({ country: 'IE', ...told })).toBe(tone);
});

test('what a version asks and takes is told as far as it is known', () => {
  const version = (more: Partial<Version>) =>
    ({
      sessions: 0,
      requests: 0,
      requestsFailed: 0,
      requestMedianMs: null,
      errors: 0,
      cpu: null,
      memory: null,
      ...more,
    }) as Version;
  expect(demandWords(version({}))).toBe('');
  expect(
    demandWords(
      version({
        sessions: 210,
        requests: 840,
        requestsFailed: 10,
        requestMedianMs: 320,
        errors: 1,
        cpu: 0.31,
        memory: 24e7,
      }),
    ),
  ).toBe('1.2 % of 840 requests failed, median 320 ms; 1 error in 210 sessions; processor 31 %, memory 240 MB');
  expect(demandWords(version({ requests: 1 }))).toBe('none of 1 request failed');
});

test.each([
  ['requestsFailed', 3, true, 'failed requests 3.0× as often as all others'],
  ['requestsFailed', null, true, 'failed requests where all others have none'],
  ['errors', 0, false, 'no errors, others have some'],
  ['errors', 1.5, true, 'errors 50 % more often than all others'],
  ['memory', 2.4, true, 'memory 2.4× as much as all others'],
  ['cpu', 0.8, false, 'processor 20 % less than all others'],
  ['requestTime', 1.3, true, 'requests 30 % slower than all others'],
] as const)('%s %s times stands out: %s, %s', (what, times, isWorse, words) => {
  expect(standsOutWords({ standsOut: [{ what, times, isWorse }] })).toEqual([words]);
});

test('of many versions the oldest stand together', () => {
  const version = (name: string, launches: number[]) => ({ version: name, launches });
  expect(oldestTogether([version('', [1]), version('b', [2])])).toEqual([
    { name: 'version not told', launches: [1] },
    { name: 'b', launches: [2] },
  ]);
  const many = ['e', 'd', 'c', 'b', 'a'].map((name, i) => version(name, [i, 1]));
  expect(oldestTogether(many).at(-1)).toEqual({ name: 'older', launches: [7, 2] });
});
