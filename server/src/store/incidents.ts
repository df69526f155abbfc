import type { Deviation } from '@toplens/core/normal';
import type { StoredIncident } from '../engine/incidents';
import type { Database, Statement } from './database';

interface IncidentRow {
  id: number;
  onset_ms: number;
  end_ms: number;
  active: boolean;
  withdrawn: boolean;
  parts: Deviation[];
  component: StoredIncident['component'];
}

export async function loadIncidents(database: Database): Promise<StoredIncident[]> {
  const rows = await database.query<IncidentRow>(
    'SELECT id, onset_ms::float8 AS onset_ms, end_ms::float8 AS end_ms, active, withdrawn, parts, component FROM incident ORDER BY id',
  );
  return rows.map(({ onset_ms, end_ms, ...rest }) => ({ ...rest, onsetMs: onset_ms, endMs: end_ms }));
}

export function saveIncident(incident: StoredIncident): Statement {
  return {
    sql: `INSERT INTO incident (id, onset_ms, end_ms, active, withdrawn, parts, component) VALUES ($1, $2, $3, $4, $5, $6, $7)
          ON CONFLICT (id) DO UPDATE SET onset_ms = $2, end_ms = $3, active = $4, withdrawn = $5, parts = $6, component = $7`,
    params: [incident.id, incident.onsetMs, incident.endMs, incident.active, incident.withdrawn, incident.parts, incident.component],
  };
}
