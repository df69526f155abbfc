import type { Static } from '@sinclair/typebox';
import { get, incidentId, path, type Paths } from './paths';
import { windowQuery } from './queries';
import { FIGURES } from '@toplens/core/hosts';
import { PART_KINDS, PART_LEVELS } from '@toplens/core/estate';
import { LEVELS } from '@toplens/core/normal';
import { Window } from './common';
import {
  EPOCH_MS,
  MS,
  SHARE,
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

export const HostFigure = resource(
  'HostFigure',
  'One measured quantity of a host or process, against the time before',
  {
    figure: oneOf(FIGURES, 'name of the measured quantity'),
    host: text("name of the host; '' where there is none", 'depot-07'),
    component: text('name of the component (service.name)', 'slots'),
    verdict: oneOf(['usual', 'raised', 'lowered', 'full', 'unknown'], 'how it is against the usual'),
    usual: orNull(number("median of the time before, in the figure's unit; null when too little came", '1', 1)),
    now: orNull(number('median while it went on; null when nothing came', '1', 1)),
    highest: orNull(number('highest value in the window; null when none came', '1', 1)),
    points: list(
      record({
        atMs: number('when it was', EPOCH_MS, 1772442840000),
        value: number("in the figure's unit: shares from 0 to 1, milliseconds, bytes a second, counts", '1', 1),
      }),
      'values, minute by minute',
    ),
  },
);
export type HostFigureShape = Static<typeof HostFigure>;

export const Hosts = resource('Hosts', 'Hosts, processes and runtimes while something went on', {
  now: ref(Window, 'while it went on'),
  before: ref(Window, 'the time before, that it is compared with'),
  lines: list(
    record({
      figure: oneOf(FIGURES, 'name of the measured quantity'),
      words: text('in words', ''),
      isLeftOver: flag('it is not as usual, so it may be the cause'),
      looked: integer('hosts that were looked at', 'hosts', 4),
      odd: list(ref(HostFigure), 'what is not as usual'),
    }),
    'a line a figure, what is left over first',
  ),
  restarts: list(
    record({
      component: text('name of the component (service.name)', 'slots'),
      host: text("name of the host; '' where there is none", 'depot-07'),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
    }),
    'processes that began anew',
  ),
  advice: list(
    record({
      words: text('in words', ''),
      evidence: text('what the advice rests on', 'swap rose from 0 to 1.2 GB'),
    }),
    'what may be tried, with the evidence for it',
  ),
  unknown: integer('figures of which too little was told', 'figures', 2),
  leftOut: texts('what was left out since it belongs to something else, in sentences', [
    'What parcels-db runs on is left to the incident of Pick a slot, which begins there.',
  ]),
});
export type HostsShape = Static<typeof Hosts>;

export const Hop = resource('Hop', 'Calls from one component to another', {
  from: text("the component that calls; '' for what begins a trace", 'courier-gateway'),
  to: text('the component that is called', 'slots'),
  calls: integer('how often', 'calls', 42),
  failed: integer('calls that failed', 'calls', 4),
  meanMs: number('mean duration; null without any', MS, 640),
  longestMs: number('the longest', MS, 4200),
  traces: integer('traces that make the call', 'traces', 180),
  shareOfTraces: number('share of the traces that make the call', SHARE, 0.9),
  depth: number('steps below the begin, mean', '1', 2),
});
export type HopShape = Static<typeof Hop>;

export const RunningPart = resource('RunningPart', 'A component on a host, or a store', {
  kind: oneOf(PART_KINDS, 'what it is'),
  component: text('name of the component (service.name)', 'slots'),
  host: text("name of the host; '' where there is none", 'depot-07'),
  application: text('name of the application', 'Courier app'),
  region: text("zone that it runs in; '' when not reported", 'north'),
  team: text('name of the team', 'Slots Team'),
  version: text("version of the component; '' when not told", '4.18.0'),
  level: oneOf(PART_LEVELS, 'how bad it is'),
  slowness: orNull(
    number(
      'mean duration against what is usual, or where that is not known against the time just before; null when either is not known',
      '1',
      1.4,
    ),
  ),
  isUsualKnown: flag('earlier days are known, and judge; else the time just before does'),
  isSudden: flag('something changed against the time just before'),
  attemptsPerMinute: number('attempts a minute', '1/min', 84),
  beforePerMinute: number('attempts a minute in the time just before', '1/min', 88),
  usualPerMinute: orNull(number('attempts a minute in the same hours of earlier days; null without any', '1/min', 90)),
  failing: orNull(number('share of attempts that failed; null without attempts', SHARE, 0.02)),
  changes: texts('what is not as usual or changed suddenly, in words', ['3.1× as long as usual']),
  figures: texts('measured quantities of its host or process that are not as usual, in words', [
    'CPU 96 %, at the same time of the day before 31 %',
  ]),
});
export type RunningPartShape = Static<typeof RunningPart>;

export const Estate = resource('Estate', 'Everything that runs, at the end of a window', {
  window: ref(Window, 'the end of the window, which is compared'),
  before: ref(Window, 'the longer time before it'),
  usual: list(ref(Window), 'the same hours of earlier days, those that are known; empty while none is'),
  parts: list(ref(RunningPart), 'parts'),
});
export type EstateShape = Static<typeof Estate>;

export const Component = resource('Component', 'A component: who calls it, whom it calls, what went wrong in it', {
  name: text('name of the component (service.name)', 'slots'),
  window: ref(Window, 'what was looked at'),
  before: ref(Window, 'the time before, that it is compared with'),
  team: orNull(text('name of the team', 'Slots Team')),
  traces: integer('traces that were looked at', 'traces', 200),
  attempts: integer('attempts that were begun', 'attempts', 1840),
  callers: list(ref(Hop), 'components that call it'),
  callees: list(ref(Hop), 'components that it calls'),
  hosts: texts('names of its hosts', ['north-1', 'north-2']),
  neighbours: list(
    record({
      component: text('name of another component (service.name)', 'labels'),
      application: text('name of its application', 'Sender Portal'),
      hosts: texts('hosts that both run on', ['north-1']),
    }),
    'other components on its hosts',
  ),
  figures: list(
    record({
      figure: oneOf(FIGURES, 'name of the measured quantity'),
      hosts: list(ref(HostFigure), 'the hosts, those not as usual first'),
    }),
    'measured quantities of its hosts',
  ),
  flows: list(
    record({
      id: integer('number', '1', 7),
      name: text('name of the component (service.name)', 'slots'),
      application: text('name of the application', 'Courier app'),
      level: oneOf([...LEVELS, 'learning', 'noData'], 'how bad it is; learning: not known yet what is usual'),
    }),
    'flows, by name',
  ),
  incidents: list(
    record({
      id: integer('number', '1', 7),
      title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
      onsetMs: number('when it began, told by change-point', EPOCH_MS, 1772442840000),
      inTroubleNow: flag('goes on now, whatever window is looked at'),
    }),
    'incidents',
  ),
  changes: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      words: text('in words', ''),
    }),
    'what was changed, newest first',
  ),
});
export type ComponentShape = Static<typeof Component>;

