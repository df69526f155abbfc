/**
 * What a step does. request: asks a server over HTTP; open: opens a page in a browser; type and tap: what a person does
 * there; see: waits until a text is shown.
 */
export const STEP_KINDS = ['request', 'open', 'type', 'tap', 'see'] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** Kinds that need a browser. */
export const isBrowserStep = (kind: StepKind): boolean => kind !== 'request';

export const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'] as const;

/** One value that the answer's JSON must hold. */
export interface JsonCheck {
  /** where it stands, as JSONPath (RFC 9535): "$.status" */
  path: string;
  equals: string | number | boolean;
}

export interface ProbeStep {
  name: string;
  kind: StepKind;
  /** of request and open; `{{name}}` stands for what the runner was told of its site */
  url?: string | undefined;
  method?: (typeof METHODS)[number] | undefined;
  headers?: Record<string, string> | undefined;
  body?: string | undefined;
  /** of type and tap: the element, as CSS selects it */
  selector?: string | undefined;
  /** of type: what is typed; of see: what is to be shown */
  text?: string | undefined;
  /** HTTP status that is expected; any below 400 when left out */
  status?: number | undefined;
  /** text that the answer must hold */
  contains?: string | undefined;
  json?: readonly JsonCheck[] | undefined;
}

/** From when on a step is slow, and from when on it is as good as broken; of one site, or of all that have none. */
export interface ProbeLimit {
  step: string;
  site?: string | undefined;
  slowMs: number;
  brokenMs: number;
}

/** A scripted check: what a runner does, where, and how often. */
export interface Probe {
  name: string;
  application: string;
  /** places that it is run from */
  sites: readonly string[];
  everyS: number;
  steps: readonly ProbeStep[];
  limits: readonly ProbeLimit[];
}

/** What a runner is told of a probe. */
export type ProbeScript = Pick<Probe, 'name' | 'application' | 'everyS' | 'steps'>;

/** A runner asks no faster: it is there to notice, not to load. */
export const LEAST_EVERY_S = 5;
export const MOST_EVERY_S = 86_400;
export const MOST_STEPS = 20;
/** A step that takes longer is given up. */
export const LONGEST_STEP_MS = 30_000;

const PLACEHOLDER = /\{\{(\w+)\}\}/g;

/** An address with what the runner was told in place of its `{{names}}`. @throws Error naming what it was not told */
export const filledIn = (text: string, values: Readonly<Record<string, string>>): string =>
  text.replace(PLACEHOLDER, (_whole, name: string) => {
    const value = values[name];
    if (value === undefined) throw new Error(`{{${name}}} is not known here: start the runner with --set ${name}=…`);
    return value;
  });

/** Which of its fields each kind of step needs. */
const NEEDED: Readonly<Record<StepKind, readonly (keyof ProbeStep)[]>> = {
  request: ['url'],
  open: ['url'],
  type: ['selector', 'text'],
  tap: ['selector'],
  see: ['text'],
};

/**
 * What is wrong with the steps of a script beyond the form of their fields, naming step and field; `undefined` when
 * nothing is.
 */
export function whyNoScript(steps: readonly ProbeStep[]): string | undefined {
  const names = steps.map(({ name }) => name);
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice !== undefined) return `name: two steps are called “${twice}”; limits could not tell them apart`;
  for (const [i, step] of steps.entries()) {
    const of = `step “${step.name}”`;
    const missing = NEEDED[step.kind].find((field) => step[field] === undefined);
    if (missing !== undefined) return `${of}: ${missing} is missing; “${step.kind}” needs it`;
    const isBefore = steps.slice(0, i).some(({ kind }) => kind === 'open');
    if (isBrowserStep(step.kind) && step.kind !== 'open' && !isBefore)
      return `${of}: no page is open yet; a step of kind “open” must come before “${step.kind}”`;
    if (step.url !== undefined && !isAddress(step.url))
      return `${of}: url is no address: expected one as https://portal.example/status`;
  }
  return undefined;
}

/** Placeholders may stand for the begin of it. */
function isAddress(url: string): boolean {
  const filled = url.replace(/^\{\{\w+\}\}/, 'http://site.example').replace(PLACEHOLDER, 'x');
  return URL.canParse(filled) && /^https?:$/.test(new URL(filled).protocol);
}
