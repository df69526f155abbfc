import { may, maySomewhere, grantWords, rightsSomewhere, rolesWith, whomToAsk, type About, type Grant } from './grants';
import { RIGHTS, RIGHTS_OF, ROLES, SCOPE_OF, type Right, type Role } from './roles';

const NOW = 1_000_000;
const grant = (role: Role, of = '', untilMs: number | null = null): Grant => ({ role, of, untilMs });
const PORTAL: About = { application: ['Sender Portal'] };

/** Written out by hand, so that the table of rights cannot change by itself. */
const EVERYWHERE: Record<Role, readonly Right[]> = {
  viewer: ['look'],
  support: ['look', 'decide', 'send', 'answer', 'share', 'upload'],
  owner: ['look'],
  team: ['look'],
  administrator: ['look', 'decide', 'send', 'answer', 'share', 'judge', 'upload', 'settings', 'records', 'accounts'],
  persons: ['look', 'persons'],
  watch: ['look', 'watch'],
};

test.each(ROLES)('a %s may what the table says, about anything, and nothing else', (role) => {
  const of = SCOPE_OF[role] ? 'Elsewhere' : '';
  for (const about of [{}, PORTAL, { team: ['Payments'] }])
    expect(RIGHTS.filter((right) => may([grant(role, of)], right, about, NOW))).toEqual(EVERYWHERE[role]);
});

test('an owner may act on what is about their applications alone', () => {
  const own = [grant('owner', 'Sender Portal')];
  const within: Right[] = ['decide', 'send', 'share', 'judge'];
  expect(RIGHTS.filter((right) => may(own, right, PORTAL, NOW))).toEqual(['look', ...within]);
  const both: About = { application: ['Sender Portal', 'Depot Desk'] };
  expect(may(own, 'decide', both, NOW)).toBe(false);
  expect(may([...own, grant('owner', 'Depot Desk')], 'decide', both, NOW)).toBe(true);
  expect(may(own, 'decide', {}, NOW)).toBe(false);
  // A team that is called like an application is none.
  expect(may(own, 'decide', { team: ['Sender Portal'] }, NOW)).toBe(false);
});

test('a member answers for their team alone', () => {
  const own = [grant('team', 'Payments')];
  expect(may(own, 'answer', { team: ['Payments'] }, NOW)).toBe(true);
  expect(may(own, 'answer', { team: ['Portal'] }, NOW)).toBe(false);
  expect(may(own, 'send', { team: ['Payments'] }, NOW)).toBe(false);
});

test('what is given with an end ends then', () => {
  const grants = [grant('persons', '', NOW)];
  expect(may(grants, 'persons', {}, NOW - 1)).toBe(true);
  expect(may(grants, 'persons', {}, NOW)).toBe(false);
  expect(maySomewhere(grants, 'persons', NOW)).toBe(false);
});

test('whoever administers sees no person by name, unless that was given too', () => {
  expect(may([grant('administrator')], 'persons', {}, NOW)).toBe(false);
  expect(may([grant('administrator'), grant('persons')], 'persons', {}, NOW)).toBe(true);
});

test('without a grant nothing may be done; more grants never take a right away', () => {
  for (const right of RIGHTS) {
    expect(may([], right, PORTAL, NOW)).toBe(false);
    for (const role of ROLES) {
      const one = [grant(role, SCOPE_OF[role] ? 'Sender Portal' : '')];
      if (!may(one, right, PORTAL, NOW)) continue;
      for (const other of ROLES) expect(may([grant(other, 'x'), ...one], right, PORTAL, NOW)).toBe(true);
    }
  }
});

test('a screen offers what may be done somewhere', () => {
  expect(rightsSomewhere([grant('owner', 'Sender Portal')], NOW)).toEqual(['look', 'decide', 'send', 'share', 'judge']);
  expect(rolesWith('answer')).toEqual(['team', 'support', 'administrator']);
  // Every right is somebody's.
  for (const right of RIGHTS) expect(rolesWith(right).length).toBeGreaterThan(0);
  for (const role of ROLES) expect(RIGHTS_OF[role].within !== undefined).toBe(SCOPE_OF[role] !== undefined);
});

test('who may not is told whom to ask: those who are nearest, by name', () => {
  const people = [
    { name: 'Rowan Teal', grants: [grant('owner', 'Sender Portal')] },
    { name: 'Ines Moor', grants: [grant('administrator')] },
    { name: 'Past Owner', grants: [grant('owner', 'Sender Portal', NOW - 1)] },
  ];
  expect(whomToAsk('judge', PORTAL, people, NOW)).toBe(
    'an owner of Sender Portal (Rowan Teal) or an administrator (Ines Moor)',
  );
  expect(whomToAsk('judge', { application: ['Depot Desk'] }, people, NOW)).toBe('an administrator (Ines Moor)');
  expect(whomToAsk('answer', { team: ['Payments'] }, [], NOW)).toBe(
    'a member of Payments or somebody of support or an administrator',
  );
  expect(whomToAsk('persons', {}, people, NOW)).toBe('an administrator (Ines Moor)');
  expect(grantWords({ role: 'owner', of: 'Sender Portal' })).toBe('Application owner of Sender Portal');
  expect(grantWords({ role: 'viewer', of: '' })).toBe('Viewer');
});
