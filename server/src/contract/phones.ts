import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
import { PHONE_DIMENSIONS, SCREEN_PART_KINDS, VERSION_MEASURES } from '@toplens/core/phones';
import { Interval, Window } from './common';
import { get, ok, path, post, type Paths } from './paths';
import { windowQuery } from './queries';
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

const starts = (words: string) =>
  orNull(
    record(
      {
        starts: integer('starts that tell it: of many a fair part', 'launches', 840),
        medianMs: number('half took less', MS, 900),
        p75Ms: number('75 of 100 took less', MS, 1300),
        p95Ms: number('95 of 100 took less', MS, 2400),
      },
      words,
    ),
  );

export const PhoneVersion = resource('PhoneVersion', 'One version of a phone application', {
  version: text("version; '' when not told", '7.3.0'),
  firstMs: orNull(number('when it was first seen; null when that is not known', EPOCH_MS, 1772442840000)),
  launches: integer('launches, cold and warm', 'launches', 1840),
  shareOfLaunches: number('share of all launches of the application', SHARE, 0.4),
  crashes: integer('crashes', 'crashes', 31),
  people: integer('people who launched it, each counted once', 'people', 420),
  peopleCrashed: integer('of them, people whom it crashed for', 'people', 24),
  crashRate: orNull(ref(Interval, 'crashes by launches, with its 95 % interval (Wilson); null without launches')),
  crashFree: orNull(ref(Interval, 'share of people whom it never crashed for (Wilson); null without people')),
  cold: starts('cold starts that did not fail; null without any'),
  warm: starts('warm starts that did not fail; null without any'),
  sessions: integer('sessions that tell of requests, errors and the like', 'sessions', 210),
  requests: integer('requests to servers', 'requests', 840),
  requestsFailed: integer('of them, those that failed', 'requests', 12),
  requestMedianMs: orNull(number('half of the requests that did not fail took less; null without any', MS, 320)),
  errors: integer('errors that the application caught', 'errors', 31),
  cpu: orNull(number('share of the processor, median; null where not told', SHARE, 0.31)),
  memory: orNull(number('memory taken, median; null where not told', 'B', 240000000)),
  standsOut: list(
    record({
      what: oneOf(VERSION_MEASURES, 'what is unlike all other versions together'),
      times: orNull(number('as often, or as much; null: the others have none', '1', 6.2)),
      isWorse: flag('more often, or more'),
    }),
    'beyond chance over all that is compared (false discoveries at most 5 %)',
  ),
});
export type PhoneVersionShape = Static<typeof PhoneVersion>;

export const CrashGroup = resource('CrashGroup', 'Crashes at one place of the code', {
  id: text('16 hexadecimal digits', '00f067aa0ba902b7'),
  application: text('name of the application', 'Round'),
  type: text('type of the exception', 'java.lang.IllegalStateException'),
  message: text('message of the newest, what may name somebody hidden', 'no camera'),
  place: text("class and method of the topmost own code; '' when not told", 'Camera.take'),
  crashes: integer('crashes', 'crashes', 31),
  people: integer('people, each counted once; sessions where nobody is named', 'people', 24),
  devices: integer('models of devices', 'models', 3),
  shareOfLaunches: orNull(number('share of launches that ended so; null where launches are not told', SHARE, 0.012)),
  screens: texts("what was shown when it crashed; '' where that is not told", ['Take a photo']),
  firstMs: number('the first in the window', EPOCH_MS, 1772442840000),
  lastMs: number('the newest', EPOCH_MS, 1772446440000),
  versions: list(
    record({
      version: text("version; '' when not told", '7.3.0'),
      crashes: integer('crashes of it', 'crashes', 31),
      launches: integer('launches of that version', 'launches', 1840),
    }),
    'versions that have it, the newest first',
  ),
  state: oneOf(
    ['new', 'gone', 'back', 'known'],
    'new: in the newest version alone; gone: not in the newest, where at the rate of the others three were due; back: in the newest and in an older one, and not in the one between, where three were due',
  ),
  isRestored: flag('names were restored by an uploaded mapping or source map'),
  sample: text('the newest crash of it, 16 hexadecimal digits', '00f067aa0ba902b7'),
});
export type CrashGroupShape = Static<typeof CrashGroup>;

