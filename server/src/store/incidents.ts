import type { IncidentPart, SetAside, StoredIncident } from '@toplens/core/incidents';
import type { Database, Statement } from './database';
import { iso } from './time-columns';

interface IncidentRow {
  id: number;
  onset_ms: number;
  end_ms: number;
  active: boolean;
  withdrawn: boolean;
  parts: IncidentPart[];
  component: StoredIncident['component'];
  joined_into: number | null;
  split_from: number | null;
  set_aside: SetAside | null;
}

export async function loadIncidents(database: Database): Promise<StoredIncident[]> {
  const rows = await database.query<IncidentRow>(
    `SELECT id, onset_ms::float8 AS onset_ms, end_ms::float8 AS end_ms, active, withdrawn, parts, component, joined_into, split_from, set_aside
       FROM incident ORDER BY id`,
  );
  return rows.map(({ onset_ms, end_ms, joined_into, split_from, set_aside, ...rest }) => ({
    ...rest,
    onsetMs: onset_ms,
    endMs: end_ms,
    joinedInto: joined_into,
    splitFrom: split_from,
    setAside: set_aside,
  }));
}

export function saveIncident(incident: StoredIncident): Statement {
  const { id, onsetMs, endMs, active, withdrawn, parts, component, joinedInto, splitFrom, setAside } = incident;
  return {
    sql: `INSERT INTO incident (id, onset_ms, end_ms, active, withdrawn, parts, component, joined_into, split_from, set_aside)
          VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
          ON CONFLICT (id) DO UPDATE SET onset_ms = $2, end_ms = $3, active = $4, withdrawn = $5, parts = $6, component = $7,
                                         joined_into = $8, split_from = $9, set_aside = $10`,
    params: [id, onsetMs, endMs, active, withdrawn, parts, component, joinedInto, splitFrom, setAside],
  };
}

/** Something that people decided about an incident. */
export interface Decision {
  at: string;
  who: string;
  what: string;
  detail: string;
}

export const addDecision = (incident: number, decision: Omit<Decision, 'at'>): Statement => ({
  sql: 'INSERT INTO decision (incident, who, what, detail) VALUES ($1, $2, $3, $4)',
  params: [incident, decision.who, decision.what, decision.detail],
});

export const decisionsOf = (database: Database, incident: number): Promise<Decision[]> =>
  database.query<Decision>(
    `SELECT ${iso('at')} AS at, who, what, detail FROM decision WHERE incident = $1 ORDER BY id`,
    [incident],
  );
