import { INDICATORS, matchesPattern, type Agreement, type FlowRule, type Indicator } from '@toplens/core/flows';
import { HOURS_STEP_MS, isZone, minuteOf, type ServicePromise } from '@toplens/core/promises';
import { DAY_MS, MINUTE_MS } from '@toplens/core/time';
import { array, number, object, string, type InferType, type TestContext } from 'yup';

const text = string().trim().min(1).max(200);
const STEP_MINUTES = HOURS_STEP_MS / MINUTE_MS;
const LARGEST_TARGET = 0.99999;
/** Who is served well half of the time is not served well. */
const LEAST_PERSON_SHARE = 0.5;

const zone = text.test('zone', '${path}: no such time zone; expected one as Europe/Dublin', (value) =>
  value === undefined ? true : isZone(value),
);
const clock = text.test(
  'clock',
  '${path}: expected a time of the day in steps of five minutes, as 08:00 or 24:00',
  (value) => value === undefined || (minuteOf(value) ?? 1) % STEP_MINUTES === 0,
);

/** What is wrong with steps of a penalty; `undefined` when nothing is. */
function whyNoSteps(steps: readonly { below: number; amount: number }[], target: number): string | undefined {
  const isRight = steps.every(
    ({ below, amount }, i) =>
      below <= (steps[i - 1]?.below ?? target) + 1e-12 &&
      (i === 0 || (below < (steps[i - 1]?.below as number) && amount > (steps[i - 1]?.amount as number))),
  );
  return isRight
    ? undefined
    : 'penalties: begin with the highest share, at most the target; each lower share costs more than the one before';
}

/** What is wrong with the share of somebody's attempts; `undefined` when nothing is. */
function whyNoPersonShare(indicator: Indicator, personShare: number | undefined): string | undefined {
  if (indicator === 'people' && personShare === undefined)
    return "personShare: say which share of somebody's attempts must be in time, as 0.9";
  return indicator !== 'people' && personShare !== undefined
    ? 'personShare: only promises about people have one'
    : undefined;
}

const fails = (context: TestContext, why: string | undefined) =>
  why === undefined ? true : context.createError({ message: why });

const promiseSchema = object({
  name: text.required('name: a promise needs a name'),
  to: text,
  application: text,
  flow: text,
  indicator: string().oneOf(INDICATORS).required(),
  limitMs: number().positive().max(DAY_MS),
  personShare: number().min(LEAST_PERSON_SHARE).max(1),
  target: number()
    .min(0.5)
    .max(
      LARGEST_TARGET,
      'target: at most 99.999 %: with 100 % there is no budget, and one bad attempt breaks the promise',
    )
    .required(),
  period: object({
    kind: string()
      .oneOf(['rolling', 'week', 'month'] as const)
      .required(),
    days: number().integer().min(1).max(366),
    zone,
  })
    .noUnknown()
    .test('period', (value, context) =>
      fails(
        context,
        value.kind === 'rolling'
          ? value.days === undefined
            ? 'period.days: say how many days'
            : undefined
          : value.zone === undefined
            ? `period.zone: say in which time zone the ${value.kind} is one`
            : undefined,
      ),
    ),
  hours: object({
    zone: zone.required(),
    days: array(number().integer().min(1).max(7).required())
      .min(1, 'hours.days: at least one day of the week')
      .required(),
    from: clock.required(),
    to: clock.required(),
  })
    .noUnknown()
    .default(undefined)
    .test('hours', (value, context) =>
      fails(
        context,
        value && (minuteOf(value.from) ?? 0) >= (minuteOf(value.to) ?? 0)
          ? 'hours: they end before they begin; hours past midnight are two promises'
          : undefined,
      ),
    ),
  excluded: array(
    object({
      fromMs: number().integer().required(),
      toMs: number()
        .integer()
        .required()
        .test(
          'after',
          'excluded: a stretch ends before it begins',
          (toMs, { parent }) => toMs > (parent as { fromMs: number }).fromMs,
        ),
      reason: text.required(),
    }).noUnknown(),
  ).default([]),
  penalties: array(
    object({ below: number().moreThan(0).lessThan(1).required(), amount: number().positive().required() }).noUnknown(),
  ).default([]),
})
  .noUnknown()
  .test('penalties', ({ penalties, target }, context) => fails(context, whyNoSteps(penalties ?? [], target)))
  .test('people', ({ indicator, personShare }, context) => fails(context, whyNoPersonShare(indicator, personShare)));

export const promisesSchema = array(promiseSchema)
  .default([])
  .test('names', (promises, context) => {
    const names = (promises ?? []).map(({ name }) => name);
    const doubled = names.find((name, i) => names.indexOf(name) !== i);
    return fails(context, doubled === undefined ? undefined : `name: two promises are called “${doubled}”`);
  });

export type PromiseSetting = InferType<typeof promiseSchema>;

/** Where promises stand in the settings. */
export interface PromiseSource {
  promises: readonly PromiseSetting[];
  flows: readonly FlowRule[];
}

/** All that is promised: by name, and the agreements of single flows' rules. */
export function promisesOf({ promises, flows }: PromiseSource): ServicePromise[] {
  const agreed = flows.flatMap((rule) => (rule.agreement ? [fromAgreement(rule, rule.agreement)] : []));
  const named = promises.map(fromSetting);
  return [...named, ...agreed.filter(({ name }) => !named.some((one) => one.name === name))];
}

function fromSetting({ period, hours, to = '', ...rest }: PromiseSetting): ServicePromise {
  return {
    ...rest,
    to,
    period:
      period.kind === 'rolling'
        ? { kind: 'rolling', days: period.days ?? 30 }
        : { kind: period.kind, zone: period.zone ?? 'UTC' },
    hours: hours && {
      zone: hours.zone,
      days: hours.days,
      fromMinute: minuteOf(hours.from) ?? 0,
      toMinute: minuteOf(hours.to) ?? 1440,
    },
  };
}

const fromAgreement = (
  { application, technicalName, name = technicalName }: FlowRule,
  { target, days, penalty }: Agreement,
): ServicePromise => ({
  name,
  to: '',
  application,
  flow: technicalName,
  indicator: 'inTime',
  target,
  period: { kind: 'rolling', days },
  excluded: [],
  penalties: penalty > 0 ? [{ below: target, amount: penalty }] : [],
});

/** Is the flow one of those whose attempts count? By its name or its technical name. */
export const isPromised = (
  { application, flow }: Pick<ServicePromise, 'application' | 'flow'>,
  facts: { application: string; name: string; technicalName: string },
): boolean =>
  (application === undefined || application === facts.application) &&
  (flow === undefined || matchesPattern(flow, facts.name) || matchesPattern(flow, facts.technicalName));
