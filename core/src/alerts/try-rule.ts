import { counted } from '../words';
import { speaks, type AlertRule, type Subject } from './rules';

/** So many hurt is worth an alert to anybody. */
const HURT_MANY = 50;
const EXAMPLES = 3;

export interface TriedRule {
  /** null where the past does not tell */
  times: number | null;
  /** of these, about what hurt many people */
  rightly: number;
  /** that hurt many, of which it would not have spoken */
  missed: number;
  /** titles of the newest */
  examples: string[];
  words: string;
}

/**
 * How often a rule would have spoken in days that are over, each incident as it stood at its end.
 *
 * @param past incidents of these days, newest first; what was over or with whom counts as open and with nobody
 */
export function tryRule(
  rule: AlertRule,
  past: readonly Omit<Subject, 'chance' | 'withTeam' | 'isAccepted' | 'goesOn'>[],
  days: number,
): TriedRule {
  if (rule.watches !== 'incident' || rule.notAcceptedMinutes !== undefined)
    return {
      ...{ times: null, rightly: 0, missed: 0, examples: [] },
      words: 'the past does not tell how often it would have spoken',
    };
  const open = past.map((one): Subject => ({ ...one, chance: 0, withTeam: '', isAccepted: false, goesOn: true }));
  const spoken = open.filter((subject) => speaks(rule, subject, subject.sinceMs));
  const rightly = spoken.filter(({ people }) => people >= HURT_MANY).length;
  const missed = open.filter((subject) => subject.people >= HURT_MANY && !spoken.includes(subject)).length;
  const of = spoken.length === 0 ? '' : `, ${rightly} of them about what hurt ${HURT_MANY} people or more`;
  const without =
    missed === 0
      ? `none that hurt ${HURT_MANY} people would have been missed`
      : `${counted(missed, 'incident')} that hurt ${HURT_MANY} people or more would have been missed`;
  return {
    times: spoken.length,
    rightly,
    missed,
    examples: spoken.slice(0, EXAMPLES).map(({ title }) => title),
    words: `would have spoken ${counted(spoken.length, 'time')} in ${days} days${of}; ${without}`,
  };
}
