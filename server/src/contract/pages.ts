import type { Static, TSchema } from '@sinclair/typebox';
import { object, string } from 'yup';
import { get, ok, path, post, type Paths } from './paths';
import { windowQuery } from './queries';
import { PAGE_DIMENSIONS, PARTS, RATINGS, VIEW_KINDS, VITALS, type Vital as VitalName } from '@toplens/core/pages';
import { byName } from '../by-name';
import { Window } from './common';
import {
  EPOCH_MS,
  MS,
  SHARE,
  flag,
  integer,
  list,
  number,
  numbers,
  numbersOrNull,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
  texts,
} from './words';

const VITAL_WORDS: Record<VitalName, readonly [words: string, unit: string]> = {
  ttfb: ['time to first byte (Web Vitals)', MS],
  fcp: ['first contentful paint (Web Vitals)', MS],
  lcp: ['largest contentful paint (Web Vitals)', MS],
  inp: ['interaction to next paint (Web Vitals)', MS],
  cls: ['cumulative layout shift (Web Vitals)', '1'],
};

const byVital = <Schema extends TSchema>(schemaOf: (words: string, unit: string) => Schema) =>
  record(
    byName(VITALS, (vital) => schemaOf(...VITAL_WORDS[vital])),
    'Web Vitals',
  );

const loadParts = (words: string) =>
  numbers(
    words,
    MS,
    PARTS.map((_, i) => 20 * i),
    { minItems: PARTS.length, maxItems: PARTS.length },
  );

export const Vital = resource('Vital', 'One Web Vital of a group of views', {
  p75: number("three quarters are no larger, in the vital's unit", '1', 1),
  rating: oneOf(RATINGS, 'by the published thresholds (web.dev/vitals)'),
  views: integer('views of pages', 'views', 1840),
});
export type VitalShape = Static<typeof Vital>;

export const PageGroup = resource('PageGroup', 'Views of one page, country or the like', {
  name: text('page, country or the like', '/pick-up'),
  views: integer('views of pages', 'views', 1840),
  people: integer('persons, each counted once', 'people', 128),
  loads: number('loads of whole pages', 'views', 1200),
  parts: loadParts(`mean of each part of a load: ${PARTS.join(', ')}`),
  meanMs: orNull(number('mean duration; null without any', MS, 640)),
  medianMs: orNull(number('half took less; null without any', MS, 420)),
  weightMs: number('time waited by all together', MS, 1840000),
  shareOfWeight: number('share of all time waited', SHARE, 0.3),
  vitals: byVital((words) => orNull(ref(Vital, words))),
  interactions: number('interactions with the page', '1', 4),
  errors: number('errors of scripts', 'errors', 3),
  shareWithErrors: number('share of views with an error of a script', SHARE, 0.03),
  shareMissing: number('share of views on which something did not come', SHARE, 0.02),
});
export type PageGroupShape = Static<typeof PageGroup>;

export const PageWhere = resource('PageWhere', 'Where a page is worse', {
  what: oneOf(['slow', 'missing', 'errors'], 'what it was'),
  dimension: oneOf(PAGE_DIMENSIONS, 'by what views are told apart'),
  verdict: oneOf(['here', 'more', 'everywhere'], 'how it is against the usual'),
  hit: list(
    record({
      name: text('value of the dimension', 'NL'),
      views: integer('views of pages', 'views', 1840),
      here: number('the figure of this value', SHARE, 0.14),
      elsewhere: number('the same figure of all others', SHARE, 0.02),
    }),
    'the values in which it is worse',
  ),
});
export type PageWhereShape = Static<typeof PageWhere>;

export const ListedLoad = resource('ListedLoad', 'A view as it is listed', {
  view: text('identity of the view, 16 hexadecimal digits', '00f067aa0ba902b7'),
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  page: text('name of the page', '/pick-up'),
  country: text('country, two letters of ISO 3166', 'NL'),
  browser: text('browser and its major version', 'Firefox 140'),
  loadMs: orNull(number('from navigation to the end of loading; null when not told', MS, 2840)),
  lcpMs: orNull(number('largest contentful paint; null when not told', MS, 2140)),
  errors: integer('errors of scripts', 'errors', 3),
  missing: integer('resources that did not come', 'resources', 1),
});
export type ListedLoadShape = Static<typeof ListedLoad>;

export const PersonView = resource('PersonView', 'A view of a person', {
  ...ListedLoad.properties,
  session: number('number that tells sessions apart; 0 where none is told', '1', 412),
  system: text('operating system', 'Android 16'),
});
export type PersonViewShape = Static<typeof PersonView>;

