import type { Logger } from 'pino';
import {
  addEvent,
  dueHandoffs,
  keptHandoffs,
  planTry,
  releaseKept,
  setState,
  type HandoffRow,
  GIVEN_UP,
} from '../store/handoffs';
import type { Database } from '../store/database';
import { makeLink } from '../store/shared-links';
import type { Channels } from './channels';
import { handoffMail } from './handoff-mail';
import { post, type Delivery } from './post';
import { Repeating } from './repeating';

export interface DeskOptions {
  /** where handoffs go; empty: they wait */
  deskUrl: string;
  /** mail address of a team that takes its handoffs by mail; '' for one that does not */
  mailOf: (team: string) => Promise<string>;
  channels: Pick<Channels, 'deliver' | 'missing'>;
  publicUrl: string;
  /** what is posted is signed with it; '' for none */
  webhookSecret: string;
  log: Logger;
  /** seconds before the n-th retry */
  backoffS?: (tries: number) => number;
}

const LOOK_EVERY_MS = 500;
const MOST_TRIES = 12;
/** A team that works by mail may answer for so long. */
const ANSWER_DAYS = 30;

/** 1, 2, 4 … seconds, at most five minutes. */
const doubling = (tries: number) => Math.min(300, 2 ** (tries - 1));

/**
 * Delivers handoffs to the team desk as CloudEvents 1.0 over HTTP (structured mode). What is to be delivered stands in
 * the database, so a restart goes on where it stopped; the desk tells doubles by the event's id.
 */
export class Desk {
  readonly #repeating: Repeating;
  #isReleased = false;

  constructor(
    private readonly database: Database,
    private readonly options: DeskOptions,
  ) {
    const { log } = options;
    const work = async () => {
      if (!this.#isReleased) await this.releaseKept();
      this.#isReleased = true;
      await this.deliverDue();
    };
    this.#repeating = new Repeating({ everyMs: LOOK_EVERY_MS, work, log, trouble: 'handoffs cannot be delivered' });
  }

  start(): void {
    this.#repeating.start();
  }

  stop(): Promise<void> {
    return this.#repeating.stop();
  }

  /** There is a way to this team: its own mail, or the desk. */
  async canReach(team: string): Promise<boolean> {
    return this.options.deskUrl !== '' || (await this.options.mailOf(team)) !== '';
  }

  /** What was kept because there was no way to its team goes out once there is one. */
  async releaseKept(): Promise<void> {
    for (const { id, team } of await keptHandoffs(this.database))
      if (await this.canReach(team)) await this.database.transaction([releaseKept(id)]);
  }

  async deliverDue(): Promise<void> {
    for (const handoff of await dueHandoffs(this.database)) await this.#deliver(handoff);
  }

  async #deliver(handoff: HandoffRow): Promise<void> {
    const tries = handoff.tries + 1;
    const mail = await this.options.mailOf(handoff.team);
    const outcome = await (mail === '' ? this.#post(handoff) : this.#mail(handoff, mail));
    if (outcome.delivered) {
      await this.database.transaction([
        setState(handoff.id, 'sent'),
        addEvent(handoff.id, 'delivered', `try ${tries}`),
      ]);
      return;
    }
    const again = outcome.mayRetry && tries < MOST_TRIES;
    const inSeconds = again ? (this.options.backoffS ?? doubling)(tries) : null;
    const then = again ? `next try in ${inSeconds} s` : GIVEN_UP;
    await this.database.transaction([
      planTry(handoff.id, tries, inSeconds),
      ...(again ? [] : [setState(handoff.id, 'notDelivered')]),
      addEvent(handoff.id, 'not delivered', `try ${tries}: ${outcome.why}; ${then}`),
    ]);
  }

  /** To a team that works by mail alone: the brief, and a link by which it answers. */
  async #mail(handoff: HandoffRow, address: string): Promise<Delivery> {
    const { token } = await makeLink(this.database, { kind: 'answer', target: handoff.id, days: ANSWER_DAYS });
    return this.options.channels.deliver(handoffMail(handoff, address, `${this.options.publicUrl}/shared/${token}`));
  }

  async #post(handoff: HandoffRow): Promise<Delivery> {
    const { deskUrl, publicUrl, webhookSecret } = this.options;
    if (deskUrl === '') return { delivered: false, why: 'no desk is set up', mayRetry: false };
    return post({
      who: 'the desk',
      url: deskUrl,
      id: handoff.id,
      body: toCloudEvent(handoff, publicUrl),
      type: 'application/cloudevents+json; charset=utf-8',
      secret: webhookSecret,
      inside: 'any',
    });
  }
}

/** CloudEvents 1.0, JSON format. */
export function toCloudEvent(handoff: HandoffRow, publicUrl: string): Record<string, unknown> {
  return {
    specversion: '1.0',
    id: handoff.id,
    source: publicUrl,
    type: 'toplens.handoff.sent',
    subject: `incident/${handoff.incident}`,
    time: handoff.createdAt,
    datacontenttype: 'application/json',
    data: {
      team: handoff.team,
      note: handoff.note,
      brief: handoff.brief,
      markdown: handoff.markdown,
      answerUrl: `${publicUrl}/api/handoffs/${handoff.id}/answer`,
    },
  };
}
