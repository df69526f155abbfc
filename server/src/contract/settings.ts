import { KEPT_KINDS } from '@toplens/core/telemetry';
import { INDICATORS } from '@toplens/core/flows';
import { OWNER, WATCHED_KINDS } from '@toplens/core/alerts';
import { BOARD_FIGURES, CURVE_MEASURES, TILE_KINDS } from '@toplens/core/boards';
import { HAPPENING_KINDS } from '@toplens/core/happened';
import { METHODS, STEP_KINDS } from '@toplens/core/probes';
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { mixed, object, string } from 'yup';
import { numberInput } from './number-input';
import { byName } from '../by-name';
import { get, ok, path, post, problem, type Paths } from './paths';
import { whoDoes } from './queries';
import {
  anything,
  CURRENCY,
  EPOCH_MS,
  MS,
  POINTS,
  SHARE,
  flag,
  integer,
  list,
  number,
  numbers,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
  texts,
} from './words';

/** What a file may leave out. */
const optional = <Schema extends TSchema>(schema: Schema) => Type.Optional(schema);

/** Harm of one of each kind. */
const RATES = {
  waiting: number('harm of one minute waited', POINTS, 1),
  failed: number('harm of one attempt that failed', POINTS, 5),
  left: number('harm of one person who left', POINTS, 15),
  missing: number('harm of one attempt that never came', POINTS, 5),
  money: number('harm of one unit of currency', POINTS, 0.2),
  keyMultiplier: number('what harm to key customers is multiplied by', '1', 3),
};

const stretch = record({
  fromMs: number('begin', EPOCH_MS, 1772442000000),
  toMs: number('end', EPOCH_MS, 1772445600000),
  reason: text('why, in words', 'migration'),
});

const Calendar = record(
  {
    holidays: texts('days, as YYYY-MM-DD', ['2026-12-25']),
    excluded: list(stretch, 'times that nothing is learned from'),
    maintenance: list(stretch, 'agreed work on the systems: promises do not count it, and nothing is learned from it'),
  },
  'days and times that are not as usual',
);

export const AlertRule = record({
  name: text('name', 'People are being hurt'),
  watches: oneOf(WATCHED_KINDS, 'what it watches'),
  application: optional(text('of this application alone', 'Courier app')),
  points: optional(number('harm an hour, at least', POINTS, 60)),
  people: optional(number('people hurt, at least', 'people', 20)),
  isBroken: optional(flag('only where most attempts fail or nothing comes')),
  notAcceptedMinutes: optional(integer('with nobody, or not accepted, for so long', 'min', 15)),
  chance: optional(number('of a promise: chance that it breaks, at least', SHARE, 0.5)),
  to: texts('names of receivers, or the words for the team that should get it', [OWNER]),
});

export const ReadCalendar = resource('ReadCalendar', 'What a calendar file would set', {
  calendar: Calendar,
  notes: texts('what could not be taken as it stands, a sentence each', ['Times without a zone are taken as UTC.']),
});

export const BoardTile = resource('BoardTile', 'What a tile of a board shows', {
  shows: oneOf(TILE_KINDS, 'which view'),
  title: optional(text('over it; made of what it shows when left out', 'Right now')),
  of: optional(text('name of the flow, promise or journey; the one that is worst off when left out', 'Book a pick-up')),
  figure: optional(oneOf(BOARD_FIGURES, 'which figure')),
  measure: optional(oneOf(CURVE_MEASURES, 'of a curve; what is in trouble when left out')),
  kind: optional(oneOf(HAPPENING_KINDS, 'of a feed: only this kind')),
  minutes: optional(integer('length of its window; an hour when left out', 'min', 60)),
  most: optional(integer('rows at most', '1', 5)),
  application: optional(text('only this application', 'Courier app')),
  team: optional(text('only what this team has or should get', 'Slots Team')),
  where: optional(anything('only these values, by dimension', { site: 'Depot North' })),
  text: optional(text('of a text', 'Call the duty manager before you send anything out')),
});
export type BoardTileShape = Static<typeof BoardTile>;

export const Board = resource('Board', 'What a role wants to see, in its order', {
  name: text('tells it apart from others', 'Duty desk'),
  for: optional(text('the role that it is for', 'Whoever is on duty')),
  turnSeconds: optional(integer('on a wall: so long until the next tiles', 's', 30)),
  tiles: list(ref(BoardTile), 'its tiles, in their order'),
});
export type BoardShape = Static<typeof Board>;

const LONGEST_CALENDAR = 500_000;
export const readingCalendar = object({
  text: string()
    .required('text: expected an iCalendar file')
    .max(LONGEST_CALENDAR, 'text: a calendar file is at most 500,000 characters long')
    .meta({ description: 'the file (RFC 5545)', example: 'BEGIN:VCALENDAR …' }),
});

