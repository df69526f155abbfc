import fc from 'fast-check';
import type { Attributes, Span } from '../telemetry';
import {
  agreementOf,
  arePeopleOff,
  filledIn,
  isProbeRun,
  isProbeStep,
  judgementWords,
  judgeRun,
  layersOf,
  probeRunOf,
  probesSentence,
  probeStepOf,
  standingOf,
  statisticsOf,
  STEP_LAYERS,
  whereItLies,
  whyNoScript,
  type ProbeLimit,
  type ProbeStep,
  type RunVerdict,
} from '.';

const LIMITS: ProbeLimit[] = [
  { step: 'Sign in', slowMs: 1000, brokenMs: 5000 },
  { step: 'Sign in', site: 'Brackwater', slowMs: 2000, brokenMs: 8000 },
];
const step = (name: string, durationMs: number, failed = false) => ({ name, durationMs, failed });
const run = (...steps: ReturnType<typeof step>[]) => ({ failed: steps.some(({ failed }) => failed), fault: '', steps });

describe('a run is judged by its limits', () => {
  test.each([
    ['within the first', 1000, 'Ostrel', 'good', undefined],
    ['over the first', 1001, 'Ostrel', 'slow', 1000],
    ['at the second still slow', 5000, 'Ostrel', 'slow', 1000],
    ['over the second', 5001, 'Ostrel', 'broken', 5000],
    ['within the first of its site', 2000, 'Brackwater', 'good', undefined],
    ['over the first of its site', 2001, 'Brackwater', 'slow', 2000],
  ] as const)('%s', (_words, ms, site, verdict, limitMs) => {
    expect(judgeRun(run(step('Sign in', ms)), LIMITS, site)).toMatchObject({ verdict, limitMs });
  });

  test('failing is broken, whatever it took; the first step of the worst kind is named', () => {
    const judged = judgeRun(run(step('Sign in', 1500), step('Find', 10, true)), LIMITS, 'Ostrel');
    expect(judged).toEqual({ verdict: 'broken', step: 'Find', limitMs: undefined });
    expect(judgementWords(judged, 'status 503')).toBe('broken at Find: status 503');
  });

  test('a runner in trouble says nothing of the application', () => {
    const judged = judgeRun({ ...run(step('Sign in', 9, true)), fault: 'its clock is 4 min ahead' }, LIMITS, 'Ostrel');
    expect(judged.verdict).toBe('probeTrouble');
  });

  test('without a limit failing alone judges', () => {
    expect(judgeRun(run(step('Open', 29_000)), LIMITS, 'Ostrel').verdict).toBe('good');
    expect(judgeRun({ failed: true, fault: '', steps: [] }, [], 'Ostrel').verdict).toBe('broken');
  });

  test('looser limits never judge worse', () => {
    const limit = fc.record({ slowMs: fc.integer({ min: 1, max: 900 }), more: fc.integer({ min: 1, max: 900 }) });
    const worse: Readonly<Record<RunVerdict, number>> = { good: 0, slow: 1, broken: 2, probeTrouble: 3 };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), limit, fc.integer({ min: 0, max: 500 }), (ms, one, by) => {
        const at = (plus: number) =>
          judgeRun(
            run(step('a', ms)),
            [{ step: 'a', slowMs: one.slowMs + plus, brokenMs: one.slowMs + one.more + plus }],
            's',
          ).verdict;
        expect(worse[at(by)]).toBeLessThanOrEqual(worse[at(0)]);
      }),
    );
  });
});

