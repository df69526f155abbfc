import { DEFAULT_RULES, WATCHED_KINDS } from '@toplens/core/alerts';
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

const receiverSchema = object({
  name: name.required(),
  mail: string().trim().email('expected a mail address'),
  phone: string().matches(/^\+?[\d ()-]{5,30}$/, 'expected a telephone number as +353 1 555 0100'),
  webhook: string().url('expected an address as https://…'),
  quiet: object({
    from: timeOfDay.required(),
    to: timeOfDay.required(),
    zone: string().required().test('zone', 'expected a time zone as Europe/Dublin', isZone),
  })
    .noUnknown()
    .default(undefined),
  rota: string().max(LONGEST_ROTA),
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
