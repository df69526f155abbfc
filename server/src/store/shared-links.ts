import { randomBytes, randomUUID } from 'node:crypto';
import type { BoardLinkKind } from '@toplens/core/boards';
import type { LinkKind } from '@toplens/core/handoffs';
import type { Database } from './database';
import { hashOf } from './secrets';
import { iso } from './time-columns';

export type SharedKind = LinkKind | BoardLinkKind;

export interface SharedLinkRow {
  id: string;
  kind: SharedKind;
  /** of a brief the handoff's id; of a board its name; of a tile it and its board as JSON */
  target: string;
  madeAt: string;
  endsAt: string;
  revokedAt: string | null;
  uses: number;
}

const COLUMNS = `id, kind, target, uses, ${iso('made_at')} AS "madeAt", ${iso('ends_at')} AS "endsAt",
  ${iso('revoked_at')} AS "revokedAt"`;

/** @returns the link, and its secret, which is not kept */
export async function makeLink(
  database: Database,
  { kind, target, days }: { kind: SharedKind; target: string; days: number },
): Promise<{ link: SharedLinkRow; token: string }> {
  const token = randomBytes(24).toString('base64url');
  const [link] = await database.query<SharedLinkRow>(
    `INSERT INTO shared_link (id, token_hash, kind, target, made_at, ends_at)
     VALUES ($1, decode($2, 'hex'), $3, $4, to_timestamp($5), to_timestamp($5) + make_interval(days => $6::int))
     RETURNING ${COLUMNS}`,
    [randomUUID(), hashOf(token), kind, target, Date.now() / 1000, days],
  );
  return { link: link as SharedLinkRow, token };
}

export const linksOf = (database: Database, target: string): Promise<SharedLinkRow[]> =>
  database.query<SharedLinkRow>(`SELECT ${COLUMNS} FROM shared_link WHERE target = $1 ORDER BY made_at DESC, id`, [
    target,
  ]);

/** @returns false when there is no such link of it */
export async function revokeLink(database: Database, target: string, id: string): Promise<boolean> {
  const rows = await database.query(
    `UPDATE shared_link SET revoked_at = coalesce(revoked_at, to_timestamp($3)) WHERE id = $1 AND target = $2 RETURNING id`,
    [id, target, Date.now() / 1000],
  );
  return rows.length > 0;
}

/** Opens a link by its secret, and counts the use; undefined for one that is unknown, over or revoked. */
export async function openLink(database: Database, token: string): Promise<SharedLinkRow | undefined> {
  const [link] = await database.query<SharedLinkRow>(
    `UPDATE shared_link SET uses = uses + 1, last_used_at = to_timestamp($2)
      WHERE token_hash = decode($1, 'hex') AND revoked_at IS NULL AND ends_at > to_timestamp($2) RETURNING ${COLUMNS}`,
    [hashOf(token), Date.now() / 1000],
  );
  return link;
}

/** The same without counting it: what an opened page asks for while it stays open. */
export async function findLink(database: Database, token: string): Promise<SharedLinkRow | undefined> {
  const [link] = await database.query<SharedLinkRow>(
    `SELECT ${COLUMNS} FROM shared_link
      WHERE token_hash = decode($1, 'hex') AND revoked_at IS NULL AND ends_at > to_timestamp($2)`,
    [hashOf(token), Date.now() / 1000],
  );
  return link;
}

/** Links to any of these, newest first. */
export const linksOfKinds = (database: Database, kinds: readonly SharedKind[]): Promise<SharedLinkRow[]> =>
  database.query<SharedLinkRow>(
    `SELECT ${COLUMNS} FROM shared_link WHERE kind = ANY($1::text[]) ORDER BY made_at DESC, id`,
    [kinds],
  );