const mayWait = record(
  {
    accept: integer('until it is accepted', 'min', 15),
    fix: integer('from then on until a fix is reported', 'min', 240),
  },
  'minutes at most',
);

export const SettingsFile = resource('SettingsFile', 'All settings, as a file holds them', {
  currency: text('currency of all bills, ISO 4217', 'EUR'),
  exchangeRates: list(
    record({
      currency: text('another currency, ISO 4217', 'JPY'),
      rate: number("what one unit of it is in the bills' currency", CURRENCY, 0.0061),
      asOf: text('day of that rate, as YYYY-MM-DD', '2026-11-02'),
    }),
    'by which values in other currencies are converted',
  ),
  flows: list(
    record({
      application: optional(text('name of the application; any when left out', 'Courier app')),
      technicalName: text('method and route, screen, or name of the span; * stands for any text', 'POST /pick-ups'),
      name: optional(text('what business people call it', 'Book a pick-up')),
      limitMs: optional(number('an attempt that takes longer is late', MS, 800)),
      siteLimitsMs: optional(anything('limits of single sites, ms by name', { Ostrel: 2500 })),
      stepLimitsMs: optional(
        anything('limits of steps inside it, ms by component and operation', { 'payments POST /authorise': 800 }),
      ),
      importance: optional(number('multiplies its harm; 1 is as any other', '1', 1)),
      agreement: optional(
        record(
          {
            target: number('share of the attempts of a period that is promised to be in time', SHARE, 0.995),
            days: integer('length of the period', 'days', 30),
            penalty: number('what breaking it costs', CURRENCY, 4000),
          },
          'what was promised, and what breaking it costs',
        ),
      ),
    }),
    'rules: the first that matches a flow says what it is called, and how it is judged',
  ),
  entryServices: texts('services whose server spans begin attempts although they have a parent', ['portal-web']),
  ignored: texts('technical names of what is no flow; * stands for any text', ['* /health']),
  atOnceMs: number(
    "what is answered sooner is never late where somebody waits, unless an owner's limit says so",
    MS,
    100,
  ),
  ownership: list(
    record({
      application: optional(text('name of the application; any when left out', 'Courier app')),
      flow: optional(text('name of the flow; * stands for any text', 'Track*')),
      component: optional(text('name of the component (service.name)', 'slots')),
      team: text('name of the team', 'Slots Team'),
    }),
    'rules: the first that matches names the team',
  ),
  rates: record(
    { ...RATES, keyTiers: texts('tiers whose people count more', ['Business']) },
    'harm of one of each kind',
  ),
  journeys: list(
    record({
      application: text('name of the application', 'Courier app'),
      name: text('name of the journey', 'Send a parcel'),
      steps: texts('technical names of its flows, first step first', ['POST /rates', 'POST /payments']),
    }),
    'ways that people named',
  ),
  businessEvents: list(
    record({
      name: text('name of the event', 'Insure a parcel'),
      component: optional(text('whose lines; of every component when left out', 'payments')),
      pattern: text(
        'of the whole line: * for any text, {amount}, {currency}, {person} … for what is read',
        'insured for {person}: {amount} {currency}',
      ),
    }),
    'lines of logs that tell of business events',
  ),
  promises: list(
    record({
      name: text('name; tells it apart from others', 'Labels for partners'),
      to: optional(text('to whom it was given', 'Partners')),
      application: optional(text('whose attempts count; of every application when left out', 'Shipper Link')),
      flow: optional(text('name or technical name of the flows; * stands for any text', 'POST /v2/labels')),
      indicator: oneOf(INDICATORS, 'what it counts, and what makes that good'),
      limitMs: optional(
        number('with inTime and people: its own limit; left out: the limit that judges each', MS, 1200),
      ),
      personShare: optional(number("with people: share of somebody's attempts that must be in time", SHARE, 0.9)),
      target: number('share that is promised to be good', SHARE, 0.995),
      period: record(
        {
          kind: oneOf(['rolling', 'week', 'month'], 'the days up to now, or a week or month of the calendar'),
          days: optional(integer('length of a rolling one', 'days', 30)),
          zone: optional(text('time zone of a week or month, by its IANA name', 'Europe/Dublin')),
        },
        'over what it is kept',
      ),
      hours: optional(
        record(
          {
            zone: text('time zone, by its IANA name', 'Europe/Dublin'),
            days: numbers('days of the week, 1 for Monday', '1', [1, 2, 3, 4, 5]),
            from: text('time of the day, in steps of five minutes', '08:00'),
            to: text('time of the day, after that', '18:00'),
          },
          'when it counts; always when left out',
        ),
      ),
      excluded: list(
        record({
          fromMs: number('begin', EPOCH_MS, 1772442000000),
          toMs: number('end', EPOCH_MS, 1772445600000),
          reason: text('why, in words', 'maintenance'),
        }),
        'stretches that do not count',
      ),
      penalties: list(
        record({
          below: number('due when less than this share was good', SHARE, 0.995),
          amount: number('what it costs', CURRENCY, 4000),
        }),
        'steps of what breaking it costs, the highest share first',
      ),
    }),
    'service levels: what was promised to whom',
  ),
  probes: list(
    record({
      name: text('name; tells it apart from others', 'Depot sign-in'),
      application: text('name of the application that it checks', 'Depot Desk'),
      sites: texts('places that it is run from', ['Brackwater']),
      everyS: integer('so often it is run', 's', 300),
      steps: list(
        record({
          name: text('name; tells it apart from the other steps', 'Sign in'),
          kind: oneOf(STEP_KINDS, 'what it does'),
          url: optional(text('what is asked or opened; {{name}} for what the runner is told', 'https://desk.example/')),
          method: optional(oneOf(METHODS, 'of a request; GET when left out')),
          headers: optional(anything('of a request, texts by their names', { accept: 'application/json' })),
          body: optional(text('of a request', '{"depot":"Brackwater"}')),
          selector: optional(text('element, as CSS selects it', '#user')),
          text: optional(text('what is typed, or is to be seen', 'Good morning')),
          status: optional(integer('HTTP status that is expected; any below 400 when left out', '1', 200)),
          contains: optional(text('text that the answer must hold', 'signed in')),
          json: optional(
            list(
              record({
                path: text('where it stands, as JSONPath', '$.status'),
                equals: Type.Union([Type.String(), Type.Number(), Type.Boolean()], {
                  description: 'what must stand there',
                  examples: ['up'],
                }),
              }),
              'values that the answer must hold',
            ),
          ),
        }),
        'what it does, in order',
      ),
      limits: list(
        record({
          step: text('name of the step', 'Sign in'),
          site: optional(text('of this site alone; of all that have none of their own when left out', 'Brackwater')),
          slowMs: number('slow from then on', MS, 2000),
          brokenMs: number('broken from then on', MS, 8000),
        }),
        'by which runs are judged',
      ),
    }),
    'scripted checks',
  ),
  handoffs: record(
    {
      mayWait: record(
        { P1: mayWait, P2: mayWait, P3: mayWait, P4: mayWait },
        'how long a handoff may wait at most, by priority',
      ),
      settleMinutes: integer('after a reported fix nothing is counted for so long', 'min', 5),
      calmMinutes: integer('a fix is proven after so long at the earliest', 'min', 15),
    },
    'how long handoffs may wait, and how a reported fix is watched',
  ),
  retention: record(
    byName(KEPT_KINDS, () => orNull(number('kept for so long; null: as the installation says', 'days', 14))),
    'for how long each kind of telemetry is kept',
  ),
  receivers: list(
    record({
      name: text("name; a team's own is called like the team", 'Slots Team'),
      mail: optional(text('mail address', 'slots@toplens.example')),
      phone: optional(text('telephone number for short messages', '+353 1 555 0100')),
      webhook: optional(text('takes CloudEvents 1.0 by HTTP POST', 'https://chat.example/hook')),
      quiet: optional(
        record(
          {
            from: text('time of the day', '22:00'),
            to: text('time of the day', '06:00'),
            zone: text('time zone, by its IANA name', 'Europe/Dublin'),
          },
          'nothing but what is broken between these',
        ),
      ),
      rota: optional(text('a calendar (RFC 5545) whose events name the receiver on duty', 'BEGIN:VCALENDAR …')),
      takesHandoffs: optional(flag('handoffs go to the mail address and not to the desk')),
    }),
    'who is told of trouble, by what ways',
  ),
  alertRules: list(AlertRule, 'of what they are told'),
  boards: list(ref(Board), 'what roles want to see'),
  calendar: Calendar,
});
export type SettingsFileShape = Static<typeof SettingsFile>;

