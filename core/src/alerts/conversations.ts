import { LEVELS, type Level } from '../normal';
import { MINUTE_MS } from '../time';
import { receiversOf, speaks, type AlertRule, type Subject } from './rules';

export const STAGES_TOLD = ['opened', 'worse', 'handedOver', 'over', 'digest'] as const;
export type StageTold = (typeof STAGES_TOLD)[number];

/** What one receiver was told last of one subject. */
export interface Told {
  atMs: number;
  points: number;
  level: Level;
  withTeam: string;
}

/** Everything that is said of one subject to one receiver, from its opening until it is over. */
export interface Conversation {
  subject: string;
  receiver: string;
  openedMs: number;
  told: Told;
}

/** Something to be said. */
export interface Utterance {
  receiver: string;
  stage: StageTold;
  /** what it is about; of a digest several */
  subjects: readonly Subject[];
  /** rule that spoke first */
  rule: string;
}

export interface Said {
  utterances: Utterance[];
  /** conversations that were opened or told something new */
  kept: Conversation[];
  /** those that are over */
  ended: Conversation[];
}

/** It is worse by twice the harm, and by more than nothing much. */
const WORSE_BY = 2;
const LEAST_WORSE = 20;
/** So many that open within a quarter of an hour are told as one. */
export const STORM_FROM = 4;
const STORM_MS = 15 * MINUTE_MS;

/**
 * What is to be said now, to whom: nothing twice for the same fact, worse only when it is worse, and in a storm one
 * digest for all. Pure: the same state gives the same answer, so that it may be decided again after a crash.
 *
 * @param subjects all that is known, what is over among it; a conversation whose subject is gone is over too
 * @param state `wants`: this receiver can be told, and wants to be now
 */
export function decide(
  rules: readonly AlertRule[],
  subjects: readonly Subject[],
  state: {
    nowMs: number;
    open: readonly Conversation[];
    wants: (receiver: string, subject: Subject) => boolean;
  },
): Said {
  const { nowMs, open, wants } = state;
  const said: Said = { utterances: [], kept: [], ended: [] };
  const byId = new Map(subjects.map((subject) => [subject.id, subject]));
  for (const conversation of open) goOn(conversation, byId.get(conversation.subject), nowMs, said);
  const isOpen = new Set(open.map(({ receiver, subject }) => keyOf(receiver, subject)));
  const opening = new Map<string, { subject: Subject; rule: string }[]>();
  for (const rule of rules)
    for (const subject of subjects) {
      if (!speaks(rule, subject, nowMs)) continue;
      for (const receiver of receiversOf(rule, subject)) {
        const key = keyOf(receiver, subject.id);
        if (isOpen.has(key) || !wants(receiver, subject)) continue;
        isOpen.add(key);
        opening.set(receiver, [...(opening.get(receiver) ?? []), { subject, rule: rule.name }]);
      }
    }
  for (const [receiver, some] of opening) {
    const recent = open.filter((one) => one.receiver === receiver && nowMs - one.openedMs < STORM_MS).length;
    const worstFirst = [...some].sort((a, b) => b.subject.points - a.subject.points);
    said.kept.push(
      ...worstFirst.map(({ subject }) => ({
        subject: subject.id,
        receiver,
        openedMs: nowMs,
        told: toldOf(subject, nowMs),
      })),
    );
    if (recent + some.length >= STORM_FROM && some.length > 1)
      said.utterances.push({
        receiver,
        stage: 'digest',
        subjects: worstFirst.map(({ subject }) => subject),
        rule: (worstFirst[0] as { rule: string }).rule,
      });
    else
      for (const { subject, rule } of worstFirst)
        said.utterances.push({ receiver, stage: 'opened', subjects: [subject], rule });
  }
  return said;
}

function goOn(conversation: Conversation, subject: Subject | undefined, nowMs: number, said: Said): void {
  const { receiver, told } = conversation;
  if (!subject || !subject.goesOn) {
    said.ended.push(conversation);
    if (subject) said.utterances.push({ receiver, stage: 'over', subjects: [subject], rule: '' });
    return;
  }
  const isWorse =
    LEVELS.indexOf(subject.level) > LEVELS.indexOf(told.level) ||
    (subject.points >= told.points * WORSE_BY && subject.points - told.points >= LEAST_WORSE);
  const isHandedOver = subject.withTeam !== '' && subject.withTeam !== told.withTeam;
  if (!isWorse && !isHandedOver) return;
  said.utterances.push({ receiver, stage: isWorse ? 'worse' : 'handedOver', subjects: [subject], rule: '' });
  said.kept.push({ ...conversation, told: toldOf(subject, nowMs) });
}

const keyOf = (receiver: string, subject: string) => `${receiver}\n${subject}`;

const toldOf = ({ points, level, withTeam }: Subject, nowMs: number): Told => ({
  atMs: nowMs,
  points,
  level,
  withTeam,
});