export const Phone = resource('Phone', 'Phone applications: versions side by side, and crashes in groups', {
  window: ref(Window, 'what was looked at'),
  isCut: flag('there were more crashes: the newest are counted'),
  applications: list(
    record({
      application: text('name of the application', 'Round'),
      launches: integer('launches, cold and warm', 'launches', 4200),
      crashes: integer('crashes', 'crashes', 64),
      peopleCrashed: integer('people whom it crashed for', 'people', 40),
      versions: list(ref(PhoneVersion), 'newest first'),
      countries: list(
        record({
          country: text('country', 'NL'),
          launches: integer('launches there', 'launches', 420),
          crashes: integer('crashes there', 'crashes', 12),
          times: orNull(
            number('crashes by launches, as often as in all other countries; null where that is not known', '1', 1.4),
          ),
          low: orNull(number('lower end of its 95 % interval; null where it is not known', '1', 0.8)),
          high: orNull(number('upper end of it; null: without bound, or not known', '1', 2.3)),
        }),
        'countries that launches tell, most launches first',
      ),
      spread: record(
        {
          startMs: number('begin of the first step', EPOCH_MS, 1772442840000),
          stepMs: number('length of a step', MS, 3600000),
          versions: list(
            record({
              version: text("version; '' when not told", '7.3.0'),
              launches: list(integer('launches in a step', 'launches', 12), 'launches in each step'),
            }),
            'newest first',
          ),
        },
        'how versions spread: launches of each over the window',
      ),
    }),
    'applications that tell of their launches',
  ),
  groups: list(ref(CrashGroup), 'by people, most first'),
});
export type PhoneShape = Static<typeof Phone>;

const frames = list(
  record({
    module: text('class, script or library', 'app.round.photo.Camera'),
    method: text("method; '' when not told", 'take'),
    file: text("file; '' when not told", 'Camera.kt'),
    line: integer('line, from 1; 0 when not told', '1', 88),
    isOwn: flag('code of the application itself, as far as its name tells'),
  }),
  'frames, the newest call first',
);

export const CrashGroupPage = resource('CrashGroupPage', 'One group of crashes: where it happens', {
  window: ref(Window, 'what was looked at'),
  group: ref(CrashGroup, 'its figures'),
  frames,
  where: list(
    record({
      dimension: oneOf([...PHONE_DIMENSIONS, 'system', 'screen'], 'by what it is told apart'),
      values: list(
        record({
          value: text('value of the dimension', 'Tessel 5'),
          crashes: integer('crashes', 'crashes', 31),
          launches: orNull(integer('launches with it; null where launches do not tell it', 'launches', 420)),
          times: orNull(number('as often as in all other launches; null where that is not known', '1', 12.4)),
          low: orNull(number('lower end of its 95 % interval', '1', 6.1)),
          high: orNull(number('upper end of it; null: without bound', '1', 30.2)),
        }),
        'most crashes first',
      ),
    }),
    'where it happens, beside how much it is used there',
  ),
  newest: list(
    record({
      id: text('16 hexadecimal digits', '00f067aa0ba902b7'),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      version: text("version; '' when not told", '7.3.0'),
      device: text("model; '' when not told", 'Tessel 5'),
      system: text("system with its version; '' when not told", 'Android 16'),
      screen: text("what was shown; '' when not told", 'Take a photo'),
    }),
    'the newest crashes of it',
  ),
});
export type CrashGroupPageShape = Static<typeof CrashGroupPage>;

