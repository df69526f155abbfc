import {
  changeLine,
  changeSentence,
  likeWords,
  type Off,
  offFigures,
  personSentence,
  type Remote,
  remoteFigures,
  type RemoteGroup,
  remoteSentence,
  scoreWords,
  type SiteChange,
  type Sites,
  sitesSentence,
  steadyWords,
  timeOf,
  toneOf,
  type WorkPerson,
} from './sites-words';

const sites = (more: object): Sites =>
  ({ people: 240, compared: 180, by: 'site', groups: [{}, {}], off: [], ...more }) as unknown as Sites;

test('the sentence says how many people where, and whether anything is off; what is not known is not calm', () => {
  expect(sitesSentence(sites({}))).toBe('240 people at 2 sites; nothing is off beyond what a day brings.');
  expect(sitesSentence(sites({ off: [{}] }))).toBe('240 people at 2 sites; one thing is off.');
  expect(sitesSentence(sites({ compared: 0, by: 'role' }))).toBe(
    '240 people at 2 roles; too little was done to tell whether anything is off.',
  );
  expect(sitesSentence(sites({ groups: [] }))).toMatch(/^No data: no attempt of this time tells where it was made/);
  expect(sitesSentence(sites({ groups: [], by: 'role' }))).toBe(
    'No data: no attempt of this time tells both its site (toplens.site) and its role (toplens.role).',
  );
  expect(sitesSentence(sites({ groups: [] }), true)).toMatch(/^No data for this filter/);
});

test('the one scale in words: the norm is the middle', () => {
  expect(scoreWords({ score: 0.51, standardError: 0.01 })).toBe('as everybody');
  expect(scoreWords({ score: 0.69, standardError: 0.01 })).toBe('69 of 100 take longer than one of anybody');
  expect(scoreWords({ score: 0.45, standardError: 0.01 })).toBe('55 of 100 are quicker than one of anybody');
  expect([0.4, 0.29, 0.2].map((unsteadiness) => steadyWords({ unsteadiness }))).toEqual([
    'unsteady',
    'as steady as everybody',
    'steady',
  ]);
});

test('what is off: how much, of which application, how many were compared', () => {
  const off = { factor: 2.44, low: 2.1, high: 12.4, application: 'Depot Desk', people: 28, layer: 'line' } as Off;
  expect(offFigures(off)).toBe('2.4× as long (2.1× to 12×) · Depot Desk · 28 people compared');
  expect(offFigures({ ...off, layer: 'device' })).toBe('2.4× as long (2.1× to 12×) · Depot Desk');
});

test('a person beside like people, and an activity beside what is usual', () => {
  expect(likeWords({ factor: 1.9, low: 1.6, high: 2.2, like: 14, likeness: 'sameSiteServer' })).toBe(
    '1.9× (1.6× to 2.2×) as long as 14 like people: same site and server',
  );
  const cell = { id: 1, group: 'North', attempts: 40, good: 38, people: 9, medianMs: 900, usualMs: 500 };
  expect(timeOf(cell)).toEqual({ value: '900 ms', detail: '1.8× · 40', tone: 1 });
  expect(timeOf({ ...cell, medianMs: 600 })).toEqual({ value: '600 ms', detail: '1.2× · 40', tone: 0 });
  expect(timeOf({ ...cell, attempts: 19 })).toEqual({ value: '900 ms', detail: '1.8× · 19' });
  expect(timeOf({ ...cell, usualMs: null })).toEqual({ value: '900 ms', detail: '40' });
  expect(timeOf({ ...cell, medianMs: null })).toEqual({ value: '–', detail: '40' });
  expect([38, 37, 31].map((good) => toneOf({ attempts: 40, good }))).toEqual([0, 0, 1]);
  expect(toneOf({ attempts: 19, good: 1 })).toBeUndefined();
});

