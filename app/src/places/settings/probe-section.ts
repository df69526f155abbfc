import { parseDecimal } from '@/frame/decimal';
import { counted } from '@/look/format';
import { lines, required, type Section } from './section';

export interface ReadLimit {
  step: string;
  site?: string;
  slowMs: number;
  brokenMs: number;
}

/** "Sign in: 0.9, 6" or "Sign in @ Wending: 1.2, 6", in seconds; `undefined` for what is neither. */
export function readLimit(line: string): ReadLimit | undefined {
  const [, step = '', site, slow = '', broken = ''] =
    /^(.+?)(?:\s+@\s+(.+?))?\s*:\s*([\d.]+)\s*,\s*([\d.]+)$/.exec(line.trim()) ?? [];
  const [slowMs, brokenMs] = [parseDecimal(slow) * 1000, parseDecimal(broken) * 1000];
  if (step === '' || !(slowMs > 0) || !(brokenMs > slowMs)) return undefined;
  return { step, ...(site !== undefined && { site }), slowMs: Math.round(slowMs), brokenMs: Math.round(brokenMs) };
}

export const limitText = ({ step, site, slowMs, brokenMs }: ReadLimit): string =>
  `${step}${site === undefined ? '' : ` @ ${site}`}: ${slowMs / 1000}, ${brokenMs / 1000}`;

/** What is wrong with the text of a script; `undefined` when it is a list of steps. The server looks at each. */
export function whyNoSteps(text: string): string | undefined {
  try {
    const steps: unknown = JSON.parse(text);
    if (!Array.isArray(steps) || steps.length === 0) return 'A list of steps in square brackets, at least one.';
    const at = steps.findIndex((step) => typeof step !== 'object' || step === null || !('name' in step));
    return at < 0 ? undefined : `Step ${at + 1} has no name.`;
  } catch (error) {
    return `This is no JSON: ${(error as Error).message}`;
  }
}

/** Scripted checks: what is run, from where, how often, and by which limits it is judged. */
export const PROBES: Section = {
  key: 'probes',
  title: 'Probes',
  about:
    'Scripts that run from sites on a schedule, by a runner that stands there: npm run probe -- --site NAME --server URL --key KEY. They are no people and add nothing to the rank.',
  unit: 'probe',
  isOrdered: false,
  columns: [
    { name: 'name', label: 'Name', check: required('Name the probe.') },
    { name: 'application', label: 'Application that it checks', check: required('Name the application.') },
    {
      name: 'sites',
      label: 'Sites',
      hint: 'Where it is run from, a line each.',
      isMultiline: true,
      check: (text) => (lines(text).length === 0 ? 'At least one site, a line each.' : undefined),
    },
    {
      name: 'every',
      label: 'Every so many seconds',
      check: (text) => {
        const seconds = parseDecimal(text);
        return Number.isInteger(seconds) && seconds >= 5 && seconds <= 86_400
          ? undefined
          : 'A whole number of seconds, from 5 to 86400.';
      },
    },
    {
      name: 'steps',
      label: 'Steps, as JSON',
      hint: '[{ "name": "Sign in", "kind": "request", "url": "https://…", "status": 200 }]; kinds: request, open, type, tap, see.',
      isMultiline: true,
      check: whyNoSteps,
    },
    {
      name: 'limits',
      label: 'Limits',
      hint: 'A line each, seconds: “Sign in: 0.9, 6” (slow, broken), or “Sign in @ Wending: 1.2, 6”.',
      isMultiline: true,
      check: (text) =>
        lines(text).every((line) => readLimit(line) !== undefined)
          ? undefined
          : 'A line each: the step, a colon, slow and broken in seconds, the second larger.',
    },
  ],
  words: ({ name, sites, every }) =>
    [name || '…', every && `every ${every} s`, sites && `from ${counted(lines(sites).length, 'site')}`]
      .filter(Boolean)
      .join(' · '),
  entriesOf: ({ probes }) =>
    probes.map(({ name, application, sites, everyS, steps, limits }) => ({
      name,
      application,
      sites: sites.join('\n'),
      every: String(everyS),
      steps: JSON.stringify(steps, null, 2),
      limits: limits.map(limitText).join('\n'),
    })),
  valueOf: (entries) =>
    entries.map(({ name = '', application = '', sites, every = '', steps = '[]', limits }) => ({
      name: name.trim(),
      application: application.trim(),
      sites: lines(sites),
      everyS: parseDecimal(every),
      steps: JSON.parse(steps) as object[],
      limits: lines(limits).flatMap((line) => readLimit(line) ?? []),
    })),
};