export const CrashPage = resource('CrashPage', 'One crash', {
  id: text('16 hexadecimal digits', '00f067aa0ba902b7'),
  group: text('its group, 16 hexadecimal digits', '00f067aa0ba902b7'),
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  application: text('name of the application', 'Round'),
  component: text('name of the component (service.name)', 'round'),
  version: text("version; '' when not told", '7.3.0'),
  device: text("model; '' when not told", 'Tessel 5'),
  system: text("system with its version; '' when not told", 'Android 16'),
  carrier: text("whose mobile network; '' when not told", 'Northline'),
  country: text("country; '' when not told", 'NL'),
  screen: text("what was shown; '' when not told", 'Take a photo'),
  type: text('type of the exception', 'java.lang.IllegalStateException'),
  message: text('its message, what may name somebody hidden', 'no camera'),
  frames,
  isRestored: flag('names were restored by an uploaded mapping or source map'),
  stack: text('as the phone told it', 'java.lang.IllegalStateException: no camera'),
  thread: text("the thread that crashed; '' when not told", 'main'),
  threads: list(
    record({
      name: text('name of the thread', 'upload'),
      stack: text('its stack', '\tat app.round.Upload.send(Upload.kt:12)'),
    }),
    'the other threads, as far as told',
  ),
  trail: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442830000),
      what: text('what happened', 'tap Take a photo'),
    }),
    'what the application noted just before, oldest first',
  ),
  sessionId: orNull(text('its session, 8 hexadecimal digits; null when none is told', '00c0ffee')),
  session: list(
    record({
      traceId: text('32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736'),
      spanId: text('16 hexadecimal digits', '00f067aa0ba902b7'),
      atMs: number('when it began', EPOCH_MS, 1772442830000),
      durationMs: number('how long it took', MS, 420),
      failed: flag('it failed'),
      flow: text('method and route, screen, or name of the span', 'screen Take a photo'),
      failure: text("why it failed; '' when it did not", 'java.lang.IllegalStateException'),
    }),
    'attempts of the same session in the half hour before, in order',
  ),
});
export type CrashPageShape = Static<typeof CrashPage>;

export const PhoneAddress = resource('PhoneAddress', 'Requests of phones to one address', {
  address: text('host and path, ids left out', 'photos.round.example/photos/{id}'),
  requests: integer('requests', 'requests', 420),
  failed: integer('requests without an answer, or with a status from 400 on', 'requests', 31),
  bytesIn: orNull(integer('bytes of all answers; null where they are not told', 'B', 840000)),
  bytesOut: orNull(integer('bytes of all that was sent; null where they are not told', 'B', 84000000)),
  medianMs: number('half took less', MS, 180),
  p95Ms: number('95 of 100 took less', MS, 900),
  sessions: integer('sessions that asked it', 'sessions', 210),
  sessionsHit: integer('sessions in which a request to it failed', 'sessions', 24),
  countries: integer('countries from which it was asked', 'countries', 4),
  where: orNull(
    record(
      {
        dimension: oneOf(PHONE_DIMENSIONS, 'by what it is told apart'),
        value: text('value of the dimension', 'Copperwave'),
        requests: integer('requests with it', 'requests', 60),
        failed: integer('of them, those that failed', 'requests', 29),
        times: orNull(number('as often as all other requests to the address; null: these never fail', '1', 40)),
        low: number('lower end of its 95 % interval', '1', 12),
        high: orNull(number('upper end of it; null: without bound', '1', 180)),
      },
      'where it fails more often than elsewhere, beyond chance over all addresses; null where nothing stands out',
    ),
  ),
});
export type PhoneAddressShape = Static<typeof PhoneAddress>;

export const PhoneAddresses = resource('PhoneAddresses', 'What phones asked of servers, by address', {
  window: ref(Window, 'what was looked at'),
  isCut: flag('there are more addresses: those that fail or are asked most are listed'),
  addresses: list(ref(PhoneAddress), 'what fails most first'),
});
export type PhoneAddressesShape = Static<typeof PhoneAddresses>;

