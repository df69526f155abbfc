import { DEFAULT_RULES, speaks, type AlertRule, type Subject } from '@toplens/core/alerts';
import { percent } from '@toplens/core/words';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { QUIET_DAYS, type Found, type JudgedWorld } from './judge-world';
import { goalRow } from './report';
import { matches } from './score';

/** What the rules that come with an installation would have said of worlds whose truth is known. */
export interface AlertScore {
  messages: number;
  /** about what matches no trouble, a week and 100 flows */
  falsePerWeek: number;
  /** troubles that hurt at least so many, and those of them that nobody would have been told of */
  troubles: number;
  missed: number;
}

const HURT_MANY = 50;

/** An incident as its rule sees it at its end. */
const subjectOf = ({ incident, bill }: Found): Subject => ({
  kind: 'incident',
  id: `incident-${incident.id}`,
  title: '',
  application: '',
  team: '',
  path: '',
  sinceMs: incident.onsetMs,
  goesOn: true,
  points: bill.harm.estimate / (Math.max(MINUTE_MS, incident.endMs - incident.onsetMs) / HOUR_MS),
  people: bill.people.estimate,
  level: 'hurting',
  priority: '',
  chance: 0,
  withTeam: '',
  isAccepted: false,
});

export function scoreAlerts(worlds: readonly JudgedWorld[], rules: readonly AlertRule[] = DEFAULT_RULES): AlertScore {
  const isTold = (found: Found) => rules.some((rule) => speaks(rule, subjectOf(found), found.incident.onsetMs));
  const score: AlertScore = { messages: 0, falsePerWeek: 0, troubles: 0, missed: 0 };
  let [falseOnes, flowDays] = [0, 0];
  for (const world of worlds) {
    flowDays += world.plan.flows.length * (QUIET_DAYS + 1);
    const told = [...world.found, ...world.onQuietDays].filter(isTold);
    score.messages += told.length;
    falseOnes += told.filter((found) => !world.truth.some((truth) => matches(found, truth))).length;
    for (const truth of world.truth.filter(({ people }) => people.size >= HURT_MANY)) {
      score.troubles++;
      if (!told.some((found) => matches(found, truth))) score.missed++;
    }
  }
  score.falsePerWeek = (falseOnes / flowDays) * 7 * 100;
  return score;
}

export const alertReport = ({ messages, falsePerWeek, troubles, missed }: AlertScore): string =>
  [
    '## Alerts by the default rules',
    '',
    `Of the same worlds: ${messages} incidents would have been told, each once to its team.`,
    '',
    '| what | measured | goal | |',
    '|---|---:|---:|---|',
    goalRow('false ones a week and 100 flows', falsePerWeek.toFixed(2), '≤ 0.5', falsePerWeek <= 0.5),
    goalRow(
      `troubles that hurt at least ${HURT_MANY} people and were not told`,
      `${missed} of ${troubles} (${percent(troubles === 0 ? 0 : missed / troubles)})`,
      '≤ 2 %',
      missed <= 0.02 * troubles,
    ),
    '',
  ].join('\n');
