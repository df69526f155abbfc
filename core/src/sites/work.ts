import type { Dimension } from '../telemetry';

/** By what people at work are told apart. */
export const WORK_DIMENSIONS = [
  'site',
  'department',
  'role',
  'station',
  'server',
] as const satisfies readonly Dimension[];
export type WorkDimension = (typeof WORK_DIMENSIONS)[number];

/**
 * Attempts of people at work that ended well, as columns, one entry an attempt. Numbers are those of names; 0: not told.
 */
export interface Work {
  person: number[];
  site: number[];
  server: number[];
  /** kind of device */
  station: number[];
  /** ln(duration / what is usual for its activity) */
  excess: number[];
  /** number of the half hour in which it began */
  halfHour: number[];
}

export const WORK_COLUMNS = [
  'person',
  'site',
  'server',
  'station',
  'excess',
  'halfHour',
] as const satisfies readonly (keyof Work)[];

export const emptyWork = (): Work => ({ person: [], site: [], server: [], station: [], excess: [], halfHour: [] });

/** What one person did at one site with one server, on one kind of device. */
export interface WorkCell {
  person: number;
  site: number;
  server: number;
  station: number;
  /** median of the excess, and how surely it is known */
  middle: number;
  standardError: number;
  /** the same, without what everybody at the site met at the time: who was there in a bad hour is not slow for it */
  ownMiddle: number;
  attempts: number;
}
