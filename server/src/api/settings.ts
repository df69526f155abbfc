import { Router } from 'express';
import { number, object, string, type ObjectSchema } from 'yup';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { calendarSchema, LONGEST_LIMIT_MS, siteLimitsSchema, type Settings } from '../settings/settings';
import { CALENDAR_KEY, RATES_KEY, SettingsBook, type SettingChange } from '../settings/settings-book';
import type { Database } from '../store/database';
import { insertChange, loadChanges } from '../store/settings';
import { newSetting, RATE_NAMES, undoing, type SettingsShape } from '../contract/settings';
import { DAY_MS } from '@toplens/core/time';
import { whyUnusable } from '../settings/try-change';
import { readInput } from './query';

/** A change can be in force from so long ago: longer than anything is kept. */
const LONGEST_AGO_MS = 400 * DAY_MS;
const LONGEST_AHEAD_MS = 400 * DAY_MS;

/** @throws Problem 'badInput' */
function checkFrom(fromMs: number): number {
  const now = Date.now();
  if (fromMs < now - LONGEST_AGO_MS || fromMs > now + LONGEST_AHEAD_MS)
    throw new Problem('badInput', 'fromMs: expected a time within 400 days before or after now', { field: 'fromMs' });
  return fromMs;
}

const rate = (name: string) =>
  number()
    .min(name === 'keyMultiplier' ? 1 : 0)
    .max(1e6);
const ratesSchema = object(Object.fromEntries(RATE_NAMES.map((name) => [name, rate(name)]))).noUnknown();
const flowSchema = object({
  name: string().trim().min(1, 'name: expected some words').max(120).nullable(),
  limitMs: number().positive().max(LONGEST_LIMIT_MS).nullable(),
  siteLimitsMs: siteLimitsSchema.nullable(),
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
  const schema = schemaOf(key);
  if (!schema) throw new Problem('badInput', `key: no setting is called ${key}`, { field: 'key' });
  return readInput(schema, value);
}

/** Rates, calendar, and what is said of flows: changed in place, with who and when, and an undo. */
export function settingsRoutes(database: Database, engine: Engine, file: Settings): Router {
  const router = Router();
  const current = async () => shapeOf(file, await loadChanges(database));
  const change = async (one: {
    who: string;
    key: string;
    value: unknown;
    fromMs?: number | undefined;
    undoes?: number;
  }) => {
    const fromMs = checkFrom(one.fromMs ?? Date.now());
    // Tried before it is kept: what is kept is used at every start.
    const why = whyUnusable(file, { ...one, fromMs });
    if (why !== undefined) throw new Problem('badInput', `value: ${why}`, { field: 'value' });
    const kept = await insertChange(database, { ...one, fromMs });
    await engine.ask('settings', kept);
    return current();
  };
  router.get('/settings', async (_request, response) => {
    response.json(await current());
  });
  router.post('/settings', async (request, response) => {
    const { who: by, key, value, fromMs } = readInput(newSetting, request.body);
    response.status(201).json(await change({ who: by, key, value: checkValue(key, value), fromMs }));
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
      .json(await change({ who: by, key: undone.key, value: before, fromMs: undone.fromMs, undoes: undone.id }));
  });
  return router;
}

/** Changes that are told, the newest; all of them are kept. */
const MOST_LISTED = 500;

function shapeOf(file: Settings, changes: readonly SettingChange[]): SettingsShape {
  const book = new SettingsBook(file, changes);
  const { keyTiers, ...rates } = book.ratesAt(Infinity);
  const undone = new Set(changes.flatMap(({ undoes }) => (undoes === null ? [] : [undoes])));
  const calendar = book.calendarAt(Infinity);
  return {
    currency: file.currency,
    rates,
    keyTiers,
    calendar: { holidays: [...calendar.holidays], excluded: [...calendar.excluded] },
    changes: changes
      .slice(-MOST_LISTED)
      .reverse()
      .map(({ id, atMs, fromMs, who: by, key, value, undoes }) => ({
        id,
        atMs,
        fromMs,
        who: by,
        key,
        about:
          key === RATES_KEY
            ? 'harm rates'
            : key === CALENDAR_KEY
              ? 'calendar'
              : key.split('\u001f').slice(1).join(': '),
        words: value === null ? 'back to the settings file' : wordsOf(value),
        undoes,
        isUndone: undone.has(id),
      })),
  };
}

const wordsOf = (value: unknown): string =>
  Object.entries(value as Record<string, unknown>)
    .map(([name, one]) => `${name} ${typeof one === 'object' && one !== null ? JSON.stringify(one) : String(one)}`)
    .join(', ');