export const PageLoads = resource('PageLoads', 'Page loads of a window', {
  window: ref(Window, 'what was looked at'),
  by: oneOf(PAGE_DIMENSIONS, 'what the groups are told apart by'),
  kept: number('share of the stored ones that was read: counts are of these', SHARE, 1),
  kinds: record(
    {
      load: integer('loads of whole pages', 'views', 1200),
      route: integer('moves within a page', 'views', 420),
      frame: integer('pages within pages', 'views', 12),
    },
    'views by kind',
  ),
  all: orNull(ref(PageGroup, 'all views of the window as one group; null when there are none')),
  groups: list(ref(PageGroup), 'groups, heaviest first'),
  frames: list(ref(PageGroup), 'pages within pages, by page'),
  flow: orNull(integer('number of the flow of loads of this page; null when several or none are looked at', '1', 3)),
  trend: record(
    {
      startMs: number('begin of the first step', EPOCH_MS, 1772442000000),
      stepMs: number('length of a step', MS, 60000),
      vitals: byVital(numbersOrNull),
      parts: list(
        numbers('by step; 0 where nothing was loaded', MS, [120, 80]),
        `mean of each part: ${PARTS.join(', ')}`,
      ),
    },
    '75th percentile of each vital, and mean of each part of a load, over time',
  ),
  where: list(ref(PageWhere), 'where it is worse, and where not'),
  hosts: list(
    record({
      host: text("name of the host; '' where there is none", 'depot-07'),
      isThirdParty: flag("comes from a host that is not the page's own"),
      resources: integer('resources fetched from it', 'resources', 1840),
      missing: integer('resources that did not come', 'resources', 1),
      meanMs: number('mean duration; null without any', MS, 640),
      bytes: number('size', 'B', 48210),
    }),
    'hosts that resources come from',
  ),
  calls: list(
    record({
      call: text('method and path of the call', 'GET /api/slots'),
      calls: integer('how often', 'calls', 42),
      failed: integer('calls that failed', 'calls', 4),
      medianMs: number('half took less; null without any', MS, 420),
      p95Ms: number('95 of 100 took less; null without any', MS, 1840),
    }),
    'calls that pages make, the most frequent first',
  ),
  worst: list(ref(ListedLoad), 'loads worth opening'),
});
export type PageLoadsShape = Static<typeof PageLoads>;

export const StackFrame = resource('StackFrame', 'One place of a stack', {
  file: text("file; '' when not told", 'checkout.js'),
  line: integer('line of the place, from 1; 0 when not told', '1', 214),
  column: integer('column of the place, from 1', '1', 17),
  method: text("function or method; '' when not told", 'pay'),
});
export type StackFrameShape = Static<typeof StackFrame>;

export const ScriptErrors = resource('ScriptErrors', 'Errors of scripts in groups, by people met', {
  window: ref(Window, 'what was looked at'),
  views: integer('all views of the window, to compare with', 'views', 1840),
  isCut: flag('there were more errors: the newest are told'),
  groups: list(
    record({
      type: text('class of the failure', 'TypeError'),
      message: text('message of the failure', 'connection timed out'),
      errors: integer('errors of scripts', 'errors', 3),
      views: integer('views in which it came', 'views', 12),
      people: integer('persons, each counted once', 'people', 128),
      firstMs: number('when it came first; null when not in the window', EPOCH_MS, 1772442840000),
      lastMs: number('when it came last', EPOCH_MS, 1772446440000),
      pages: texts('pages on which it came, most often first', ['/send/pick-up', '/track']),
      versions: texts('versions in which it came', ['2.7.1']),
      browsers: texts('browsers that met it, most often first', ['Chrome', 'Firefox']),
      component: text('name of the component (service.name)', 'slots'),
      frames: list(ref(StackFrame), 'places of the stack, innermost first'),
      isMapped: flag('the stack was read through a source map'),
      sampleView: text('a view in which it came, 16 hexadecimal digits', '00f067aa0ba902b7'),
    }),
    'groups, heaviest first',
  ),
});
export type ScriptErrorsShape = Static<typeof ScriptErrors>;

const attemptOnServer = orNull(
  record(
    {
      traceId: text('identity of the trace, 32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736'),
      spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
    },
    "the attempt at the server's side; null when its spans are not stored",
  ),
);