const sessionId = '8 hexadecimal digits';

export const PhoneSession = resource('PhoneSession', 'One session on a phone, within the window', {
  session: text(sessionId, '00c0ffee'),
  application: text('name of the application', 'Round'),
  fromMs: number('its first moment', EPOCH_MS, 1772442840000),
  toMs: number('its last', EPOCH_MS, 1772446440000),
  attempts: integer('launches, screens and the like', 'attempts', 24),
  failed: integer('of them, those that failed', 'attempts', 2),
  crashes: integer('crashes', 'crashes', 1),
  requests: integer('requests to servers', 'requests', 20),
  requestsFailed: integer('of them, those that failed', 'requests', 3),
  errors: integer('errors that the application caught', 'errors', 3),
  waitedMs: number('time that its attempts took', MS, 18400),
  version: text("the newest version; '' when not told", '7.3.0'),
  device: text("model; '' when not told", 'Tessel 5'),
  carrier: text("whose mobile network; '' when not told", 'Northline'),
  country: text("country; '' when not told", 'NL'),
});
export type PhoneSessionShape = Static<typeof PhoneSession>;

export const PhoneSessions = resource('PhoneSessions', 'Sessions on phones', {
  window: ref(Window, 'what was looked at'),
  isLastDay: flag('the window is longer: its last day was looked at'),
  isCut: flag('there are more sessions: the worst are listed'),
  sessions: list(ref(PhoneSession), 'what crashed first, then what failed, then what took longest'),
});
export type PhoneSessionsShape = Static<typeof PhoneSessions>;

export const PhoneSessionPage = resource('PhoneSessionPage', 'One session on one clock', {
  session: text(sessionId, '00c0ffee'),
  window: ref(Window, 'from its first moment to its last; of a long session the last twelve hours'),
  isCut: flag('there is more: the last is listed'),
  application: text("name of the application; '' when not told", 'Round'),
  version: text("version; '' when not told", '7.3.0'),
  device: text("model; '' when not told", 'Tessel 5'),
  carrier: text("whose mobile network; '' when not told", 'Northline'),
  country: text("country; '' when not told", 'NL'),
  entries: list(
    record({
      kind: oneOf(['launch', 'screen', 'work', 'crash', 'request', 'error', 'tap', 'state'], 'what it is'),
      atMs: number('when it began', EPOCH_MS, 1772442840000),
      durationMs: number('how long it took; 0 of what lasts no time', MS, 420),
      what: text('start, screen, address, type of the error, what was tapped', 'photos.round.example/photos/{id}'),
      failed: flag('it failed'),
      words: text("why, or with what status; '' when that is not told", 'status 503'),
      attempt: orNull(
        record(
          {
            traceId: text('32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736'),
            spanId: text('16 hexadecimal digits', '00f067aa0ba902b7'),
          },
          'the attempt that it is, or that a server began for it; null when none is known',
        ),
      ),
      crash: orNull(text('the crash that it is, 16 hexadecimal digits', '00f067aa0ba902b7')),
      bytesIn: orNull(integer('bytes of the answer; null where not told', 'B', 2100)),
      bytesOut: orNull(integer('bytes that were sent; null where not told', 'B', 840000)),
    }),
    'in the order of time',
  ),
  usage: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      cpu: orNull(number('share of the processor; null where not told', SHARE, 0.31)),
      memory: orNull(number('memory taken; null where not told', 'B', 220000000)),
    }),
    'what the application took, in the order of time',
  ),
  shapes: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      screen: text("screen; '' when not told", 'Photo'),
      width: number('width of the screen', 'points', 390),
      height: number('height of the screen', 'points', 844),
      parts: list(
        record({
          kind: oneOf(SCREEN_PART_KINDS, 'what stands there'),
          x: number('from the left', 'points', 16),
          y: number('from the top', 'points', 120),
          width: number('width', 'points', 358),
          height: number('height', 'points', 48),
        }),
        'rectangles, without what they say',
      ),
    }),
    'what the screen looked like, in the order of time',
  ),
});
export type PhoneSessionPageShape = Static<typeof PhoneSessionPage>;

