import type { Logger } from 'pino';
import type { Database } from '../store/database';
import { dueMessages, messageDelivered, messageFailed, type OutboxRow } from '../store/outbox';
import type { Channels } from './channels';
import type { Delivery } from './post';
import { Repeating } from './repeating';

const LOOK_EVERY_MS = 500;
const LONGEST_WAIT_MS = 60_000;
/** What could not be delivered for so long is given up: by then it tells nobody anything new. */
const GIVE_UP_AFTER_MS = 24 * 3_600_000;

/** 1, 2, 4 … seconds, at most a minute. */
const doubling = (tries: number) => Math.min(LONGEST_WAIT_MS, 1_000 * 2 ** (tries - 1));

/**
 * Delivers what stands in the outbox, each message at least once; a restart goes on where it stopped. After a stretch in
 * which nothing could be delivered, only the newest of each conversation goes out: nobody is flooded with what was. A way
 * that nobody answers on holds up no other.
 */
export class OutboxSender {
  readonly #repeating: Repeating;

  constructor(
    private readonly database: Database,
    private readonly channels: Pick<Channels, 'deliver'>,
    private readonly options: { log: Logger; waitMs?: (tries: number) => number },
  ) {
    const { log } = options;
    const work = () => this.deliverDue();
    this.#repeating = new Repeating({ everyMs: LOOK_EVERY_MS, work, log, trouble: 'messages cannot be delivered' });
  }

  start(): void {
    this.#repeating.start();
  }

  stop(): Promise<void> {
    return this.#repeating.stop();
  }

  async deliverDue(): Promise<void> {
    const due = await dueMessages(this.database, Date.now());
    const newest = new Map(due.map((row) => [threadOf(row), row]));
    const ways = [...new Set(due.map(wayOf))].map((way) => due.filter((row) => wayOf(row) === way));
    await Promise.all(ways.map((rows) => this.#deliverAll(rows, (row) => newest.get(threadOf(row)) === row)));
  }

  /** One after the other; when nobody answers, the rest waits untried, as what was tried does. */
  async #deliverAll(rows: readonly OutboxRow[], isNewest: (row: OutboxRow) => boolean): Promise<void> {
    let down: Delivery | undefined;
    for (const row of rows) {
      if (row.tries > 0 && !isNewest(row)) {
        await this.database.transaction([
          messageFailed(row.id, { ...row, nextTryMs: null, givenUp: 'a newer message tells more' }),
        ]);
        continue;
      }
      const outcome = down ?? (await this.channels.deliver(row));
      if (!outcome.delivered && outcome.isDown) down = outcome;
      await this.#keep(row, outcome);
    }
  }

  async #keep(row: OutboxRow, outcome: Delivery): Promise<void> {
    const tries = row.tries + 1;
    const nowMs = Date.now();
    if (outcome.delivered) {
      await this.database.transaction([messageDelivered(row.id, tries, nowMs)]);
      return;
    }
    const again = outcome.mayRetry && nowMs - row.madeMs < GIVE_UP_AFTER_MS;
    const waitMs = (this.options.waitMs ?? doubling)(tries);
    await this.database.transaction([
      messageFailed(row.id, {
        tries,
        trouble: outcome.why,
        nextTryMs: again ? nowMs + waitMs : null,
        givenUp: again ? null : outcome.why,
      }),
    ]);
  }
}

/** What goes one way waits for the same: the mail server, the gateway, or the address of a webhook. */
const wayOf = ({ channel, address }: OutboxRow): string => (channel === 'webhook' ? address : channel);

/** Messages of one conversation to one address; one that stands alone is its own. */
const threadOf = ({ id, conversation, channel, address }: OutboxRow): string =>
  conversation === null ? id : `${conversation} ${channel} ${address}`;
