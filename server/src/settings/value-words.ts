import { KEPT_KINDS, type KeptKind } from '@toplens/core/telemetry';
import { counted, durationWords } from '@toplens/core/words';
import { ALL_KEY, CALENDAR_KEY, RATES_KEY, type FlowChange, type JourneyChange } from './settings-book';
import type { RetentionSetting } from './retention';
import { isSection } from './sections';
import type { Settings } from './settings';

const RATE_WORDS: Readonly<Record<string, string>> = {
  waiting: 'a minute waited',
  failed: 'a failed attempt',
  left: 'a person who left',
  missing: 'an attempt that never came',
  money: 'a unit of money',
  keyMultiplier: 'key customers count',
};

const KEPT_WORDS: Readonly<Record<KeptKind, string>> = {
  attempts: 'attempts',
  traces: 'traces',
  logs: 'log lines',
  metrics: 'metrics',
  pageLoads: 'page loads',
  crashes: 'crashes',
  phoneSessions: 'sessions on phones',
};

/**
 * What a setting was set to, as people read it: no names of fields, no JSON.
 *
 * @example valueWords(key, { limitMs: 1200, importance: 1 }) // 'limit 1.2 s, importance 1'
 */
export function valueWords(key: string, value: unknown): string {
  if (value === null) return 'back to the settings file';
  if (key === ALL_KEY) return 'imported from a file';
  if (key === RATES_KEY)
    return Object.entries(value as Record<string, number>)
      .map(([name, rate]) => `${RATE_WORDS[name] ?? name} ${rate}${name === 'keyMultiplier' ? ' times' : ''}`)
      .join(', ');
  if (key === CALENDAR_KEY) return calendarWords(value as Settings['calendar']);
  if (isSection(key)) return sectionWords(key, value);
  return flowWords(value as FlowChange & JourneyChange);
}

function flowWords({ name, limitMs, siteLimitsMs, stepLimitsMs, importance }: FlowChange): string {
  const limitsOf = (byName: Record<string, number> | null | undefined) =>
    Object.entries(byName ?? {}).map(([of, ms]) => `${of} ${durationWords(ms)}`);
  const [sites, steps] = [limitsOf(siteLimitsMs), limitsOf(stepLimitsMs)];
  const said = [
    name === null ? 'no name of its own' : name && `called “${name}”`,
    limitMs === null ? 'no limit of its own' : limitMs !== undefined && `limit ${durationWords(limitMs)}`,
    sites.length > 0 && `limits of sites: ${sites.join(', ')}`,
    steps.length > 0 && `limits of steps: ${steps.join(', ')}`,
    typeof importance === 'number' && `importance ${importance}`,
  ].filter(Boolean);
  return said.join(', ') || 'nothing of its own';
}

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

/** "2026-11-02 22:00 UTC" */
const moment = (timeMs: number) => `${new Date(timeMs).toISOString().slice(0, 16).replace('T', ' ')} UTC`;

function calendarWords({ holidays, excluded, maintenance = [] }: Settings['calendar']): string {
  const said = [
    ...(holidays.length > 0 ? [`holidays ${holidays.map((one) => day.format(Date.parse(one))).join(', ')}`] : []),
    ...excluded.map(
      ({ fromMs, toMs, reason }) => `left out ${day.format(fromMs)} to ${day.format(toMs - 1)}: ${reason}`,
    ),
    ...maintenance.map(({ fromMs, toMs, reason }) => `maintenance ${moment(fromMs)} to ${moment(toMs)}: ${reason}`),
  ];
  return said.join('; ') || 'no day is special';
}

function sectionWords(key: string, value: unknown): string {
  if (typeof value === 'string') return value;
  if (typeof value === 'number') return durationWords(value);
  if (key === 'handoffs') return handoffWords(value as Settings['handoffs']);
  if (key === 'retention') return retentionWords(value as Partial<RetentionSetting>);
  const rows = value as (string | Record<string, unknown>)[];
  if (rows.length === 0) return 'none';
  const names = rows.map((row) => (typeof row === 'string' ? row : ruleWords(key, row)));
  return `${counted(rows.length, key === 'ownership' || key === 'flows' ? 'rule' : 'entry', key === 'ownership' || key === 'flows' ? 'rules' : 'entries')}: ${names.join('; ')}`;
}

function handoffWords({ mayWait, settleMinutes, calmMinutes }: Settings['handoffs']): string {
  const waits = Object.entries(mayWait).map(([priority, { accept, fix }]) => `${priority} ${accept} and ${fix} min`);
  return `may wait until accepted and fixed: ${waits.join(', ')}; a fix settles in ${settleMinutes} min, is proven after ${calmMinutes} min`;
}

function retentionWords(retention: Partial<RetentionSetting>): string {
  const said = KEPT_KINDS.flatMap((kind) => {
    const days = retention[kind] ?? null;
    return days === null ? [] : [`${KEPT_WORDS[kind]} ${counted(days, 'day')}`];
  });
  return said.join(', ') || 'as the installation says';
}

function ruleWords(key: string, row: Record<string, unknown>): string {
  if (key === 'ownership') {
    const rule = row as unknown as Settings['ownership'][number];
    const of = (['component', 'flow', 'application'] as const).flatMap((field) =>
      rule[field] === undefined ? [] : [`${field} ${rule[field]}`],
    );
    return `${of.join(', ') || 'all else'} to ${rule.team}`;
  }
  if (key === 'exchangeRates') return `${String(row.currency)} at ${String(row.rate)} as of ${String(row.asOf)}`;
  if (key === 'flows') {
    const { agreement } = row as unknown as Settings['flows'][number];
    const promise =
      agreement &&
      `promise ${Number((agreement.target * 100).toFixed(4))} % over ${agreement.days} days, penalty ${agreement.penalty}`;
    return [String(row.technicalName), flowWords(row as FlowChange), promise].filter(Boolean).join(' ');
  }
  if (key === 'probes') return probeWords(row as unknown as Settings['probes'][number]);
  return String(row.name);
}

/** "Depot sign-in every 5 min from 9 sites, 3 steps; Sign in slow from 2 s, broken from 8 s" */
function probeWords({ name, everyS, sites, steps, limits }: Settings['probes'][number]): string {
  const head = `${name} every ${durationWords(1000 * everyS)} from ${counted(sites.length, 'site')}, ${counted(steps.length, 'step')}`;
  return [head, ...limits.map(limitWords)].join('; ');
}

/** "Sign in slow from 2 s, broken from 8 s at Brackwater" */
export const limitWords = ({ step, site, slowMs, brokenMs }: Settings['probes'][number]['limits'][number]): string =>
  `${step} slow from ${durationWords(slowMs)}, broken from ${durationWords(brokenMs)}${site === undefined ? '' : ` at ${site}`}`;
