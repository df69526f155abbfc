import { OWNER, tryRule } from '@toplens/core/alerts';
import { matchesPattern, type FlowRule } from '@toplens/core/flows';
import { proposeTeam } from '@toplens/core/handoffs';
import { lineReader } from '@toplens/core/money';
import { judgeRun, type RunVerdict } from '@toplens/core/probes';
import { DAY_MS, HOUR_MS } from '@toplens/core/time';
import { counted, exactPercent, formatMoney, percentCut } from '@toplens/core/words';
import { TRIED_DAYS } from '../../contract/alerts';
import type { TriedSettingShape } from '../../contract/settings';
import type { Settings } from '../../settings/settings';
import { promisesOf } from '../../settings/promises';
import { namesOf } from '../../store/activity';
import { newestLines } from '../../store/logs';
import { runsWithin } from '../../store/probes';
import { MOST_RUNS } from '../reading/probe-runs';
import { pastIncidents } from '../incidents/past-incidents';
import { keptBefore } from '../promises/promises';
import type { EngineState } from '../state/engine-state';

type Line = TriedSettingShape['lines'][number];

const MOST_NAMES = 3;
/** So many lines of the last hour of logs are read by new patterns. */
const LINES_READ = 5_000;

/** What rules would match among all that is known, a line each; none for sections that match nothing. */
export async function trySettings(
  state: EngineState,
  { key, settings }: { key: string; settings: Settings },
): Promise<Line[]> {
  switch (key) {
    case 'flows':
      return tryFlows(state, settings);
    case 'ownership':
      return tryOwnership(state, settings);
    case 'entryServices':
      return tryEntryServices(state, settings);
    case 'ignored':
      return tryIgnored(state, settings);
    case 'journeys':
      return tryJourneys(state, settings);
    case 'businessEvents':
      return tryBusinessEvents(state, settings);
    case 'promises':
      return tryPromises(state, settings);
    case 'probes':
      return tryProbes(state, settings);
    case 'alertRules':
      return tryAlertRules(state, settings);
    case 'receivers':
      return tryReceivers(state, settings);
    case 'keyTiers':
      return tryKeyTiers(state, settings);
    default:
      return [];
  }
}

/** How often each would have spoken, and who would not have been reached. */
async function tryAlertRules(state: EngineState, { alertRules }: Settings): Promise<Line[]> {
  const { receivers } = state.settings.at();
  const past = await pastIncidents(state, { days: TRIED_DAYS });
  return alertRules.map((rule) => {
    const unknown = rule.to.filter((name) => name !== OWNER && !receivers.some((one) => one.name === name));
    const nobody = unknown.length === 0 ? '' : `; ${unknown.join(', ')} is no receiver`;
    return { of: rule.name, words: tryRule(rule, past, TRIED_DAYS).words + nobody };
  });
}

/** Teams that nothing reaches. */
function tryReceivers(state: EngineState, { receivers }: Settings): Line[] {
  const { teams } = state.settings.at();
  const without = teams.filter((team) => !receivers.some(({ name }) => name === team));
  return without.length === 0 ? [] : [{ of: 'Without a receiver', words: without.join(', ') }];
}

/** ": Pay, Print labels, Track a parcel and 4 more" */
function named(names: readonly string[]): string {
  if (names.length === 0) return '';
  const more = names.length > MOST_NAMES ? ` and ${names.length - MOST_NAMES} more` : '';
  return `: ${names.slice(0, MOST_NAMES).join(', ')}${more}`;
}

const matches = (rule: FlowRule, application: string, technicalName: string) =>
  (rule.application === undefined || rule.application === application) &&
  matchesPattern(rule.technicalName, technicalName);

/** The first rule that matches speaks, so a rule counts the flows that no earlier one takes. */
function tryFlows({ names }: EngineState, { flows: rules }: Settings): Line[] {
  const taken = rules.map((): string[] => []);
  for (const { application, technicalName } of names.flows)
    taken[rules.findIndex((rule) => matches(rule, application, technicalName))]?.push(technicalName);
  return rules.map((rule, i) => {
    const own = taken[i] ?? [];
    const words = own.length === 0 ? 'matches no flow that is known' : `matches ${counted(own.length, 'flow')}`;
    return { of: rule.technicalName, words: words + named(own) };
  });
}

/** Services, stores, and whom calls name: all that can be owned. */
const componentsOf = ({ database }: EngineState): Promise<string[]> => namesOf(database, ['component', 'peer']);

