import { RIGHTS, RIGHTS_OF, ROLE_WORDS, ROLES, SCOPE_OF, type Right, type Role, type ScopeKind } from './roles';

/** A role that somebody was given. */
export interface Grant {
  role: Role;
  /** the application or team that it holds for; '' for roles that hold everywhere */
  of: string;
  /** ms since the epoch; null: without an end */
  untilMs: number | null;
}

/** What an operation is about: names of applications, or of teams. */
export type About = Partial<Record<ScopeKind, readonly string[]>>;

const holds = ({ untilMs }: Grant, nowMs: number): boolean => untilMs === null || nowMs < untilMs;

/**
 * May whoever has these grants do this? A role that holds for one application or team covers what is about it alone: of
 * what concerns several, all must be covered by some grant.
 *
 * @param nowMs ms since the epoch: a grant that is over counts no more
 */
export function may(grants: readonly Grant[], right: Right, about: About, nowMs: number): boolean {
  const held = grants.filter((grant) => holds(grant, nowMs));
  if (held.some(({ role }) => RIGHTS_OF[role].everywhere.includes(right))) return true;
  return (['application', 'team'] as const).some((kind) => {
    const names = about[kind] ?? [];
    const covered = new Set(
      held.filter(({ role }) => SCOPE_OF[role] === kind && RIGHTS_OF[role].within?.includes(right)).map(({ of }) => of),
    );
    return names.length > 0 && names.every((name) => covered.has(name));
  });
}

/** May they do it anywhere at all? What a screen offers is decided by it; the server decides by what it is about. */
export const maySomewhere = (grants: readonly Grant[], right: Right, nowMs: number): boolean =>
  grants.some(
    (grant) =>
      holds(grant, nowMs) &&
      (RIGHTS_OF[grant.role].everywhere.includes(right) || RIGHTS_OF[grant.role].within?.includes(right) === true),
  );

/** All rights that they have anywhere, in the order of the list. */
export const rightsSomewhere = (grants: readonly Grant[], nowMs: number): Right[] =>
  RIGHTS.filter((right) => maySomewhere(grants, right, nowMs));

/** Roles that have a right, those that have it everywhere last: whoever is nearest to the matter is asked first. */
export const rolesWith = (right: Right): Role[] => {
  const within = ROLES.filter((role) => RIGHTS_OF[role].within?.includes(right));
  return [...within, ...ROLES.filter((role) => RIGHTS_OF[role].everywhere.includes(right))];
};

/** "Application owner of Sender Portal, until 24 December 2026" without the end, which a screen words by its own. */
export const grantWords = ({ role, of }: Pick<Grant, 'role' | 'of'>): string =>
  of === '' ? ROLE_WORDS[role] : `${ROLE_WORDS[role]} of ${of}`;

/**
 * Whom to ask for what is missing, the nearest first: "an owner of Sender Portal (Rowan Teal) or an administrator (Ines
 * Moor)".
 *
 * @param people who there is, with what they were given
 */
export function whomToAsk(
  right: Right,
  about: About,
  people: readonly { name: string; grants: readonly Grant[] }[],
  nowMs: number,
): string {
  // Who lacks the right to see persons by name asks those who give it.
  const wanted: readonly Role[] = right === 'persons' ? ['administrator'] : rolesWith(right);
  const asked = wanted
    .filter((role) => ASKED[role] !== undefined)
    .flatMap((role) => {
      const kind = SCOPE_OF[role];
      const scopes = kind ? (about[kind] ?? []) : [''];
      return scopes.map((of) => {
        const names = people
          .filter(({ grants }) => grants.some((one) => holds(one, nowMs) && one.role === role && one.of === of))
          .map(({ name }) => name);
        const words = of === '' ? ASKED[role] : `${ASKED[role]} of ${of}`;
        return { words: names.length === 0 ? words : `${words} (${names.slice(0, MOST_NAMED).join(', ')})`, names };
      });
    });
  const known = asked.filter(({ names }) => names.length > 0);
  return (known.length > 0 ? known : asked).map(({ words }) => words).join(' or ');
}

const MOST_NAMED = 3;
const ASKED: Readonly<Partial<Record<Role, string>>> = {
  owner: 'an owner',
  team: 'a member',
  support: 'somebody of support',
  administrator: 'an administrator',
};
