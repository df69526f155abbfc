import { DEFAULT_RULES, WATCHED_KINDS } from '@toplens/core/alerts';
import { readICalendar } from '@toplens/core/formats';
import { array, boolean, number, object, string } from 'yup';

const name = string().trim().min(1).max(200);
const timeOfDay = string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected a time of the day as 22:00');
const LONGEST_ROTA = 200_000;

const isZone = (zone: string | undefined) => {
  try {
    return Intl.DateTimeFormat(undefined, { timeZone: zone }) !== undefined;
  } catch {
    return false;
  }
};

const isWebAddress = (text: string): boolean =>
  URL.canParse(text) && ['http:', 'https:'].includes(new URL(text).protocol);

const isCalendar = (text: string): boolean => {
  try {
    return readICalendar(text, { fromMs: 0, toMs: 1 }).occurrences.length >= 0;
  } catch {
    return false;
  }
};

const receiverSchema = object({
  name: name.required(),
  mail: string()
    .trim()
    .max(320)
    .matches(/^[^\s@]+@[^\s@]+$/, 'mail: expected a mail address'),
  phone: string().matches(/^\+?[\d ()-]{5,30}$/, 'expected a telephone number as +353 1 555 0100'),
  webhook: string().test('webhook', 'webhook: expected an address as https://…', (text) => !text || isWebAddress(text)),
  quiet: object({
    from: timeOfDay.required(),
    to: timeOfDay.required(),
    zone: string().required().test('zone', 'expected a time zone as Europe/Dublin', isZone),
  })
    .noUnknown()
    .default(undefined),
  rota: string()
    .max(LONGEST_ROTA)
    .test('rota', 'rota: this is no calendar (iCalendar) that can be read', (text) => !text || isCalendar(text)),
  takesHandoffs: boolean(),
})
  .noUnknown()
  .test(
    'reachable',
    'a receiver needs a mail address, a telephone number, a webhook, or a rota',
    ({ mail, phone, webhook, rota }) => [mail, phone, webhook, rota].some(Boolean),
  )
  .test(
    'mail',
    'handoffs go to a mail address: write one',
    ({ takesHandoffs, mail }) => takesHandoffs !== true || !!mail,
  );

const eachOnce = (all: readonly { name?: string }[] | undefined) =>
  new Set(all?.map((one) => one.name)).size === (all?.length ?? 0);

export const receiversSchema = array(receiverSchema)
  .test('once', 'receivers: each name once', (all) => eachOnce(all))
  .default([]);

const ruleSchema = object({
  name: name.required(),
  watches: string().oneOf(WATCHED_KINDS).required(),
  application: name,
  points: number().min(0).max(1e9),
  people: number().min(0).max(1e9),
  isBroken: boolean(),
  notAcceptedMinutes: number().integer().min(1).max(10_080),
  chance: number().min(0).max(1),
  to: array(name.required()).min(1, 'to: name at least one receiver').required(),
}).noUnknown();

export const alertRulesSchema = array(ruleSchema)
  .test('once', 'alertRules: each name once', (all) => eachOnce(all))
  .default(() => DEFAULT_RULES.map((rule) => ({ ...rule, to: [...rule.to] })));