export const NameMappings = resource('NameMappings', 'Mappings that names in stacks are restored by', {
  mappings: list(
    record({
      component: text('name of the component (service.name)', 'round'),
      version: text('version of the application', '7.3.0'),
      uploadedMs: number('when it was uploaded', EPOCH_MS, 1772442840000),
      bytes: integer('size', 'B', 482100),
    }),
    'mappings that are kept',
  ),
});
export type NameMappingsShape = Static<typeof NameMappings>;

export const NameMappingKept = resource('NameMappingKept', 'A mapping of names that was kept', {
  component: text('name of the component (service.name)', 'round'),
  version: text('version of the application', '7.3.0'),
  classes: integer('classes whose names it restores', 'classes', 840),
});
export type NameMappingKeptShape = Static<typeof NameMappingKept>;

const valueOf = (words: string, example: string) =>
  string()
    .trim()
    .max(300)
    .meta({ description: `only launches, crashes and sessions ${words}`, example });

export const phoneQuery = object({
  application: string().trim().max(300).meta({ description: 'only this application', example: 'Round' }),
  version: valueOf('of this version', '7.3.0'),
  device: valueOf('on this model', 'Tessel 5'),
  carrier: valueOf('on this network', 'Northline'),
  region: valueOf('in this country', 'NL'),
});

export const phoneSessionsQuery = phoneQuery.concat(
  object({
    address: string()
      .trim()
      .max(600)
      .meta({ description: 'only sessions that asked this address', example: 'photos.round.example/photos/{id}' }),
  }),
);

/** Both are the key of a table. */
const keyText = string().trim().max(200);

export const newMapping = object({
  component: keyText
    .required('component: whose names are these?')
    .meta({ description: 'component that sends the crashes', example: 'round' }),
  version: keyText
    .required('version: names change with each build')
    .meta({ description: 'its version', example: '7.3.0' }),
  mapping: string().required('mapping: the text of the mapping file itself').meta({
    description: 'text of the mapping that R8 or ProGuard wrote',
    example: 'app.round.photo.Camera -> a.b:\n    void take() -> a',
  }),
});

const crashId = (name: string) => path(name, '16 hexadecimal digits', '00f067aa0ba902b7');

export const phonePaths: Paths = {
  '/api/phone': {
    get: get('Versions of phone applications side by side, and crashes in groups', Phone, {
      query: [windowQuery, phoneQuery],
    }),
  },
  '/api/crash-groups/{crash}': {
    get: get('The group of a crash: where it happens more often', CrashGroupPage, {
      path: [crashId('crash')],
      query: [windowQuery],
    }),
  },
  '/api/crashes/{crash}': {
    get: get('One crash, with threads, trail and session', CrashPage, { path: [crashId('crash')] }),
  },
  '/api/phone-addresses': {
    get: get('What phones asked of servers, by address', PhoneAddresses, { query: [windowQuery, phoneQuery] }),
  },
  '/api/phone-sessions': {
    get: get('Sessions on phones, the worst first', PhoneSessions, { query: [windowQuery, phoneSessionsQuery] }),
  },
  '/api/phone-sessions/{session}': {
    get: get('One session on one clock', PhoneSessionPage, {
      path: [path('session', '8 hexadecimal digits', '00c0ffee')],
    }),
  },
  '/api/name-mappings': {
    get: get('Mappings that names in stacks are restored by', NameMappings),
    post: post('Mapping that restores names in stacks; one of the same component and version is replaced', {
      body: newMapping,
      answers: { '201': ok(NameMappingKept, 'kept') },
    }),
  },
};
