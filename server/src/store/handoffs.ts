import { HANDOFF_STATES, isWatched, type Brief, type HandoffState, type Purpose } from '@toplens/core/handoffs';
import type { Priority } from '@toplens/core/incidents';
import type { Database, Statement } from './database';
import { epochMs, iso } from './time-columns';

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
  purpose: Purpose;
  /** of the incident when it was sent; null for those of before it was kept */
  priority: Priority | null;
  /** when it came into its state */
  stateAt: string;
  /** since when the newest reported fix is in */
  fixedAt: string | null;
  /** what the figures said after the newest reported fix, as the API tells it; null before */
  outcome: object | null;
  /** since when it was known that people are hurt, epoch ms */
  detectedMs: number | null;
}

/** Ends the detail of a failed try after which none follows. */
export const GIVEN_UP = 'given up';

export interface HandoffEvent {
  at: string;
  what: string;
  detail: string;
}

const COLUMNS = `id, incident, team, state, note, brief, markdown, tries, purpose, priority, outcome,
  detected_ms::float8 AS "detectedMs", ${iso('created_at')} AS "createdAt", ${iso('next_try_at')} AS "nextTryAt",
  ${iso('state_at')} AS "stateAt", ${iso('fixed_at')} AS "fixedAt"`;

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

/** Events of all handoffs that were sent since a moment, in order of time, by handoff. */
export async function trailsSince(database: Database, sinceMs: number): Promise<Map<string, HandoffMoment[]>> {
  const rows = await database.query<HandoffMoment & { handoff: string }>(
    `SELECT e.handoff, e.what, ${epochMs('e.at')} AS "atMs"
       FROM handoff_event e JOIN handoff h ON h.id = e.handoff
      WHERE h.created_at >= to_timestamp($1) ORDER BY e.id`,
    [sinceMs / 1000],
  );
  const trails = new Map<string, HandoffMoment[]>();
  for (const { handoff, ...event } of rows) {
    const trail = trails.get(handoff);
    if (trail) trail.push(event);
    else trails.set(handoff, [event]);
  }
  return trails;
}

export interface HandoffMoment {
  what: string;
  atMs: number;
}

/** Handoffs after whose reported fix the figures are looked at, with the newest report. */
export const watchedHandoffs = (database: Database): Promise<(HandoffRow & { fixMs: number })[]> =>
  database.query<HandoffRow & { fixMs: number }>(
    `SELECT ${COLUMNS},
            ${epochMs(`coalesce(fixed_at, (SELECT max(e.at) FROM handoff_event e
              WHERE e.handoff = handoff.id AND e.what = 'fixReported'), state_at)`)} AS "fixMs"
       FROM handoff WHERE state = ANY ($1) ORDER BY created_at`,
    [HANDOFF_STATES.filter(isWatched)],
  );

/** What teams said that returned handoffs of these incidents, oldest first; of all incidents when left out. */
export async function returnedBy(
  database: Database,
  incident?: number,
): Promise<Map<number, { team: string; reason: string }[]>> {
  const rows = await database.query<{ incident: number; team: string; reason: string }>(
    `SELECT h.incident, h.team,
            coalesce((SELECT regexp_replace(e.detail, '^by [^:]+(: |$)', '') FROM handoff_event e WHERE e.handoff = h.id AND e.what = 'returned'
                       ORDER BY e.id DESC LIMIT 1), '') AS reason
       FROM handoff h WHERE h.state = 'returned' AND ($1::int IS NULL OR h.incident = $1) ORDER BY h.created_at`,
    [incident ?? null],
  );
  const by = new Map<number, { team: string; reason: string }[]>();
  for (const { incident: id, ...one } of rows) by.set(id, [...(by.get(id) ?? []), one]);
  return by;
}

export interface ToldHandoffEvent {
  id: string;
  atMs: number;
  what: string;
  handoff: string;
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
    `SELECT e.id::text AS id, ${epochMs('e.at')} AS "atMs", e.what, h.id AS handoff, h.incident, h.team
       FROM handoff_event e JOIN handoff h ON h.id = e.handoff
      WHERE e.at >= to_timestamp($1) AND e.at < to_timestamp($2) ORDER BY e.id DESC LIMIT $3`,
    [fromMs / 1000, toMs / 1000, most],
  );

