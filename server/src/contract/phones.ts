import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
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
  standsOut: list(
    record({
      what: oneOf(['crashes', 'coldStart'], 'what is unlike all other versions together'),
      times: orNull(number('as often, or as long; null: the others have none', '1', 6.2)),
      isWorse: flag('more often, or longer'),
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
    ['new', 'gone', 'known'],
    'new: in the newest version alone; gone: not in the newest, where at the rate of the others three were due',
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
      dimension: oneOf(['version', 'device', 'carrier', 'country', 'system', 'screen'], 'by what it is told apart'),
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

export const phoneQuery = object({
  application: string().trim().max(300).meta({ description: 'only this application', example: 'Round' }),
});

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
  '/api/name-mappings': {
    get: get('Mappings that names in stacks are restored by', NameMappings),
    post: post('Mapping that restores names in stacks; one of the same component and version is replaced', {
      body: newMapping,
      answers: { '201': ok(NameMappingKept, 'kept') },
    }),
  },
};
