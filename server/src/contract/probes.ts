import type { Static } from '@sinclair/typebox';
import { AGREEMENTS, PROBE_STANDINGS, RUN_VERDICTS } from '@toplens/core/probes';
import { object, string } from 'yup';
import { Interval, Window } from './common';
import { get, path, problem, type Paths } from './paths';
import { windowQuery } from './queries';
import {
  anything,
  EPOCH_MS,
  MS,
  flag,
  integer,
  list,
  number,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
  texts,
} from './words';

const verdict = oneOf(RUN_VERDICTS, 'by the limits that were in force when it ran; probeTrouble: the runner itself');

export const ProbeLine = resource('ProbeLine', 'How a probe stands from one site', {
  probe: text('name of the probe', 'Depot sign-in'),
  application: text('name of the application that it checks', 'Depot Desk'),
  site: text('where it is run from', 'Brackwater'),
  isScripted: flag('the settings hold its script; else a runner of somebody else tells of it'),
  everyMs: number('so often it is to run', MS, 300000),
  standing: oneOf(PROBE_STANDINGS, 'after its last runs: two in a row make it worse or better'),
  sinceMs: orNull(
    number('begin of the first run that this rests on; null while nothing is known', EPOCH_MS, 1772442000000),
  ),
  words: text('how it stands, in words', 'broken at Sign in: status 503'),
  whereWords: text(
    "why it is the site or the application, by its other sites; '' while it is not off",
    'from most other sites it is well, so it is this site or its line',
  ),
  team: orNull(
    text('whom it is for by the rules of owners; null while it is not off, or nobody owns it', 'Sites & Network'),
  ),
  runs: integer('runs that came', 'runs', 288),
  good: integer('of them, well', 'runs', 280),
  slow: integer('of them, slow by a limit', 'runs', 5),
  broken: integer('of them, broken', 'runs', 2),
  probeTrouble: integer('of them, of a runner in trouble itself: they tell nothing of the application', 'runs', 1),
  missed: integer('runs that should have come and did not', 'runs', 0),
  inMaintenance: integer('runs during maintenance: counted nowhere else', 'runs', 0),
  reachable: orNull(ref(Interval, 'share of telling runs that were not broken; null without any')),
  medianMs: orNull(number('half of the telling runs took less', MS, 1240)),
  p95Ms: orNull(number('19 of 20 took less', MS, 2100)),
  agreement: oneOf(AGREEMENTS, 'what people say of the same'),
  agreementWords: text("in words; '' where it means nothing", 'People at Brackwater are off as well.'),
  recent: list(
    record({
      id: text('number of the run, 16 hexadecimal digits', '00f067aa0ba902b7'),
      atMs: number('when it began', EPOCH_MS, 1772442000000),
      verdict,
      words: text('in words', 'well'),
    }),
    'the newest runs, oldest first',
  ),
});
export type ProbeLineShape = Static<typeof ProbeLine>;

export const Probes = resource('Probes', 'Every scripted check from every site', {
  window: ref(Window, 'what was looked at'),
  sentence: text('how they stand together', 'All is well: 9 probes at their sites.'),
  most: orNull(
    integer('more runs came than are looked at: so many of the newest were; null when all were', 'runs', 20000),
  ),
  lines: list(ref(ProbeLine), 'the worst first'),
});
export type ProbesShape = Static<typeof Probes>;

export const ProbeStepLine = resource('ProbeStepLine', 'A step of a probe from one site', {
  site: text('where it is run from', 'Brackwater'),
  step: text('name of the step', 'Sign in'),
  runs: integer('how often it ran', 'runs', 288),
  failed: integer('of them, failed', 'runs', 2),
  medianMs: orNull(number('half of those that did not fail took less; null without any', MS, 620)),
  p95Ms: orNull(number('19 of 20 took less', MS, 980)),
  slowMs: orNull(number('limit: slow from then on; null without one', MS, 2000)),
  brokenMs: orNull(number('limit: broken from then on', MS, 8000)),
  isOwnLimit: flag('the limit is of this site alone'),
  overSlow: integer('that took longer than the first limit as it is now', 'runs', 5),
  overBroken: integer('that took longer than the second', 'runs', 0),
});
export type ProbeStepLineShape = Static<typeof ProbeStepLine>;