async function tryOwnership(state: EngineState, { ownership, teams }: Settings): Promise<Line[]> {
  const teamOf = (subject: Parameters<typeof proposeTeam>[1]) => proposeTeam(ownership, subject)?.team;
  const subjects = [
    ...state.names.flows.map(({ application, name }) => ({ name, team: teamOf({ application, flow: name }) })),
    ...(await componentsOf(state)).map((name) => ({ name, team: teamOf({ application: '', component: name }) })),
  ];
  const ownedBy = (team: string | undefined) =>
    subjects.filter((subject) => subject.team === team).map(({ name }) => name);
  const without = ownedBy(undefined);
  return [
    ...teams.map((team) => {
      const own = ownedBy(team);
      return { of: team, words: own.length === 0 ? 'owns nothing that is known' : `owns ${own.length}${named(own)}` };
    }),
    ...(without.length > 0 ? [{ of: 'Nobody', words: `${without.length} without an owner${named(without)}` }] : []),
  ];
}

async function tryEntryServices(state: EngineState, { entryServices }: Settings): Promise<Line[]> {
  const components = await namesOf(state.database, ['component']);
  return entryServices.map((service) => ({
    of: service,
    words: components.includes(service) ? 'sends spans' : 'no service of this name was ever seen',
  }));
}

/** What is known as a flow and would be none from now on. */
function tryIgnored({ names }: EngineState, { ignored }: Settings): Line[] {
  return ignored.map((pattern) => {
    const own = names.flows.filter((flow) => matchesPattern(pattern, flow.technicalName));
    const words =
      own.length === 0 ? 'matches no flow that is known' : `${counted(own.length, 'flow')} will get no more`;
    return { of: pattern, words: words + named(own.map(({ name }) => name)) };
  });
}

function tryJourneys({ names }: EngineState, { journeys }: Settings): Line[] {
  return journeys.map(({ name, application, steps }) => {
    const missing = steps.filter(
      (step) => !names.flows.some((flow) => flow.application === application && flow.technicalName === step),
    );
    const words = missing.length === 0 ? `all ${steps.length} steps are known flows` : `not known${named(missing)}`;
    return { of: name, words };
  });
}

async function tryBusinessEvents(state: EngineState, { businessEvents, currency }: Settings): Promise<Line[]> {
  const sinceMs = state.watermarkMs - HOUR_MS;
  const lines = await newestLines(state.database, { sinceMs, most: LINES_READ });
  const read = lineReader(businessEvents);
  const found = lines.flatMap(({ component, body }) => read(component, body) ?? []);
  return businessEvents.map(({ name }) => {
    const own = found.filter((match) => match.name === name);
    const first = own.find(({ amount }) => amount !== undefined);
    const worth = first ? `, one with ${formatMoney(first.amount as number, first.texts.currency ?? currency, 2)}` : '';
    return { of: name, words: `fits ${own.length} of ${counted(lines.length, 'line')} of the last hour${worth}` };
  });
}

/** How each would have been kept: in the periods before, as far as they are known, and so far in this one. */
async function tryPromises(state: EngineState, settings: Settings): Promise<Line[]> {
  const lines: Line[] = [];
  for (const promise of promisesOf(settings)) {
    const { tally, periods } = await keptBefore(state, promise);
    const { valid, good } = tally;
    const before = periods.map(({ isKept }) => (isKept === null ? 'no data' : isKept ? 'kept' : 'broken')).reverse();
    const now =
      valid === 0 ? 'no attempt counts now' : `now ${percentCut(good / valid, 4)} of ${exactPercent(promise.target)}`;
    const then = before.length === 0 ? 'no whole period before is known' : `before: ${before.join(', ')}`;
    lines.push({ of: promise.name, words: `${now}; ${then}` });
  }
  return lines;
}

/** How the runs of the last day would have been judged by these limits. */
async function tryProbes(state: EngineState, { probes }: Settings): Promise<Line[]> {
  const window = { fromMs: state.watermarkMs - DAY_MS, toMs: state.watermarkMs };
  const lines: Line[] = [];
  for (const { name, limits, sites } of probes) {
    const runs = await runsWithin(state.database, { window, probe: name, most: MOST_RUNS });
    const verdicts = runs
      .filter(({ site }) => sites.includes(site))
      .map((run) => judgeRun(run, limits, run.site).verdict);
    const count = (wanted: RunVerdict) => verdicts.filter((verdict) => verdict === wanted).length;
    const words =
      verdicts.length === 0
        ? 'no run of the last day is known'
        : `of ${counted(verdicts.length, 'run')} of the last day ${count('slow')} would be slow, ${count('broken')} broken`;
    lines.push({ of: name, words });
  }
  return lines;
}

const tryKeyTiers = ({ names }: EngineState, { rates }: Settings): Line[] =>
  rates.keyTiers.map((tier) => ({
    of: tier,
    words: names.valuesOf('tier').includes(tier) ? 'customers of it were seen' : 'no customer of it was ever seen',
  }));