/** What an event says of the state; null where it changes nothing. */
const STATE_AFTER = `CASE WHEN what = 'sent again' THEN 'draft' WHEN what IN ('delivered', 'moved') THEN 'sent'
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
  purpose: Purpose;
  priority: Priority;
  detectedMs: number;
}): Statement[] {
  return [
    {
      sql: `INSERT INTO handoff (id, incident, team, state, note, brief, markdown, idempotency_key, next_try_at,
                                 purpose, priority, detected_ms, created_at, state_at)
            VALUES ($1, $2, $3, $8, $4, $5, $6, $7, now(), $9, $10, $11, to_timestamp($12), to_timestamp($12))`,
      params: [
        handoff.id,
        handoff.incident,
        handoff.team,
        handoff.note,
        handoff.brief,
        handoff.markdown,
        handoff.idempotencyKey,
        handoff.state,
        handoff.purpose,
        handoff.priority,
        Math.round(handoff.detectedMs),
        Date.now() / 1000,
      ],
    },
    addEvent(handoff.id, 'written', ''),
  ];
}

export const addEvent = (id: string, what: string, detail: string): Statement => ({
  sql: 'INSERT INTO handoff_event (handoff, what, detail, at) VALUES ($1, $2, $3, to_timestamp($4))',
  params: [id, what, detail, Date.now() / 1000],
});

export const setState = (id: string, state: HandoffState): Statement => ({
  sql: `UPDATE handoff SET state_at = CASE WHEN state = $2 THEN state_at ELSE to_timestamp($3) END, state = $2,
                           next_try_at = NULL
         WHERE id = $1`,
  params: [id, state, Date.now() / 1000],
});

/** A team says that its fix is in since then. */
export const setFixed = (id: string, atMs: number): Statement => ({
  sql: 'UPDATE handoff SET fixed_at = to_timestamp($2) WHERE id = $1',
  params: [id, atMs / 1000],
});

/** The desk gave it to another team: it waits for that one anew. */
export const moveTo = (id: string, team: string): Statement => ({
  sql: `UPDATE handoff SET team = $2, state = 'sent', state_at = to_timestamp($3) WHERE id = $1`,
  params: [id, team, Date.now() / 1000],
});

export const setOutcome = (id: string, outcome: object): Statement => ({
  sql: 'UPDATE handoff SET outcome = $2 WHERE id = $1',
  params: [id, outcome],
});

export const planTry = (id: string, tries: number, inSeconds: number | null): Statement => ({
  sql: `UPDATE handoff SET tries = $2, next_try_at = CASE WHEN $3::float8 IS NULL THEN NULL ELSE now() + make_interval(secs => $3::float8) END WHERE id = $1`,
  params: [id, tries, inSeconds],
});

/** What was kept because there was no way to its team is due once there is one. */
export const releaseKept = (id: string): Statement => ({
  sql: `UPDATE handoff SET state = 'draft', state_at = to_timestamp($2), next_try_at = now() WHERE id = $1`,
  params: [id, Date.now() / 1000],
});

/** Those for whose team there was no way out. */
export const keptHandoffs = (database: Database): Promise<{ id: string; team: string }[]> =>
  database.query<{ id: string; team: string }>(`SELECT id, team FROM handoff WHERE state = 'kept' ORDER BY created_at`);

/** Tried again from the first try on. */
export const tryAgain = (id: string): Statement => ({
  sql: `UPDATE handoff SET state = 'draft', state_at = now(), tries = 0, next_try_at = now() WHERE id = $1`,
  params: [id],
});

export const dueHandoffs = (database: Database): Promise<HandoffRow[]> =>
  database.query<HandoffRow>(
    `SELECT ${COLUMNS} FROM handoff WHERE state = 'draft' AND next_try_at <= now() ORDER BY created_at LIMIT 20`,
  );

/** All handoffs of an incident, newest first. */
export const handoffsOf = (database: Database, incident: number): Promise<HandoffRow[]> =>
  database.query<HandoffRow>(`SELECT ${COLUMNS} FROM handoff WHERE incident = $1 ORDER BY created_at DESC, id`, [
    incident,
  ]);

/** Handoffs that were sent since a moment. */
export const handoffsSince = (database: Database, sinceMs: number): Promise<HandoffRow[]> =>
  database.query<HandoffRow>(
    `SELECT ${COLUMNS} FROM handoff WHERE created_at >= to_timestamp($1) ORDER BY created_at`,
    [sinceMs / 1000],
  );