describe('how it stands', () => {
  const MINUTE = 60_000;
  const stands = (verdicts: string, nowMs = verdicts.length * MINUTE) => {
    const of: Readonly<Record<string, RunVerdict>> = { g: 'good', s: 'slow', b: 'broken', t: 'probeTrouble' };
    const runs = [...verdicts].map((letter, i) => ({ atMs: i * MINUTE, verdict: of[letter] as RunVerdict }));
    return standingOf(runs, { everyMs: MINUTE, nowMs });
  };

  test.each([
    ['gggg', 'good', 0],
    ['gggb', 'good', 0],
    ['ggbb', 'broken', 2],
    ['ggbs', 'slow', 2],
    ['ggsb', 'slow', 2],
    ['gsbb', 'broken', 2],
    ['bbbg', 'broken', 0],
    ['bbgg', 'good', 2],
    ['bbsg', 'slow', 2],
    ['gbgb', 'good', 0],
    ['bbts', 'broken', 0],
    ['bbtt', 'probeTrouble', 2],
    ['bbttb', 'broken', 0],
  ])('%s: %s since the run of minute %i', (verdicts, standing, since) => {
    expect(stands(verdicts)).toEqual({ standing, sinceMs: since * MINUTE });
  });

  test('no run for four steps of the schedule is silence, and no run at all is nothing known', () => {
    expect(stands('gg', 5 * MINUTE).standing).toBe('good');
    expect(stands('gg', 5 * MINUTE + 1)).toEqual({ standing: 'silent', sinceMs: 2 * MINUTE });
    // A run during maintenance is not judged, and yet the probe was heard of.
    const judged = [{ atMs: 0, verdict: 'good' as const }];
    expect(standingOf(judged, { everyMs: MINUTE, nowMs: 9 * MINUTE, heardMs: 8 * MINUTE }).standing).toBe('good');
    expect(stands('')).toEqual({ standing: 'unknown', sinceMs: undefined });
  });

  test('two runs alike at the end decide', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[gsb]{0,20}$/), fc.constantFrom('g', 's', 'b'), (before, last) => {
        const standing = { g: 'good', s: 'slow', b: 'broken' }[last];
        expect(stands(before + last + last).standing).toBe(standing);
      }),
    );
  });
});

test('statistics: runs of a probe in trouble count nowhere; those that did not come are missed', () => {
  const at = (minute: number, verdict: RunVerdict, durationMs = 100) => ({
    atMs: minute * 60_000,
    verdict,
    durationMs,
  });
  const runs = [
    at(0, 'good', 100),
    at(1, 'slow', 300),
    at(2, 'broken', 500),
    at(3, 'probeTrouble', 9_000),
    at(6, 'good', 200),
  ];
  const told = statisticsOf(runs, 60_000);
  expect(told).toMatchObject({ runs: 5, good: 2, slow: 1, broken: 1, probeTrouble: 1, missed: 2, medianMs: 250 });
  // 3 of 4: Wilson 1927, worked out by hand.
  expect(told.reachable?.low).toBeCloseTo(0.3006, 3);
  expect(told.reachable?.high).toBeCloseTo(0.9544, 3);
  expect(statisticsOf([], 60_000)).toMatchObject({ runs: 0, missed: 0, reachable: undefined });
});

test('off from most sites it is the application, from few the site, and nobody knows alone', () => {
  expect(whereItLies(['good', 'good', 'broken'])).toBe('site');
  expect(whereItLies(['slow', 'broken', 'good'])).toBe('application');
  expect(whereItLies(['silent', 'probeTrouble', 'unknown'])).toBe('unknown');
  // Half of them is not most.
  expect(whereItLies(['slow', 'good'])).toBe('site');
});

describe('beside people', () => {
  test('people are off beyond chance and by more than a little', () => {
    expect(arePeopleOff({ attempts: 200, bad: 40 }, { attempts: 4000, bad: 120 })).toBe(true);
    expect(arePeopleOff({ attempts: 200, bad: 7 }, { attempts: 4000, bad: 120 })).toBe(false);
    // Beyond chance among very many, and yet next to nothing.
    expect(arePeopleOff({ attempts: 100_000, bad: 5_000 }, { attempts: 100_000, bad: 3_000 })).toBe(false);
    expect(arePeopleOff({ attempts: 19, bad: 19 }, { attempts: 4000, bad: 0 })).toBeUndefined();
  });

  test('each of the four is told, and what is not known is not made up', () => {
    expect([agreementOf(true, true), agreementOf(true, false)]).toEqual(['bothOff', 'probesAlone']);
    expect([agreementOf(false, true), agreementOf(false, false)]).toEqual(['peopleAlone', 'bothWell']);
    expect([agreementOf(undefined, true), agreementOf(true, undefined)]).toEqual(['noProbe', 'tooFewPeople']);
  });
});

test('layers add up to the step; a server cannot have taken longer than was waited for it', () => {
  const ms = fc.double({ min: 0, max: 1e4, noNaN: true });
  const parts = fc.record({ nameMs: ms, connectMs: ms, waitMs: ms, transferMs: ms });
  fc.assert(
    fc.property(ms, parts, ms, ms, (durationMs, told, serverMs, storeMs) => {
      const layers = layersOf(durationMs, told, { serverMs, storeMs });
      const all = STEP_LAYERS.map((layer) => layers?.[layer] ?? NaN);
      expect(all.reduce((sum, one) => sum + one, 0)).toBeCloseTo(durationMs, 6);
    }),
  );
  expect(
    layersOf(1000, { nameMs: 10, connectMs: 90, waitMs: 600, transferMs: 200 }, { serverMs: 450, storeMs: 150 }),
  ).toEqual({ device: 100, line: 450, server: 300, store: 150 });
  expect(layersOf(1000, undefined, { serverMs: 1, storeMs: 1 })).toBeUndefined();
});