export const PartWarning = resource('PartWarning', 'What is not as usual, and nobody may feel yet', {
  kind: oneOf(
    ['probe', 'empty', 'replica', 'full', 'raised'],
    'a probe is off that nobody may feel yet, a flow answers in next to no time, one of several hosts is silent, nothing is left of something, more than usual',
  ),
  flow: orNull(integer('number of the flow; null where it is no flow', '1', 7)),
  component: text("name of the component (service.name); '' for the host as a whole, or a flow", 'addresses'),
  host: text("name of the host; '' where there is none", 'north-2'),
  probe: orNull(
    record(
      { name: text('name', 'Depot sign-in'), site: text('where it is run from', 'Brackwater') },
      'of a probe; null else',
    ),
  ),
  team: orNull(text('name of the team; null when no rule names one', 'Portal')),
  sinceMs: orNull(number('since when; null when that is not known', EPOCH_MS, 1772442840000)),
  title: text('what is not as usual', 'Silent for 3.2 h: addresses on north-2'),
  mayBecome: text('what may come of it, in words', 'One host carries all of it now.'),
});
export type PartWarningShape = Static<typeof PartWarning>;

export const EarlyWarnings = resource(
  'EarlyWarnings',
  'What is not as usual on hosts, and flows that answer too quickly',
  {
    window: ref(Window, 'what was looked at'),
    warnings: list(ref(PartWarning), 'what is not as usual: probes, flows, silent hosts, what is full, what is raised'),
  },
);
export type EarlyWarningsShape = Static<typeof EarlyWarnings>;

export const infrastructurePaths: Paths = {
  '/api/early-warnings': {
    get: get(
      'Probes that are off, flows that answer in next to no time, hosts that fell silent while others of their component work, and figures of hosts that are full or raised',
      EarlyWarnings,
      { query: [windowQuery] },
    ),
  },
  '/api/estate': {
    get: get('Everything that runs: the end of the window against the same hours of earlier days', Estate, {
      query: [windowQuery],
    }),
  },
  '/api/components/{name}': {
    get: get('A component: callers, callees, hosts, flows, incidents, changes', Component, {
      path: [path('name', 'name of the component (service.name)', 'slots')],
      query: [windowQuery],
    }),
  },
  '/api/incidents/{id}/hosts': {
    get: get('Hosts of an incident: processes and runtimes too, ruled out or left over', Hosts, { path: [incidentId] }),
  },
};
