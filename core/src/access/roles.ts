/** What can be allowed or denied; the table of the API says which operation needs which. */
export const RIGHTS = [
  'look',
  'decide',
  'send',
  'answer',
  'share',
  'judge',
  'upload',
  'settings',
  'records',
  'accounts',
  'persons',
  'watch',
] as const;
export type Right = (typeof RIGHTS)[number];

/** Each as the end of "may …". */
export const RIGHT_WORDS: Readonly<Record<Right, string>> = {
  look: 'look at everything that names nobody',
  decide: 'decide about incidents: set aside, join, split, keep open',
  send: 'send incidents to teams',
  answer: 'accept and answer handoffs',
  share: 'arrange boards, and make and revoke links for people without a login',
  judge: 'name flows and journeys, and set their limits',
  upload: 'upload source maps and name mappings, and send again what was refused',
  settings: 'change settings',
  records: 'read who did what',
  accounts: 'give and take accounts, roles and keys',
  persons: 'see persons by name',
  watch: 'watch what variables hold in running code',
};

/** What somebody is here. A person may be several. */
export const ROLES = ['viewer', 'support', 'owner', 'team', 'administrator', 'persons', 'watch'] as const;
export type Role = (typeof ROLES)[number];

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  viewer: 'Viewer',
  support: 'Support',
  owner: 'Application owner',
  team: 'Team member',
  administrator: 'Administrator',
  persons: 'Sees persons by name',
  watch: 'Watches code',
};

/** What somebody does who has the role, in a line; the rights that follow stand below. */
export const ROLE_PURPOSE: Readonly<Record<Role, string>> = {
  viewer: 'Looks at everything that names nobody.',
  support: 'Decides about incidents, sends them, answers for teams, shares boards.',
  owner: 'The same for one application, whose names and limits they set.',
  team: 'Accepts and answers what is sent to one team.',
  administrator: 'Settings, accounts, keys and records; sees no person by name by that.',
  persons: 'Who is behind an attempt: ids, texts and addresses as they were sent.',
  watch: 'Reads what variables hold at a line of a running service, without stopping it.',
};

/** What a role holds for: an application, a team, or everything. */
export type ScopeKind = 'application' | 'team';
export const SCOPE_OF: Readonly<Partial<Record<Role, ScopeKind>>> = { owner: 'application', team: 'team' };

/**
 * What each role may. Of a role that holds for an application or a team, `everywhere` is what it may without regard to
 * that. Whoever administers sees no person by name, and watches no code, unless that is given too: each is a right of its
 * own.
 */
export const RIGHTS_OF: Readonly<Record<Role, { everywhere: readonly Right[]; within?: readonly Right[] }>> = {
  viewer: { everywhere: ['look'] },
  support: { everywhere: ['look', 'decide', 'send', 'answer', 'share', 'upload'] },
  owner: { everywhere: ['look'], within: ['decide', 'send', 'share', 'judge'] },
  team: { everywhere: ['look'], within: ['answer'] },
  administrator: {
    everywhere: ['look', 'decide', 'send', 'answer', 'share', 'judge', 'upload', 'settings', 'records', 'accounts'],
  },
  persons: { everywhere: ['look', 'persons'] },
  watch: { everywhere: ['look', 'watch'] },
};