describe('a script', () => {
  const request: ProbeStep = { name: 'Ask', kind: 'request', url: 'https://desk.example/' };
  test.each([
    ['two of a name', [request, request], 'two steps are called “Ask”'],
    ['no address', [{ ...request, url: undefined }], 'step “Ask”: url is missing'],
    ['another protocol', [{ ...request, url: 'ftp://desk.example/' }], 'step “Ask”: url is no address'],
    ['no page', [{ name: 'Tap', kind: 'tap', selector: '#go' }], 'step “Tap”: no page is open yet'],
    [
      'no element',
      [
        { name: 'Open', kind: 'open', url: 'https://a.example' },
        { name: 'Tap', kind: 'tap' },
      ],
      'selector is missing',
    ],
  ] as [string, ProbeStep[], string][])('%s is told by step and field', (_words, steps, why) => {
    expect(whyNoScript(steps)).toContain(why);
  });

  test('placeholders stand for what the runner is told', () => {
    expect(whyNoScript([{ ...request, url: '{{desk}}/find?depot={{depot}}' }])).toBeUndefined();
    expect(filledIn('{{desk}}/a', { desk: 'http://10.0.0.1' })).toBe('http://10.0.0.1/a');
    expect(() => filledIn('{{desk}}/a', {})).toThrow('--set desk=');
  });
});

describe('spans', () => {
  const span = (attributes: Attributes, more: Partial<Span> = {}): Span => ({
    traceId: 'a'.repeat(32),
    spanId: 'b'.repeat(16),
    parentSpanId: '',
    name: 'Sign in',
    kind: 1,
    startUs: 1e15,
    durationUs: 2e5,
    error: false,
    exceptionType: '',
    exception: {},
    attributes,
    resource: { 'toplens.application': 'Depot Desk', 'host.name': 'probe-1' },
    ...more,
  });
  const synthetic: Attributes = {
    'user_agent.synthetic.type': 'test',
    'toplens.probe': 'Depot sign-in',
    'toplens.site': 'Ostrel',
  };

  test('a run is a root that names its probe and is no person', () => {
    expect(isProbeRun(span(synthetic))).toBe(true);
    expect(isProbeRun(span({ 'toplens.probe': 'Depot sign-in' }))).toBe(false);
    expect(isProbeRun(span(synthetic, { parentSpanId: 'c'.repeat(16) }))).toBe(false);
    expect(probeRunOf(span({ ...synthetic, 'toplens.probe.fault': 'its clock is 4 min ahead' }))).toMatchObject({
      probe: 'Depot sign-in',
      application: 'Depot Desk',
      site: 'Ostrel',
      host: 'probe-1',
      failed: false,
      fault: 'its clock is 4 min ahead',
    });
  });

  test('a step tells where its time went, and why it failed', () => {
    const told = span(
      {
        'toplens.probe.step': 1,
        'toplens.probe.wait_ms': 120,
        'toplens.probe.name_ms': -3,
        'exception.message': 'status 503',
      },
      { parentSpanId: 'c'.repeat(16), error: true },
    );
    expect(isProbeStep(told)).toBe(true);
    expect(probeStepOf(told)).toMatchObject({
      run: 'c'.repeat(16),
      place: 1,
      failed: true,
      message: 'status 503',
      parts: { nameMs: 0, connectMs: 0, waitMs: 120, transferMs: 0 },
    });
    expect(probeStepOf(span({ 'toplens.probe.step': 0 })).parts).toBeUndefined();
  });
});

test('the sentence names what is off', () => {
  const line = (standing: 'good' | 'broken' | 'silent' | 'unknown', site: string) => ({
    probe: 'Depot sign-in',
    site,
    standing,
  });
  expect(probesSentence([])).toBe('No probe has run yet.');
  expect(probesSentence([line('good', 'Ostrel')])).toBe('All is well: 1 probe at its site.');
  // What never ran is not well.
  expect(probesSentence([line('good', 'Ostrel'), line('unknown', 'Dunsel')])).toBe(
    'Of 2 probes at their sites: 1 not run yet, Depot sign-in from Dunsel.',
  );
  expect(probesSentence([line('good', 'Ostrel'), line('broken', 'Wending'), line('silent', 'Dunsel')])).toBe(
    'Of 3 probes at their sites: 1 broken, Depot sign-in from Wending; 1 silent, Depot sign-in from Dunsel.',
  );
});
