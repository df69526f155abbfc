import { randomUUID } from 'node:crypto';
import {
  alertMessage,
  decide,
  isQuietAt,
  onDutyAt,
  type AlertRule,
  type Channel,
  type Conversation,
  type Duty,
  type Receiver,
  type Subject,
  kindOf,
  type Utterance,
  type WatchedKind,
} from '@toplens/core/alerts';
import type { Logger } from 'pino';
import type { Database, Statement } from '../store/database';
import { endConversation, keepConversation, openConversations, type StoredConversation } from '../store/conversations';
import { newCode, putInOutbox } from '../store/outbox';
import { Repeating } from './repeating';

export interface AlerterOptions {
  /** all of these kinds, as it stands now */
  subjects: (kinds: ReadonlySet<WatchedKind>) => Promise<Subject[]>;
  settings: () => Promise<{ rules: readonly AlertRule[]; receivers: readonly Receiver[] }>;
  /** events of a rota around a moment */
  readRota: (text: string, aroundMs: number) => readonly Duty[];
  publicUrl: string;
  /** nothing is said of what the past alone holds, while old data comes in */
  isReady: () => boolean;
  log: Logger;
}

const LOOK_EVERY_MS = 4_000;

/** Looks at what goes on, and puts into the outbox what is to be said. */
export class Alerter {
  readonly #repeating: Repeating;

  constructor(
    private readonly database: Database,
    private readonly options: AlerterOptions,
  ) {
    const { log, isReady } = options;
    const work = async () => {
      if (isReady()) await this.look();
    };
    this.#repeating = new Repeating({ everyMs: LOOK_EVERY_MS, work, log, trouble: 'alerts cannot be decided' });
  }

  start(): void {
    this.#repeating.start();
  }

  stop(): Promise<void> {
    return this.#repeating.stop();
  }

  /** One look: what is said and what is kept of it are written at once, or not at all. */
  async look(): Promise<void> {
    const [{ rules, receivers }, open] = await Promise.all([this.options.settings(), openConversations(this.database)]);
    const known = new Map(receivers.map((receiver) => [receiver.name, receiver]));
    if (known.size === 0 && open.length === 0) return;
    const nowMs = Date.now();
    // What was told of is looked at until it is over, whatever the rules say by then.
    const kinds = new Set([...rules.map(({ watches }) => watches), ...open.map(({ subject }) => kindOf(subject))]);
    const subjects = await this.options.subjects(kinds);
    const said = decide(rules, subjects, {
      nowMs,
      open,
      // Whom nobody knows cannot be told: Settings say so. What is broken does not wait for the morning.
      wants: (name, { level }) => known.has(name) && (level === 'broken' || !isQuietAt(known.get(name)?.quiet, nowMs)),
    });
    const idOf = new Map(open.map((one) => [keyOf(one), one.id]));
    const kept: StoredConversation[] = said.kept.map((one) => ({
      ...one,
      id: idOf.get(keyOf(one)) ?? randomUUID(),
    }));
    for (const one of kept) idOf.set(keyOf(one), one.id);
    const statements: Statement[] = [
      ...kept.map(keepConversation),
      ...said.ended.map((one) => endConversation(idOf.get(keyOf(one)) as string, nowMs)),
      ...said.utterances.flatMap((utterance) => {
        const receiver = known.get(utterance.receiver);
        const [first] = utterance.subjects;
        const conversation =
          utterance.stage === 'digest' || !first
            ? null
            : (idOf.get(keyOf({ receiver: utterance.receiver, subject: first.id })) ?? null);
        return receiver ? this.#messages(utterance, receiver, { known, conversation, nowMs }) : [];
      }),
    ];
    if (statements.length > 0) await this.database.transaction(statements);
  }

  #messages(
    utterance: Utterance,
    receiver: Receiver,
    {
      known,
      conversation,
      nowMs,
    }: { known: ReadonlyMap<string, Receiver>; conversation: string | null; nowMs: number },
  ): Statement[] {
    const person = receiver.rota ? onDutyAt(this.options.readRota(receiver.rota, nowMs), nowMs) : undefined;
    const path = utterance.stage === 'digest' ? '/' : (utterance.subjects[0]?.path ?? '/');
    return addressesOf((person !== undefined && known.get(person)) || receiver).map(([channel, address]) => {
      const code = newCode();
      const message = alertMessage(utterance, `${this.options.publicUrl}/m/${code}`);
      return putInOutbox(
        {
          code,
          path,
          conversation,
          stage: utterance.stage,
          receiver: receiver.name,
          person: person ?? '',
          channel,
          address,
          message,
        },
        nowMs,
      );
    });
  }
}

const keyOf = ({ receiver, subject }: Pick<Conversation, 'receiver' | 'subject'>) => `${receiver}\n${subject}`;

/** The ways to a receiver. */
export const addressesOf = ({ mail, phone, webhook }: Receiver): [Channel, string][] => [
  ...(mail ? [['mail', mail] as [Channel, string]] : []),
  ...(phone ? [['short', phone.replace(/[ ()-]/g, '')] as [Channel, string]] : []),
  ...(webhook ? [['webhook', webhook] as [Channel, string]] : []),
];
