import { matchesPattern } from '../flows';

/** Who owns what. A field left out matches everything; `*` stands for any run of characters. */
export interface OwnershipRule {
  application?: string;
  flow?: string;
  component?: string;
  team: string;
}

export interface Subject {
  application: string;
  /** left out when the whole application is in trouble */
  flow?: string;
  component?: string;
}

export interface ProposedTeam {
  team: string;
  /** which rule spoke, for people */
  reason: string;
}

/**
 * The first rule that matches names the team; `undefined` when none does: a person must choose.
 *
 * @param mayName rules that are asked; all when left out
 */
export function proposeTeam(
  rules: readonly OwnershipRule[],
  subject: Subject,
  mayName: (rule: OwnershipRule) => boolean = () => true,
): ProposedTeam | undefined {
  const at = rules.findIndex((rule) => mayName(rule) && matches(rule, subject));
  const rule = rules[at];
  if (!rule) return undefined;
  const said = (['component', 'flow', 'application'] as const)
    .filter((field) => rule[field] !== undefined)
    .map((field) => `${field} ${subject[field]}`);
  const reason = said.length > 0 ? `owns ${said.join(', ')}` : 'takes what nobody else owns';
  return { team: rule.team, reason: `${reason} (rule ${at + 1})` };
}

/** A team that gave a handoff back, and what it said. */
export interface ReturnedBy {
  team: string;
  reason: string;
}

/**
 * Who should get it next, after these teams returned it: the owner of the next likely component, then of the flow.
 *
 * @param subjects the likeliest first
 */
export function proposeNext(
  rules: readonly OwnershipRule[],
  subjects: readonly Subject[],
  returned: readonly ReturnedBy[],
): ProposedTeam | undefined {
  const except = returned.map(({ team }) => team);
  const said = returned
    .map(({ team, reason }) => `${team} returned it${reason === '' ? '' : ` (${reason})`}`)
    .join('; ');
  const ownersOf = (isOwner: (rule: OwnershipRule) => boolean) =>
    subjects.map((subject) => proposeTeam(rules, subject, (rule) => isOwner(rule) && !except.includes(rule.team)));
  const [next] = [...ownersOf(({ component }) => component !== undefined), ...ownersOf(() => true)].filter(
    (one) => one !== undefined,
  );
  return next && { team: next.team, reason: `${next.reason}; ${said}` };
}

function matches(rule: OwnershipRule, subject: Subject): boolean {
  return (['application', 'flow', 'component'] as const).every((field) => {
    const wanted = rule[field];
    if (wanted === undefined) return true;
    const value = subject[field];
    return value !== undefined && matchesPattern(wanted, value);
  });
}
