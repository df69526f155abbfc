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

/** The first rule that matches names the team; `undefined` when none does: a person must choose. */
export function proposeTeam(rules: readonly OwnershipRule[], subject: Subject): ProposedTeam | undefined {
  const at = rules.findIndex((rule) => matches(rule, subject));
  const rule = rules[at];
  if (!rule) return undefined;
  const said = (['component', 'flow', 'application'] as const)
    .filter((field) => rule[field] !== undefined)
    .map((field) => `${field} ${subject[field]}`);
  const reason = said.length > 0 ? `owns ${said.join(', ')}` : 'takes what nobody else owns';
  return { team: rule.team, reason: `${reason} (rule ${at + 1})` };
}

function matches(rule: OwnershipRule, subject: Subject): boolean {
  return (['application', 'flow', 'component'] as const).every((field) => {
    const wanted = rule[field];
    if (wanted === undefined) return true;
    const value = subject[field];
    return value !== undefined && matchesPattern(wanted, value);
  });
}
