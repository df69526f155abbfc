import { may } from '@toplens/core/access';
import { Router, type Response } from 'express';
import { number, object, string, type ObjectSchema } from 'yup';
import { calendarOf, MalformedTelemetry, readICalendar, writeICalendar } from '@toplens/core/formats';
import { principalOf } from '../access/principal';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import {
  calendarSchema,
  checkSettings,
  LONGEST_LIMIT_MS,
  settingsSchema,
  siteLimitsSchema,
  stepLimitsSchema,
  type Settings,
} from '../settings/settings';
import type { ChangeSettings, WantedChange } from './change-settings';
import { isSection, SECTION_WORDS, sectionSchema } from '../settings/sections';
import { ALL_KEY, CALENDAR_KEY, RATES_KEY, SettingsBook, type SettingChange } from '../settings/settings-book';
import { valueWords } from '../settings/value-words';
import type { Database } from '../store/database';
import { loadChanges, readBook } from '../store/settings';
import { jsonSchemaOf } from '../contract/from-yup';
import {
  importing,
  newSetting,
  readingCalendar,
  RATE_NAMES,
  tryingSetting,
  undoing,
  type SettingsFileShape,
  type SettingsShape,
} from '../contract/settings';
import { DAY_MS } from '@toplens/core/time';
import { whyUnusable } from '../settings/try-change';
import { readInput } from './query';
import { tell } from './records';

const YEAR_MS = 365 * DAY_MS;

const rate = (name: string) =>
  number()
    .min(name === 'keyMultiplier' ? 1 : 0)
    .max(1e6);
const ratesSchema = object(Object.fromEntries(RATE_NAMES.map((name) => [name, rate(name)]))).noUnknown();
const flowSchema = object({
  name: string().trim().min(1, 'name: expected some words').max(120).nullable(),
  limitMs: number().positive().max(LONGEST_LIMIT_MS).nullable(),
  siteLimitsMs: siteLimitsSchema.nullable(),
  stepLimitsMs: stepLimitsSchema.nullable(),
  importance: number().min(0).max(1000).nullable(),
}).noUnknown();

const journeySchema = object({
  name: string().trim().min(1, 'name: expected some words').max(120).nullable(),
}).noUnknown();

/** The schema of what a key may be set to; `undefined` when no setting is called that. */
function schemaOf(key: string): ObjectSchema<object> | undefined {
  if (key === RATES_KEY) return ratesSchema;
  if (key === CALENDAR_KEY) return calendarSchema;
  if (key.startsWith('flow\u001f')) return flowSchema;
  return key.startsWith('journey\u001f') ? journeySchema : undefined;
}

/** @throws Problem 'badInput' for a key that nobody knows, or a value that does not fit it */
function checkValue(key: string, value: unknown): unknown {
  if (value === null || value === undefined) return null;
  // A field that is misspelt must not be left out without a word.
  if (isSection(key)) return (readInput(sectionSchema(key), { [key]: value }, false) as Record<string, unknown>)[key];
  const schema = schemaOf(key);
  if (!schema) throw new Problem('badInput', `key: no setting is called ${key}`, { field: 'key' });
  return readInput(schema, value);
}

export interface SettingsRouteOptions {
  /** what stood in the file at the start */
  file: Settings;
  installation: SettingsShape['installation'];
  changeSettings: ChangeSettings;
}