export const TriedSetting = resource('TriedSetting', 'What a setting would match, if it were saved', {
  lines: list(
    record({
      of: text('the rule, team or name', 'POST /pick-ups*'),
      words: text('what it matches, in words', 'matches 14 flows: POST /pick-ups, POST /pick-ups/{id} and 12 more'),
    }),
    'a line each; none for what matches nothing',
  ),
});
export type TriedSettingShape = Static<typeof TriedSetting>;

export const Settings = resource('Settings', 'Rates, calendar, and every change of a setting', {
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  rates: record(RATES, 'harm of one of each kind'),
  keyTiers: texts('tiers whose people count more', ['Business']),
  calendar: Calendar,
  file: ref(SettingsFile, 'all settings as they are now, without what single flows and journeys were given in place'),
  installation: record(
    {
      keptDays: record(
        byName(KEPT_KINDS, () => number('kept for so long', 'days', 35)),
        'for how long each kind of telemetry is kept where settings say nothing',
      ),
      browserKeys: list(
        record({
          component: text('whose pages send with it', 'portal-browser'),
          origins: texts('where those pages come from', ['https://portal.example']),
        }),
        'keys of pages, without the keys themselves',
      ),
      hasDesk: flag('there is a desk that handoffs go to'),
      seesPersons: texts('who may see persons', ['first support']),
    },
    'what environment variables said at the start',
  ),
  changes: list(
    record({
      id: integer('number', '1', 7),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      fromMs: number('begin', EPOCH_MS, 1772442000000),
      who: text('who did it', 'Dana'),
      key: text('key of its settings', 'flow Courier app Log on'),
      about: text('what the change is of, in words', 'Courier app: Log on'),
      words: text('in words', ''),
      undoes: orNull(integer('number of the change that it takes back; null when it takes back none', '1', 3)),
      isUndone: flag('a later change took it back'),
    }),
    'what was changed, newest first',
  ),
});
export type SettingsShape = Static<typeof Settings>;

