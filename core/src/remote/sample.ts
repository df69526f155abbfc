import type { MetricPoint } from '../telemetry';

/** Metric by which remote desktops tell how long the way there and back takes; the semantic conventions have none. */
export const ROUND_TRIP = 'toplens.remote.round_trip';

/** What sessions are told apart by. */
export const REMOTE_DIMENSIONS = ['site', 'server', 'client', 'centre'] as const;
export type RemoteDimension = (typeof REMOTE_DIMENSIONS)[number];

/** Milliseconds of a unit (UCUM). */
const UNITS: Readonly<Record<string, number>> = { s: 1000, ms: 1, us: 0.001 };

/** One measurement of a session on a remote desktop. */
export interface RemoteSample {
  session: string;
  atUs: number;
  roundTripMs: number;
  /** the device that the person sits at */
  client: string;
  /** place of work */
  site: string;
  /** that the desktop runs on */
  server: string;
  /** where that server stands */
  centre: string;
  component: string;
}

export const isRoundTrip = ({ series }: MetricPoint): boolean => series.metric === ROUND_TRIP;

/** @returns why a point tells no round trip, in words; else the sample */
export function remoteSampleOf({ series, atUs, value, distribution }: MetricPoint): RemoteSample | string {
  const text = (name: string) => String(series.attributes[name] ?? '');
  const perUnit = UNITS[series.unit];
  if (perUnit === undefined) return `unit: ${ROUND_TRIP} is in s, ms or us, got: ${series.unit || 'none'}`;
  if (text('toplens.remote.session') === '') return 'toplens.remote.session: missing: say which session it was';
  // Of many measurements at once their mean is told.
  const told = distribution ? (distribution.count > 0 ? distribution.sum / distribution.count : NaN) : value;
  if (!(told >= 0 && told < Infinity)) return `${ROUND_TRIP}: expected 0 or more`;
  return {
    session: text('toplens.remote.session'),
    atUs,
    roundTripMs: told * perUnit,
    client: text('toplens.remote.client') || series.host,
    site: text('toplens.site'),
    server: text('toplens.remote.server'),
    centre: text('cloud.availability_zone') || text('cloud.region'),
    component: series.component,
  };
}
