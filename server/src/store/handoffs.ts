import type { Brief, HandoffState } from '@toplens/core/handoffs';
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

/** The newest handoff of each incident. */
export async function latestHandoffs(
  database: Database,
): Promise<Map<number, { id: string; team: string; state: HandoffState }>> {
  const rows = await database.query<{ incident: number; id: string; team: string; state: HandoffState }>(
    'SELECT DISTINCT ON (incident) incident, id, team, state FROM handoff ORDER BY incident, created_at DESC, id',
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