export type RatesShape = SettingsShape['rates'];

const who = whoDoes('changes');

const key = string().min(1).max(600).required().meta({
  description: 'which setting: rates, calendar, a part of the settings file, or the key of a flow or journey',
  example: 'rates',
});
const value = mixed()
  .nullable()
  .meta({ description: 'what it is set to; null: back to the settings file', example: { waiting: 1 } });

export const newSetting = object({
  who,
  key,
  value,
  fromMs: numberInput()
    .integer()
    .meta({ description: 'from when on it is in force; left out: from now', unit: EPOCH_MS, example: 1772442840000 }),
});

export const tryingSetting = object({ key, value });

export const importing = object({
  who,
  settings: mixed()
    .required('settings: expected what was exported: one JSON object')
    .meta({ description: 'all settings, as SettingsFile', example: { currency: 'EUR' } }),
});

export const undoing = object({ who });

export const settingsPaths: Paths = {
  '/api/settings': {
    get: get('Rates, calendar, and every change of a setting', Settings),
    post: post('Change of a setting; what was set before stays in its history', {
      body: newSetting,
      answers: { '201': ok(Settings, 'as they are now') },
    }),
  },
  '/api/settings/try': {
    post: post('Trial of a setting: what it would match, and whether it can be used; nothing is changed', {
      body: tryingSetting,
      answers: { '200': ok(TriedSetting, 'what it would match') },
    }),
  },
  '/api/settings/calendar.ics': {
    get: {
      summary: 'The calendar as iCalendar (RFC 5545)',
      responses: {
        '200': {
          description: 'holidays as whole days; maintenance and what is left out as events of that category',
          content: { 'text/calendar': { schema: { type: 'string' } } },
        },
        '4XX': problem,
        '5XX': problem,
      },
    },
  },
  '/api/settings/calendar/read': {
    post: post('Reads an iCalendar file, and changes nothing: what it would set', {
      body: readingCalendar,
      answers: { '200': ok(ReadCalendar, 'what the file holds, from a year ago to two years ahead') },
    }),
  },
  '/api/settings/file': {
    get: get('All settings in one file, with what single flows and journeys were given in place', SettingsFile),
    post: post('Import of a settings file: it takes the place of all settings, and is undone as one change', {
      body: importing,
      answers: { '201': ok(Settings, 'as they are now') },
    }),
  },
  '/api/settings/file/schema': {
    get: {
      summary: 'JSON Schema of the settings file',
      responses: {
        '200': {
          description: 'JSON Schema of the settings file',
          content: {
            'application/schema+json': { schema: anything('a JSON Schema', { type: 'object', title: 'Settings' }) },
          },
        },
        '4XX': problem,
        '5XX': problem,
      },
    },
  },
  '/api/settings/changes/{id}/undo': {
    post: post('Undoing of a change: back to what was set before it', {
      path: [path('id', 'number of the change', 3)],
      body: undoing,
      answers: { '201': ok(Settings, 'as they are now') },
    }),
  },
};

/** Rates that can be changed in place. */
export const RATE_NAMES = Object.keys(Settings.properties.rates.properties) as (keyof RatesShape)[];
