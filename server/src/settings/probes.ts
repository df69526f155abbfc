import { isInner } from '@toplens/core/addresses';
import {
  LEAST_EVERY_S,
  LONGEST_STEP_MS,
  METHODS,
  MOST_EVERY_S,
  MOST_STEPS,
  STEP_KINDS,
  whyNoScript,
  type JsonCheck,
  type Probe,
} from '@toplens/core/probes';
import { array, mixed, number, object, string } from 'yup';

const text = string().trim().min(1).max(200);
const longText = string().max(10_000);
const MOST_SITES = 500;

const isFlat = (value: unknown): boolean =>
  value === undefined ||
  (typeof value === 'object' &&
    value !== null &&
    Object.values(value).every((one) => typeof one === 'string' && one.length <= 2_000));

const stepSchema = object({
  name: text.required('name: a step needs a name'),
  kind: string().oneOf(STEP_KINDS).required(),
  url: string().trim().min(1).max(2_000),
  method: string().oneOf(METHODS),
  headers: mixed<Record<string, string>>().test('headers', '${path}: expected texts by their names', isFlat),
  body: longText,
  selector: string().trim().min(1).max(500),
  text: string().min(1).max(500),
  status: number().integer().min(100).max(599),
  contains: string().min(1).max(500),
  json: array(
    object({
      path: text.matches(/^\$/, '${path}: expected a JSONPath, which begins with $').required(),
      equals: mixed<JsonCheck['equals']>()
        .required()
        .test('plain', '${path}: expected a text, a number, true or false', (value) =>
          ['string', 'number', 'boolean'].includes(typeof value),
        ),
    }).noUnknown(),
  ),
}).noUnknown();

const limitSchema = object({
  step: text.required(),
  site: text,
  slowMs: number().positive().max(LONGEST_STEP_MS).required(),
  brokenMs: number().positive().max(LONGEST_STEP_MS).required(),
}).noUnknown();

/** What is wrong with a probe as a whole, naming step and field; `undefined` when nothing is. */
function whyNoProbe({ steps, sites, limits }: Probe): string | undefined {
  const why = whyNoScript(steps);
  if (why !== undefined) return why;
  const inner = steps.find(({ url }) => url !== undefined && isInner(hostOf(url)));
  if (inner)
    return `step “${inner.name}”: url asks an inner address (${hostOf(inner.url ?? '')}). Write {{name}} in its place: whoever runs the probe there says what it stands for, and allows it`;
  for (const { step, site, slowMs, brokenMs } of limits) {
    const of = `limit of “${step}”${site === undefined ? '' : ` at ${site}`}`;
    if (!steps.some(({ name }) => name === step)) return `${of}: step: no step is called that`;
    if (site !== undefined && !sites.includes(site)) return `${of}: site: the probe is not run from there`;
    if (brokenMs <= slowMs) return `${of}: brokenMs: broken is later than slow`;
    if (limits.filter((other) => other.step === step && other.site === site).length > 1) return `${of}: is there twice`;
  }
  return undefined;
}

/** '' where a placeholder stands for it. */
const hostOf = (url: string): string => (URL.canParse(url) ? new URL(url).hostname : '');

const formSchema = object({
  name: text.required('name: a probe needs a name'),
  application: text.required('application: say which application it checks'),
  sites: array(text.required()).min(1, 'sites: name at least one place that it is run from').max(MOST_SITES).required(),
  everyS: number()
    .integer()
    .min(
      LEAST_EVERY_S,
      `everyS: a probe runs every ${LEAST_EVERY_S} seconds at most: it is there to notice, not to load`,
    )
    .max(MOST_EVERY_S)
    .required(),
  steps: array(stepSchema.required()).min(1, 'steps: a script has at least one step').max(MOST_STEPS).required(),
  limits: array(limitSchema).default([]),
}).noUnknown();

/** What is wrong in the form of its fields is told first. */
const probeSchema = formSchema.test('probe', (value, context) => {
  const why = formSchema.isValidSync(value) ? whyNoProbe(formSchema.cast(value)) : undefined;
  return why === undefined || context.createError({ message: `${value.name}: ${why}` });
});

/** Scripted checks: what is run, from where, how often, and by which limits it is judged. */
export const probesSchema = array(probeSchema)
  .default([])
  .test('names', (probes, context) => {
    const names = (probes ?? []).map(({ name }) => name);
    const doubled = names.find((name, i) => names.indexOf(name) !== i);
    return doubled === undefined || context.createError({ message: `name: two probes are called “${doubled}”` });
  });