test('before and after a change: better, worse, no difference, or too little to tell', () => {
  const told = (more: Partial<SiteChange>) =>
    changeSentence({
      by: 'site',
      verdict: 'worse',
      factor: { estimate: 1.31, low: 1.12, high: 1.52 },
      groups: [{ isChanged: true }, { isChanged: true }, { isChanged: false }],
      ...more,
    } as SiteChange);
  expect(told({})).toBe(
    'Worse: at 2 sites things take 1.31× (1.12× to 1.52×) the time that it would have become without the change, going by the sites without it.',
  );
  expect(told({ verdict: 'better' })).toMatch(/^Better: /);
  expect(told({ verdict: 'noDifference' })).toMatch(/^No difference shown: /);
  expect(told({ verdict: 'tooLittle' })).toMatch(/^Too little to tell: at 2 sites/);
  expect(told({ factor: null, verdict: 'tooLittle' })).toMatch(/^Too little to tell: it takes two sites or more/);
});

test('a site beside itself', () => {
  const line = { group: 'North', isChanged: true, before: 420, after: 410, factor: 1.8 };
  expect(changeLine({ ...line, failed: { estimate: 0.012, low: 0.004, high: 0.02 } })).toBe(
    'changed · 1.80× as long as before · 1.2 of 100 more fail · 420 attempts before, 410 after',
  );
  expect(changeLine({ ...line, isChanged: false, factor: null, failed: null })).toBe(
    'too few to tell · 420 attempts before, 410 after',
  );
});

describe('remote desktops', () => {
  const group = (name: string, verdict: RemoteGroup['verdict']): RemoteGroup => ({
    group: name,
    sessions: 7,
    roundTripMs: 84,
    beforeMs: 31,
    factor: 2.7,
    activityFactor: 2.4,
    verdict,
    words: '',
    curve: { startMs: 0, stepMs: 1, roundTripMs: [], activityFactor: [] },
  });
  const remote = (...groups: RemoteGroup[]): Remote => ({
    window: { fromMs: 0, toMs: 1 },
    before: { fromMs: 0, toMs: 0 },
    by: 'site',
    sessions: 14,
    groups,
  });

  test('the sentence says where it lies, or that all is as before', () => {
    expect(remoteSentence(remote(group('North', 'well'), group('Brackwater', 'line')))).toBe(
      '14 sessions on remote desktops: the way takes longer for Brackwater, and people are slower for it.',
    );
    expect(remoteSentence(remote(group('farm-1', 'application')))).toContain('it is what runs there');
    expect(remoteSentence(remote(group('North', 'well'), group('South', 'tooLittle')))).toContain('are as before');
    // Of too few nothing is said, not even that all is as before.
    expect(remoteSentence(remote(group('North', 'tooLittle')))).toBe(
      '14 sessions on remote desktops: too few of any one place to tell.',
    );
  });

  test('figures have their unit, and what is not known is said', () => {
    expect(remoteFigures(group('Brackwater', 'line'))).toBe(
      'round trip 84 ms, before 31 ms · activities 2.4× as long as usual · 7 sessions',
    );
    expect(remoteFigures({ ...group('x', 'well'), beforeMs: null, activityFactor: null })).toBe(
      'round trip 84 ms, not known from before · 7 sessions',
    );
  });
});

test('a person is told against like people, with how much of it is judged; of too little nothing is made', () => {
  const person: WorkPerson = {
    window: { fromMs: 0, toMs: 1 },
    host: 'east-103',
    person: 'staf…',
    site: 'Eastfen',
    server: 'desk-coast',
    station: 'desktop',
    attempts: 12,
    failed: 1,
    judged: 11,
    compared: { factor: 2.4, low: 1.8, high: 3.4, likeness: 'sameSiteServerStation', like: 10, isOff: true },
    startMs: 0,
    stepMs: 1,
    own: [],
    like: [],
    volume: [],
  };
  expect(personSentence(person)).toBe(
    'east-103 at Eastfen takes 2.4× (1.8× to 3.4×) as long as 10 like people: same site, server and station. Of 12 attempts, 11 can be judged; 1 failed.',
  );
  expect(personSentence({ ...person, compared: null, failed: 0 })).toBe(
    'east-103 at Eastfen did too little to be compared, or too few are like them. Of 12 attempts, 11 can be judged.',
  );
});
