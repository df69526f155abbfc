import { HANDOFF_STATES, type Brief, type HandoffState } from '@toplens/core/handoffs';
import type { Database, Statement } from './database';

export interface HandoffRow {
  id: string;
  incident: number;
  team: string;
  state: HandoffState;
  note: string;
  brief: Brief;
  markdown: string;
  createdAt: string;
  tries: number;
  nextTryAt: string | null;
}

/** Ends the detail of a failed try after which none follows. */
export const GIVEN_UP = 'given up';

export interface HandoffEvent {
  at: string;
  what: string;
  detail: string;
}

const iso = (column: string) => `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;
const COLUMNS = `id, incident, team, state, note, brief, markdown, tries, ${iso('created_at')} AS "createdAt", ${iso('next_try_at')} AS "nextTryAt"`;

export const listHandoffs = (database: Database): Promise<HandoffRow[]> =>
  database.query<HandoffRow>(`SELECT ${COLUMNS} FROM handoff ORDER BY created_at DESC, id LIMIT 500`);

export async function findHandoff(database: Database, id: string): Promise<HandoffRow | undefined> {
  return (await database.query<HandoffRow>(`SELECT ${COLUMNS} FROM handoff WHERE id = $1`, [id]))[0];
}

export async function findByKey(database: Database, key: string): Promise<HandoffRow | undefined> {
  return (await database.query<HandoffRow>(`SELECT ${COLUMNS} FROM handoff WHERE idempotency_key = $1`, [key]))[0];
}

export const trailOf = (database: Database, id: string): Promise<HandoffEvent[]> =>
  database.query<HandoffEvent>(
    `SELECT ${iso('at')} AS at, what, detail FROM handoff_event WHERE handoff = $1 ORDER BY id`,
    [id],
  );

export interface ToldHandoffEvent {
  id: string;
  atMs: number;
  what: string;
  incident: number;
  team: string;
}

/** What became of handoffs in a window, newest first, so many at most. */
export const handoffEventsIn = (
  database: Database,
  { fromMs, toMs }: { fromMs: number; toMs: number },
  most: number,
): Promise<ToldHandoffEvent[]> =>
  database.query<ToldHandoffEvent>(
    `SELECT e.id::text AS id, (extract(epoch FROM e.at) * 1000)::float8 AS "atMs", e.what, h.incident, h.team
       FROM handoff_event e JOIN handoff h ON h.id = e.handoff
      WHERE e.at >= to_timestamp($1) AND e.at < to_timestamp($2) ORDER BY e.id DESC LIMIT $3`,
    [fromMs / 1000, toMs / 1000, most],
  );

/** What an event says of the state; null where it changes nothing. */
const STATE_AFTER = `CASE WHEN what = 'sent again' THEN 'draft' WHEN what = 'delivered' THEN 'sent'
  WHEN what = 'not delivered' AND detail LIKE '%; ${GIVEN_UP}' THEN 'notDelivered' WHEN what = ANY ($1) THEN what END`;

/** The newest handoff of each incident, as it was at a moment; Infinity: as it is. */
export async function latestHandoffs(
  database: Database,
  atMs: number = Infinity,
): Promise<Map<number, { id: string; team: string; state: HandoffState }>> {
  const rows = await database.query<{ incident: number; id: string; team: string; state: HandoffState }>(
    `SELECT DISTINCT ON (incident) incident, id, team,
            CASE WHEN $2 THEN state
                 ELSE coalesce((SELECT ${STATE_AFTER} FROM handoff_event e
                                 WHERE e.handoff = h.id AND e.at <= to_timestamp($3) AND ${STATE_AFTER} IS NOT NULL
                                 ORDER BY e.id DESC LIMIT 1),
                               CASE WHEN state = 'kept' THEN 'kept' ELSE 'draft' END) END AS state
       FROM handoff h WHERE $2 OR created_at <= to_timestamp($3) ORDER BY incident, created_at DESC, id`,
    [[...HANDOFF_STATES], atMs === Infinity, atMs === Infinity ? 0 : atMs / 1000],
  );
  return new Map(rows.map(({ incident, ...mark }) => [incident, mark]));
}

export function insertHandoff(handoff: {
  /** kept: there is no desk that it could go to */
  state: 'draft' | 'kept';
  id: string;
  incident: number;
  team: string;
  note: string;
  brief: Brief;
  markdown: string;
  idempotencyKey: string;
}): Statement[] {
  return [
    {
      sql: `INSERT INTO handoff (id, incident, team, state, note, brief, markdown, idempotency_key, next_try_at)
            VALUES ($1, $2, $3, $8, $4, $5, $6, $7, now())`,
      params: [
        handoff.id,
        handoff.incident,
        handoff.team,
        handoff.note,
        handoff.brief,
        handoff.markdown,
        handoff.idempotencyKey,
        handoff.state,
      ],
    },
    addEvent(handoff.id, 'written', ''),
  ];
}

export const addEvent = (id: string, what: string, detail: string): Statement => ({
  sql: 'INSERT INTO handoff_event (handoff, what, detail) VALUES ($1, $2, $3)',
  params: [id, what, detail],
});

export const setState = (id: string, state: HandoffState): Statement => ({
  sql: 'UPDATE handoff SET state = $2, next_try_at = NULL WHERE id = $1',
  params: [id, state],
});

export const planTry = (id: string, tries: number, inSeconds: number | null): Statement => ({
  sql: `UPDATE handoff SET tries = $2, next_try_at = CASE WHEN $3::float8 IS NULL THEN NULL ELSE now() + make_interval(secs => $3::float8) END WHERE id = $1`,
  params: [id, tries, inSeconds],
});

/** What was kept because there was no desk is due once there is one. */
export const releaseKept: Statement = {
  sql: `UPDATE handoff SET state = 'draft', next_try_at = now() WHERE state = 'kept'`,
  params: [],
};

/** Tried again from the first try on. */
export const tryAgain = (id: string): Statement => ({
  sql: `UPDATE handoff SET state = 'draft', tries = 0, next_try_at = now() WHERE id = $1`,
  params: [id],
});

export const dueHandoffs = (database: Database): Promise<HandoffRow[]> =>
  database.query<HandoffRow>(
    `SELECT ${COLUMNS} FROM handoff WHERE state = 'draft' AND next_try_at <= now() ORDER BY created_at LIMIT 20`,
  );
