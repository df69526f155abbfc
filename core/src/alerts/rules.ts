import type { Level } from '../normal';

/** What a rule may watch. */
export const WATCHED_KINDS = ['incident', 'handoff', 'early', 'promise', 'probe', 'silence', 'crash'] as const;
export type WatchedKind = (typeof WATCHED_KINDS)[number];

export const KIND_WORDS: Readonly<Record<WatchedKind, string>> = {
  incident: 'an incident that hurts people',
  handoff: 'a handoff that waits too long',
  early: 'an early warning',
  promise: 'a promise in danger',
  probe: 'a probe that is off',
  silence: 'a source that fell silent',
  crash: 'a crash that is new or came back',
};

/** In place of a receiver: whoever has it, or should get it. */
export const OWNER = 'the team that should get it';

/** Who is told of what. A condition that is left out holds always. */
export interface AlertRule {
  name: string;
  watches: WatchedKind;
  application?: string | undefined;
  /** harm points an hour, at least */
  points?: number | undefined;
  people?: number | undefined;
  /** only what is broken: most attempts fail, or nothing comes */
  isBroken?: boolean | undefined;
  /** with nobody, or not accepted, for so many minutes */
  notAcceptedMinutes?: number | undefined;
  /** of a promise: chance that it breaks, at least */
  chance?: number | undefined;
  /** names of receivers, or OWNER */
  to: readonly string[];
}

/** Something that a rule may watch, as it stands. */
export interface Subject {
  kind: WatchedKind;
  /** the same as long as it is the same trouble, and begins with its kind: "incident-7" */
  id: string;
  title: string;
  application: string;
  /** who has it, or should get it; '' when nobody is known */
  team: string;
  /** where it is seen in the interface, at its moment */
  path: string;
  sinceMs: number;
  /** false when it is over */
  goesOn: boolean;
  /** harm points an hour; 0 for what has none */
  points: number;
  people: number;
  level: Level;
  priority: string;
  /** of a promise: chance that it breaks; 0 for what is none */
  chance: number;
  /** a handoff has reached this team; '' while none has */
  withTeam: string;
  /** nobody has accepted it so far */
  isAccepted: boolean;
}

/** The kind of a subject, by its id. */
export const kindOf = (id: string): WatchedKind => id.slice(0, id.indexOf('-')) as WatchedKind;

/** Does a rule speak of a subject at a moment? */
export function speaks(rule: AlertRule, subject: Subject, nowMs: number): boolean {
  const { watches, application, points, people, isBroken, notAcceptedMinutes, chance } = rule;
  const waitedMin = subject.isAccepted ? 0 : (nowMs - subject.sinceMs) / 60_000;
  return (
    watches === subject.kind &&
    subject.goesOn &&
    (application === undefined || application === subject.application) &&
    (points === undefined || subject.points >= points) &&
    (people === undefined || subject.people >= people) &&
    (isBroken !== true || subject.level === 'broken') &&
    (notAcceptedMinutes === undefined || waitedMin >= notAcceptedMinutes) &&
    (chance === undefined || subject.chance >= chance)
  );
}

/** Those who are told of a subject: receivers by name, the team's under its own. */
export const receiversOf = (rule: AlertRule, subject: Subject): string[] => [
  ...new Set(rule.to.map((name) => (name === OWNER ? subject.withTeam || subject.team : name)).filter(Boolean)),
];

/** "an incident that hurts people: 60 harm points an hour and 20 people or more" */
export function ruleWords(rule: AlertRule): string {
  const conditions = [
    rule.points !== undefined && `${rule.points} harm points an hour`,
    rule.people !== undefined && `${rule.people} people`,
    rule.isBroken === true && 'most attempts fail or nothing comes',
    rule.chance !== undefined && `a chance of ${Math.round(rule.chance * 100)} % that it breaks`,
    rule.notAcceptedMinutes !== undefined && `accepted by nobody for ${rule.notAcceptedMinutes} min`,
  ].filter(Boolean);
  const where = rule.application === undefined ? '' : ` of ${rule.application}`;
  return `${KIND_WORDS[rule.watches]}${where}${conditions.length > 0 ? `, from ${conditions.join(' and ')} on` : ''}`;
}
