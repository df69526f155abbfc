import type { Conversation, Told } from '@toplens/core/alerts';
import type { Database, Statement } from './database';
import { epochMs } from './time-columns';

export interface StoredConversation extends Conversation {
  id: string;
}

export async function openConversations(database: Database): Promise<StoredConversation[]> {
  return database.query<{ id: string; subject: string; receiver: string; openedMs: number; told: Told }>(
    `SELECT id, subject, receiver, told, ${epochMs('opened_at')} AS "openedMs"
       FROM alert_conversation WHERE over_at IS NULL ORDER BY opened_at, id`,
  );
}

/** Opens a conversation, or keeps what was told last in it. */
export const keepConversation = ({ id, subject, receiver, openedMs, told }: StoredConversation): Statement => ({
  sql: `INSERT INTO alert_conversation (id, subject, receiver, opened_at, told)
        VALUES ($1, $2, $3, to_timestamp($4), $5) ON CONFLICT (id) DO UPDATE SET told = excluded.told`,
  params: [id, subject, receiver, openedMs / 1000, told],
});

export const endConversation = (id: string, atMs: number): Statement => ({
  sql: 'UPDATE alert_conversation SET over_at = to_timestamp($2) WHERE id = $1',
  params: [id, atMs / 1000],
});