export const PageLoad = resource('PageLoad', 'One view of one page, with all that it fetched', {
  ...ListedLoad.properties,
  kind: oneOf(VIEW_KINDS, 'what it is'),
  path: text('path as the browser asked for it', '/pick-up/4711'),
  host: text("name of the host; '' where there is none", 'depot-07'),
  component: text('name of the component (service.name)', 'slots'),
  application: text('name of the application', 'Courier app'),
  version: text("version of the component; '' when not told", '4.18.0'),
  system: text('operating system', 'Android 16'),
  connection: text('kind of connection, as the browser tells it', '4g'),
  tier: text("tier of the customer; '' when not told", 'business'),
  parts: orNull(loadParts(`each part of the load: ${PARTS.join(', ')}; null when not told`)),
  vitals: byVital((words, unit) => orNull(number(words, unit, 1))),
  interactions: integer('interactions with the page', '1', 4),
  resources: list(
    record({
      url: text('address, without what stands behind a question mark', 'https://shop.example/app.js'),
      host: text("name of the host; '' where there is none", 'depot-07'),
      type: text('what fetched it, as the browser tells it', 'script'),
      startMs: number('from the begin of navigation', MS, 120),
      durationMs: number('how long it took', MS, 1840),
      bytes: integer('size', 'B', 48210),
      missing: flag('it did not come'),
      isThirdParty: flag("comes from a host that is not the page's own"),
      attempt: attemptOnServer,
    }),
    'what the page fetched, in order',
  ),
  moreResources: integer('resources beyond those that are listed', 'resources', 0),
  scriptErrors: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      type: text('class of the failure', 'TypeError'),
      message: text('message of the failure', 'connection timed out'),
      frames: list(ref(StackFrame), 'places of the stack, innermost first'),
      isMapped: flag('the stack was read through a source map'),
    }),
    'errors of its scripts',
  ),
  attempt: attemptOnServer,
});
export type PageLoadShape = Static<typeof PageLoad>;

export const PageLoadOf = resource('PageLoadOf', 'The view that a trace began in', {
  view: orNull(text('identity of the view, 16 hexadecimal digits', '00f067aa0ba902b7')),
});
export type PageLoadOfShape = Static<typeof PageLoadOf>;

/** Which script a map belongs to. */
const ofScript = {
  component: text('name of the component (service.name)', 'slots'),
  version: text("version of the component; '' when not told", '4.18.0'),
  file: text("file; '' when not told", 'checkout.js'),
};

export const SourceMaps = resource('SourceMaps', 'Source maps that stacks are read through', {
  maps: list(
    record({
      ...ofScript,
      uploadedMs: number('when it was uploaded', EPOCH_MS, 1772442840000),
      bytes: integer('size', 'B', 48210),
    }),
    'source maps that are kept',
  ),
});
export type SourceMapsShape = Static<typeof SourceMaps>;

export const SourceMapKept = resource('SourceMapKept', 'A source map that was kept', {
  ...ofScript,
  bytes: integer('size', 'B', 48210),
});
export type SourceMapKeptShape = Static<typeof SourceMapKept>;

export type ResourceHostShape = PageLoadsShape['hosts'][number];
export type ScriptErrorGroupShape = ScriptErrorsShape['groups'][number];
export type LoadedResourceShape = PageLoadShape['resources'][number];

const value = string().trim().max(300);
const ofDimensions = byName(PAGE_DIMENSIONS, (dimension) =>
  value.meta({ description: `only views of this ${dimension}`, example: 'NL' }),
);

export const pagesQuery = object({
  by: string()
    .oneOf(PAGE_DIMENSIONS)
    .default('page')
    .meta({ description: 'what views are told apart by', example: 'page' }),
  ...ofDimensions,
});

/** Three of them are the key of a table: an index entry holds 2,704 bytes, a sign up to three. */
const keyText = string().trim().max(200);

export const newSourceMap = object({
  component: keyText
    .required('component: whose script is it?')
    .meta({ description: 'component that serves the script', example: 'shop-pages' }),
  version: keyText.default('').meta({ description: 'its version', example: '4.18.0' }),
  file: keyText
    .required('file: name of the script that the map belongs to, as app.min.js')
    .matches(/^[^/?#]+$/, 'file: the name alone, without a path')
    .meta({ description: 'name of the script, without a path', example: 'app.min.js' }),
  map: object()
    .required('map: the source map itself, as JSON')
    .meta({ description: 'the source map, version 3 (ECMA-426)', example: { version: 3, mappings: '' } }),
});

export const pagePaths: Paths = {
  '/api/pages': {
    get: get(
      'Page loads in browsers by page or country, heaviest first; where it is worse; what does not come',
      PageLoads,
      {
        query: [windowQuery, pagesQuery],
      },
    ),
  },
  '/api/page-loads/{view}': {
    get: get('One view of one page, with all that it fetched', PageLoad, {
      path: [path('view', '16 hexadecimal digits', '00f067aa0ba902b7')],
    }),
  },
  '/api/page-load-of/{trace}': {
    get: get('The view that a trace began in', PageLoadOf, {
      path: [path('trace', '32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736')],
    }),
  },
  '/api/script-errors': {
    get: get('Errors of scripts in groups, by people met', ScriptErrors, {
      query: [windowQuery, pagesQuery.omit(['by'])],
    }),
  },
  '/api/source-maps': {
    get: get('Source maps that stacks are read through', SourceMaps),
    post: post('Source map (ECMA-426); one of the same component, version and file is replaced', {
      body: newSourceMap,
      answers: { '201': ok(SourceMapKept, 'kept') },
    }),
  },
};
