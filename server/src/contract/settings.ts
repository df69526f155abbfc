import type { Static } from '@sinclair/typebox';
import { mixed, number as numberInput, object, string } from 'yup';
import { get, ok, path, post, type Paths } from './paths';
import { whoDoes } from './queries';
import { EPOCH_MS, POINTS, flag, integer, list, number, orNull, record, resource, text, texts } from './words';

export const Settings = resource('Settings', 'Rates, calendar, and every change of a setting', {
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  rates: record(
    {
      waiting: number('harm of one minute waited', POINTS, 1),
      failed: number('attempts that failed', 'attempts', 31),
      left: number('people who left here', 'people', 31),
      missing: number('attempts that were expected and never came', 'attempts', 44),
      money: number('harm of one unit of currency', POINTS, 0.2),
      keyMultiplier: number('what harm to key customers is multiplied by', '1', 3),
    },
    'harm of one of each kind, minutes',
  ),
  keyTiers: texts('tiers whose people count more', ['Business']),
  calendar: record(
    {
      holidays: texts('days, as YYYY-MM-DD', ['2026-12-25']),
      excluded: list(
        record({
          fromMs: number('begin', EPOCH_MS, 1772442000000),
          toMs: number('end', EPOCH_MS, 1772445600000),
          reason: text('why, in words', 'a holiday moved by a week'),
        }),
        'times that nothing is learned from',
      ),
    },
    'days and times that are not as usual',
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

export const newSetting = object({
  who,
  key: string()
    .min(1)
    .max(600)
    .required()
    .meta({ description: 'which setting: rates, calendar, or the key of a flow or journey', example: 'rates' }),
  value: mixed()
    .nullable()
    .meta({ description: 'what it is set to; null: back to the settings file', example: { waiting: 1 } }),
  fromMs: numberInput()
    .integer()
    .meta({ description: 'from when on it is in force; left out: from now', unit: EPOCH_MS, example: 1772442840000 }),
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