export const ProbePage = resource('ProbePage', 'One probe: its sites, steps, runs, script and limits', {
  window: ref(Window, 'what was looked at'),
  name: text('name', 'Depot sign-in'),
  application: text('name of the application that it checks', 'Depot Desk'),
  everyMs: number('so often it is to run', MS, 300000),
  script: orNull(
    list(anything('a step', { name: 'Sign in', kind: 'request' }), 'its steps; null when the settings hold none'),
  ),
  limits: list(
    record({
      step: text('name of the step', 'Sign in'),
      site: orNull(text('of this site alone; null: of all that have none of their own', 'Brackwater')),
      slowMs: number('slow from then on', MS, 2000),
      brokenMs: number('broken from then on', MS, 8000),
    }),
    'two for a step: slow, and as good as broken',
  ),
  changes: list(
    record({
      atMs: number('when', EPOCH_MS, 1772442000000),
      who: text('who', 'Dana'),
      words: text('what, in words', 'Sign in slow from 2 s, broken from 8 s at Brackwater'),
    }),
    'of script, schedule and limits, newest first',
  ),
  sites: list(ref(ProbeLine), 'how it stands from each'),
  steps: list(ref(ProbeStepLine), 'each step from each site, or from the one that was asked for'),
  runs: list(
    record({
      id: text('number of the run, 16 hexadecimal digits', '00f067aa0ba902b7'),
      atMs: number('when it began', EPOCH_MS, 1772442000000),
      site: text('where it ran', 'Brackwater'),
      durationMs: number('how long it took', MS, 1240),
      verdict,
      words: text('in words', 'slow: Sign in took longer than 2 s'),
    }),
    'the newest first',
  ),
  all: integer('runs in the window; more than are listed, perhaps', 'runs', 2592),
});
export type ProbePageShape = Static<typeof ProbePage>;

export const ProbeRunPage = resource('ProbeRunPage', 'One run of a probe, step by step', {
  id: text('number of the run, 16 hexadecimal digits', '00f067aa0ba902b7'),
  traceId: text('number of the trace, 32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736'),
  probe: text('name of the probe', 'Depot sign-in'),
  application: text('name of the application', 'Depot Desk'),
  site: text('where it ran', 'Brackwater'),
  host: text("name of the runner's host; '' when not told", 'brac-probe'),
  atMs: number('when it began', EPOCH_MS, 1772442000000),
  durationMs: number('how long it took', MS, 1240),
  verdict,
  words: text('in words', 'well'),
  fault: text("what is wrong with the runner; '' when its self-check is well", 'its clock is 4 min ahead'),
  maintenance: text("why work was agreed on while it ran; '' when none was", 'migration'),
  steps: list(
    record({
      name: text('name of the step', 'Sign in'),
      startMs: number('when it began, after the begin of the run', MS, 420),
      durationMs: number('how long it took', MS, 620),
      failed: flag('it failed'),
      message: text("why; '' when it did not", 'status 503, expected below 400'),
      slowMs: orNull(number('limit that was in force: slow', MS, 2000)),
      brokenMs: orNull(number('limit that was in force: broken', MS, 8000)),
      parts: orNull(
        record(
          {
            nameMs: number('asking for the address of the name', MS, 4),
            connectMs: number('connection and TLS', MS, 42),
            waitMs: number('from the request to the first byte', MS, 540),
            transferMs: number('from the first byte to the last', MS, 34),
          },
          'of a request; null for what a browser did',
        ),
      ),
      layers: orNull(
        record(
          {
            device: number('the runner and its browser', MS, 2),
            line: number('all between it and the server', MS, 180),
            server: number('the server, less its calls to stores', MS, 340),
            store: number('calls to stores', MS, 98),
          },
          'where the time went; null where it is not told',
        ),
      ),
      services: texts('services that took part, as their spans tell', ['manifests']),
    }),
    'in the order of the script',
  ),
  hasTrace: flag('spans of it are kept'),
});
export type ProbeRunPageShape = Static<typeof ProbeRunPage>;

export const ProbeScripts = resource('ProbeScripts', 'What a runner is to run at its site', {
  nowMs: number("the server's clock, by which a runner checks its own", EPOCH_MS, 1772442000000),
  scripts: list(
    record({
      name: text('name of the probe', 'Depot sign-in'),
      application: text('name of the application', 'Depot Desk'),
      everyS: integer('so often it is to run', 's', 300),
      steps: list(anything('a step', { name: 'Sign in', kind: 'request' }), 'in their order'),
    }),
    'by name',
  ),
});
export type ProbeScriptsShape = Static<typeof ProbeScripts>;

const site = string().trim().min(1).max(200);
export const probePageQuery = object({
  site: site.meta({ description: 'steps and runs of this site alone', example: 'Brackwater' }),
});
export const scriptsQuery = object({
  site: site
    .required('site: say where the runner stands')
    .meta({ description: 'where the runner stands', example: 'Brackwater' }),
});

export const probePaths: Paths = {
  '/api/probes': {
    get: get('Every scripted check from every site, the worst first', Probes, { query: [windowQuery] }),
  },
  '/api/probes/{name}': {
    get: get('One probe: its sites, steps, runs, script and limits', ProbePage, {
      path: [path('name', 'name of the probe', 'Depot sign-in')],
      query: [windowQuery, probePageQuery],
    }),
  },
  '/api/probe-runs/{id}': {
    get: get('One run, step by step, with where the time of each went', ProbeRunPage, {
      path: [path('id', '16 hexadecimal digits', '00f067aa0ba902b7')],
    }),
  },
  '/v1/probes': {
    get: {
      ...get('What a runner is to run at its site', ProbeScripts, { query: [scriptsQuery] }),
      responses: {
        '200': {
          description: 'scripts, and the clock of the server',
          content: { 'application/json': { schema: { $ref: '#/components/schemas/ProbeScripts' } } },
        },
        '4XX': problem,
        '5XX': problem,
      },
      security: [{ ingestKey: [] }],
    },
  },
};
