import '../input-words';
import type { AlertRule, Receiver } from '@toplens/core/alerts';
import type { Board } from '@toplens/core/boards';
import { readFileSync } from 'node:fs';
import { USUALLY_IGNORED, type FlowRule } from '@toplens/core/flows';
import { DEFAULT_RATES, type HarmRates } from '@toplens/core/incidents';
import { AT_ONCE_MS } from '@toplens/core/normal';
import type { OwnershipRule } from '@toplens/core/handoffs';
import { linePattern, type LineRule } from '@toplens/core/money';
import { dayKinds, type Calendar } from '@toplens/core/time';
import type { Probe } from '@toplens/core/probes';
import { alertRulesSchema, receiversSchema } from './alerts';
import { boardsSchema } from './boards';
import { handoffsSchema, type HandoffSetting } from './handoffs';
import { probesSchema } from './probes';
import { promisesSchema, type PromiseSetting } from './promises';
import { retentionSchema, type RetentionSetting } from './retention';
import { array, mixed, number, object, string, ValidationError, type TestContext } from 'yup';

/** What people decided: names, limits, owners, rates. Read from one JSON file at the start. */
export interface Settings {
  currency: string;
  /** units of `currency` for a unit of another, as it was on a day */
  exchangeRates: { currency: string; rate: number; asOf: string }[];
  flows: FlowRule[];
  /** services whose server spans begin attempts although they have a parent */
  entryServices: string[];
  /** patterns of technical names that are no flows: checks of health, files of pages */
  ignored: string[];
  /** what is answered sooner is never late where somebody waits, unless an owner's limit says so */
  atOnceMs: number;
  ownership: OwnershipRule[];
  teams: string[];
  rates: HarmRates;
  calendar: Calendar;
  /** ways that people named; found ones need no naming */
  journeys: { application: string; name: string; steps: string[] }[];
  /** lines of logs that tell of business events */
  businessEvents: LineRule[];
  /** service levels: what was promised to whom */
  promises: PromiseSetting[];
  /** scripted checks */
  probes: Probe[];
  /** how long handoffs may wait, and how a reported fix is watched */
  handoffs: HandoffSetting;
  /** for how long each kind of telemetry is kept */
  retention: RetentionSetting;
  /** who is told of trouble, by what ways */
  receivers: Receiver[];
  /** of what they are told */
  alertRules: AlertRule[];
  /** what roles want to see, each in its order */
  boards: Board[];
}

const text = string().trim().min(1);

const stretchSchema = object({
  fromMs: number().integer().required(),
  toMs: number().integer().required(),
  reason: text.required(),
})
  .noUnknown()
  .test('after', 'a stretch ends before it begins', ({ fromMs, toMs }) => toMs > fromMs);

export const calendarSchema = object({
  holidays: array(
    string()
      .matches(/^\d{4}-\d\d-\d\d$/, 'expected a date as 2026-12-25')
      .required(),
  ).default([]),
  excluded: array(stretchSchema).default([]),
  maintenance: array(stretchSchema).default([]),
}).noUnknown();

export const LONGEST_LIMIT_MS = 86_400_000;
/** After that a person's attention wanders: nothing that takes longer is at once. */
const LONGEST_AT_ONCE_MS = 10_000;

/** Milliseconds by the name of what they limit. */
const limitsByName = (message: string) =>
  mixed<Record<string, number>>().test(
    'limits',
    message,
    (value) =>
      value === undefined ||
      value === null ||
      (typeof value === 'object' &&
        Object.values(value).every((ms) => typeof ms === 'number' && ms > 0 && ms <= LONGEST_LIMIT_MS)),
  );
export const siteLimitsSchema = limitsByName('siteLimitsMs: expected more than 0 ms and at most a day for each site');
export const stepLimitsSchema = limitsByName('stepLimitsMs: expected more than 0 ms and at most a day for each step');

const isPattern = (pattern: string, context: TestContext) => {
  try {
    linePattern(pattern);
    return true;
  } catch (error) {
    return context.createError({ message: `${context.path}: ${(error as Error).message}` });
  }
};

/** All of the settings, as the file holds them. */
export const settingsSchema = object({
  currency: text.matches(/^[A-Z]{3}$/, 'expected a currency code as EUR').default('EUR'),
  exchangeRates: array(
    object({
      currency: text.matches(/^[A-Z]{3}$/, 'expected a currency code as JPY').required(),
      rate: number().positive().required(),
      asOf: text.matches(/^\d{4}-\d\d-\d\d$/, 'expected a date as 2026-12-25').required(),
    }).noUnknown(),
  ).default([]),
  flows: array(
    object({
      application: text,
      technicalName: text.required(),
      name: text,
      limitMs: number().positive(),
      siteLimitsMs: siteLimitsSchema,
      stepLimitsMs: stepLimitsSchema,
      importance: number().min(0),
      agreement: object({
        target: number().min(0.5).max(0.99999).required(),
        days: number().integer().min(1).max(366).required(),
        penalty: number().min(0).required(),
      })
        .noUnknown()
        .default(undefined),
    }).noUnknown(),
  ).default([]),
  entryServices: array(text.required()).default([]),
  ignored: array(text.required()).default([...USUALLY_IGNORED]),
  atOnceMs: number().min(0).max(LONGEST_AT_ONCE_MS).default(AT_ONCE_MS),
  ownership: array(
    object({ application: text, flow: text, component: text, team: text.required() }).noUnknown(),
  ).default([]),
  rates: object({
    waiting: number().min(0).default(DEFAULT_RATES.waiting),
    failed: number().min(0).default(DEFAULT_RATES.failed),
    left: number().min(0).default(DEFAULT_RATES.left),
    missing: number().min(0).default(DEFAULT_RATES.missing),
    money: number().min(0).default(DEFAULT_RATES.money),
    keyMultiplier: number().min(1).default(DEFAULT_RATES.keyMultiplier),
    keyTiers: array(text.required()).default([]),
  }).noUnknown(),
  journeys: array(
    object({
      application: text.required(),
      name: text.required(),
      steps: array(text.required()).min(2).required(),
    }).noUnknown(),
  ).default([]),
  businessEvents: array(
    object({ name: text.required(), component: text, pattern: text.required().test('pattern', isPattern) }).noUnknown(),
  ).default([]),
  promises: promisesSchema,
  probes: probesSchema,
  handoffs: handoffsSchema,
  retention: retentionSchema,
  receivers: receiversSchema,
  alertRules: alertRulesSchema,
  boards: boardsSchema,
  calendar: calendarSchema.default({ holidays: [], excluded: [], maintenance: [] }),
}).noUnknown();

/** Teams that own something, each once, in the order of the rules. */
export const teamsOf = (ownership: readonly OwnershipRule[]): string[] => [
  ...new Set(ownership.map((rule) => rule.team)),
];

/**
 * @throws Error naming the file, the field and what is expected there
 */
export function readSettings(file: string): Settings {
  let raw: unknown;
  try {
    raw = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new Error(`${file} cannot be read as settings: ${(error as Error).message}`);
  }
  return checkSettings(raw, file);
}

export function checkSettings(raw: unknown, where = 'settings'): Settings {
  try {
    const settings = settingsSchema.validateSync(raw, { strict: true, abortEarly: false });
    const cast = settingsSchema.cast(settings);
    dayKinds(cast.calendar);
    return { ...cast, flows: cast.flows, teams: teamsOf(cast.ownership) };
  } catch (error) {
    if (error instanceof ValidationError) throw new Error(`${where}: ${error.errors.join('; ')}`);
    throw error;
  }
}