/** All that people decide, changed in place with who and when, tried before, and undone; out and in as one file. */
export function settingsRoutes(
  database: Database,
  engine: Engine,
  { file, installation, changeSettings }: SettingsRouteOptions,
): Router {
  const router = Router();
  const current = async (response: Response) => {
    const changes = await loadChanges(database);
    const shape = shapeOf(await readBook(database, file), changes, installation);
    return mayChange(response) ? shape : withoutSecrets(shape);
  };
  const change = async (wanted: WantedChange, response: Response) => {
    await changeSettings(wanted);
    return current(response);
  };
  /** What stands under a key now; what was changed last of a key that is no section. */
  const standing = async (key: string): Promise<unknown> => {
    if (isSection(key)) return (await readBook(database, file)).at()[key as keyof Settings] ?? null;
    return (await loadChanges(database)).findLast((one) => one.key === key)?.value ?? null;
  };
  router.get('/settings', async (_request, response) => {
    response.json(await current(response));
  });
  router.post('/settings', async (request, response) => {
    const { who: by, key, value, fromMs } = readInput(newSetting, request.body);
    tell(response, { before: await standing(key) });
    response.status(201).json(await change({ who: by, key, value: checkValue(key, value), fromMs }, response));
  });
  router.post('/settings/try', async (request, response) => {
    const { key, value } = readInput(tryingSetting, request.body);
    const tried = { key, value: checkValue(key, value), fromMs: 0 };
    const why = whyUnusable(file, tried);
    if (why !== undefined) throw new Problem('badInput', `value: ${why}`, { field: 'value' });
    const settings = new SettingsBook(file, [{ id: 1, atMs: 0, who: '', undoes: null, ...tried }]).at();
    response.json({ lines: await engine.ask('trySettings', { key, settings }) });
  });
  router.get('/settings/calendar.ics', async (_request, response) => {
    const { calendar } = (await readBook(database, file)).at();
    response.type('text/calendar').attachment('top-lens-calendar.ics').send(writeICalendar(calendar, Date.now()));
  });
  router.post('/settings/calendar/read', (request, response) => {
    const { text } = readInput(readingCalendar, request.body);
    response.json(readCalendar(text));
  });
  router.get('/settings/file', async (_request, response) => {
    response
      .setHeader('content-disposition', 'attachment; filename="top-lens-settings.json"')
      .json((await readBook(database, file)).export());
  });
  router.post('/settings/file', async (request, response) => {
    const { who: by, settings } = readInput(importing, request.body);
    response.status(201).json(await change({ who: by, key: ALL_KEY, value: checkFile(settings) }, response));
  });
  router.get('/settings/file/schema', (_request, response) => {
    response.type('application/schema+json').json({
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      title: 'Settings of Top Lens',
      ...jsonSchemaOf(settingsSchema),
    });
  });
  router.post('/settings/changes/:id/undo', async (request, response) => {
    const { who: by } = readInput(undoing, request.body);
    const changes = await loadChanges(database);
    const undone = changes.find(({ id }) => id === Number(request.params.id));
    if (!undone) throw new Problem('notFound', `there is no change ${request.params.id}`, { field: 'id' });
    const own = changes.filter(({ key }) => key === undone.key);
    if (own.at(-1)?.id !== undone.id)
      throw new Problem('conflict', 'only the newest change of a setting can be undone; undo that one first', {
        field: 'id',
      });
    const before = own.at(-2)?.value ?? null;
    response
      .status(201)
      .json(
        await change({ who: by, key: undone.key, value: before, fromMs: undone.fromMs, undoes: undone.id }, response),
      );
  });
  return router;
}

const mayChange = (response: Response): boolean => may(principalOf(response)?.grants ?? [], 'settings', {}, Date.now());

/** Whoever knows the address of a webhook can send there: it is told to those alone who may change it. */
const withoutSecrets = (shape: SettingsShape): SettingsShape => ({
  ...shape,
  file: {
    ...shape.file,
    ...(shape.file.receivers && {
      receivers: shape.file.receivers.map(({ webhook: _webhook, ...receiver }) => receiver),
    }),
  },
});

/** @throws Problem 'badInput' for what is no iCalendar file */
function readCalendar(text: string) {
  const now = Date.now();
  try {
    const { occurrences, notes } = readICalendar(text, { fromMs: now - YEAR_MS, toMs: now + 2 * YEAR_MS });
    return { calendar: calendarOf(occurrences), notes };
  } catch (error) {
    if (error instanceof MalformedTelemetry) throw new Problem('badInput', error.message, { field: error.field });
    throw error;
  }
}

/** @throws Problem 'badInput' naming the field */
function checkFile(settings: unknown): Settings {
  try {
    return checkSettings(settings);
  } catch (error) {
    throw new Problem('badInput', (error as Error).message, { field: 'settings' });
  }
}

/** Changes that are told, the newest; all of them are kept. */
const MOST_LISTED = 500;

function shapeOf(
  book: SettingsBook,
  changes: readonly SettingChange[],
  installation: SettingsShape['installation'],
): SettingsShape {
  const { teams: _teams, ...settings } = book.at();
  const { keyTiers, ...rates } = settings.rates;
  const undone = new Set(changes.flatMap(({ undoes }) => (undoes === null ? [] : [undoes])));
  const { holidays, excluded, maintenance = [] } = settings.calendar;
  return {
    currency: settings.currency,
    rates,
    keyTiers,
    calendar: { holidays: [...holidays], excluded: [...excluded], maintenance: [...maintenance] },
    // Only what is set stands in it.
    file: JSON.parse(JSON.stringify(settings)) as SettingsFileShape,
    installation,
    changes: changes
      .slice(-MOST_LISTED)
      .reverse()
      .map(({ id, atMs, fromMs, who: by, key, value, undoes }) => ({
        id,
        atMs,
        fromMs,
        who: by,
        key,
        about: aboutWords(key),
        words: valueWords(key, value),
        undoes,
        isUndone: undone.has(id),
      })),
  };
}

const aboutWords = (key: string): string => {
  if (key === ALL_KEY) return 'all settings';
  if (key === RATES_KEY) return 'harm rates';
  return isSection(key) ? SECTION_WORDS[key] : key.split('\u001f').slice(-2).join(': ');
};
