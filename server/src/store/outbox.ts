import { randomBytes, randomUUID } from 'node:crypto';
import type { AlertMessage, Channel, StageTold } from '@toplens/core/alerts';
import type { Database, Statement } from './database';
import { epochMs } from './time-columns';

export interface OutboxRow {
  id: string;
  code: string;
  path: string;
  conversation: string | null;
  stage: StageTold | 'test' | 'handoff' | 'account';
  receiver: string;
  person: string;
  channel: Channel;
  address: string;
  message: AlertMessage;
  madeMs: number;
  tries: number;
  nextTryMs: number | null;
  deliveredMs: number | null;
  givenUp: string | null;
  trouble: string;
}

const COLUMNS = `id, code, path, conversation, stage, receiver, person, channel, address, message, tries,
  given_up AS "givenUp", trouble, ${epochMs('made_at')} AS "madeMs", ${epochMs('next_try_at')} AS "nextTryMs",
  ${epochMs('delivered_at')} AS "deliveredMs"`;

/** Letters and figures, eight of them: a short message has room for it, and nobody guesses one. */
export const newCode = (): string => randomBytes(6).toString('base64url');

export type NewMessage = Pick<
  OutboxRow,
  'code' | 'path' | 'conversation' | 'stage' | 'receiver' | 'person' | 'channel' | 'address' | 'message'
>;

export const putInOutbox = (one: NewMessage, atMs: number): Statement => ({
  sql: `INSERT INTO outbox (id, code, path, conversation, stage, receiver, person, channel, address, message, made_at,
                            next_try_at)
        VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, to_timestamp($11), to_timestamp($11))`,
  params: [
    randomUUID(),
    one.code,
    one.path,
    one.conversation,
    one.stage,
    one.receiver,
    one.person,
    one.channel,
    one.address,
    one.message,
    atMs / 1000,
  ],
});

/** More than any hour writes: what waits for a way that is down must not keep back what goes another way. */
const MOST_DUE = 2_000;

export const dueMessages = (database: Database, nowMs: number): Promise<OutboxRow[]> =>
  database.query<OutboxRow>(
    `SELECT ${COLUMNS} FROM outbox WHERE next_try_at <= to_timestamp($1) ORDER BY made_at, id LIMIT ${MOST_DUE}`,
    [nowMs / 1000],
  );

/** The newest messages, and all that could not be delivered among them. */
export const newestMessages = (database: Database, most: number): Promise<OutboxRow[]> =>
  database.query<OutboxRow>(`SELECT ${COLUMNS} FROM outbox ORDER BY made_at DESC, id LIMIT $1`, [most]);

export const messagesIn = (
  database: Database,
  { fromMs, toMs }: { fromMs: number; toMs: number },
  most: number,
): Promise<OutboxRow[]> =>
  database.query<OutboxRow>(
    `SELECT ${COLUMNS} FROM outbox WHERE made_at >= to_timestamp($1) AND made_at < to_timestamp($2)
      ORDER BY made_at DESC, id LIMIT $3`,
    [fromMs / 1000, toMs / 1000, most],
  );

export async function pathOfCode(database: Database, code: string): Promise<string | undefined> {
  return (await database.query<{ path: string }>('SELECT path FROM outbox WHERE code = $1', [code]))[0]?.path;
}

export const messageDelivered = (id: string, tries: number, atMs: number): Statement => ({
  sql: `UPDATE outbox SET delivered_at = to_timestamp($3), tries = $2, next_try_at = NULL, trouble = '' WHERE id = $1`,
  params: [id, tries, atMs / 1000],
});

export const messageFailed = (
  id: string,
  {
    tries,
    trouble,
    nextTryMs,
    givenUp,
  }: { tries: number; trouble: string; nextTryMs: number | null; givenUp: string | null },
): Statement => ({
  sql: `UPDATE outbox SET tries = $2, trouble = $3, given_up = $5,
                          next_try_at = CASE WHEN $4::float8 IS NULL THEN NULL ELSE to_timestamp($4::float8) END
         WHERE id = $1`,
  params: [id, tries, trouble, nextTryMs === null ? null : nextTryMs / 1000, givenUp],
});

/** Tried again from the first try on. */
export const tryMessageAgain = async (database: Database, id: string, nowMs: number): Promise<boolean> =>
  (
    await database.query(
      `UPDATE outbox SET tries = 0, given_up = NULL, next_try_at = to_timestamp($2)
        WHERE id = $1 AND delivered_at IS NULL RETURNING id`,
      [id, nowMs / 1000],
    )
  ).length > 0;

/** Lets go what was said, and who was told, longer ago than is kept. */
export const dropOldMessages = (database: Database, beforeMs: number): Promise<unknown> =>
  database.transaction([
    {
      sql: 'DELETE FROM outbox WHERE made_at < to_timestamp($1) AND next_try_at IS NULL',
      params: [beforeMs / 1000],
    },
    { sql: 'DELETE FROM alert_conversation WHERE over_at < to_timestamp($1)', params: [beforeMs / 1000] },
    { sql: 'DELETE FROM shared_link WHERE ends_at < to_timestamp($1)', params: [beforeMs / 1000] },
  ]);
