import { KEPT_KINDS, LONGEST_KEPT_DAYS, SHORTEST_KEPT_DAYS, type KeptKind } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS } from '@toplens/core/time';
import { number, object, type ObjectSchema } from 'yup';
import { byName } from '../by-name';

/** Days; null: as the installation says. */
export type RetentionSetting = Record<KeptKind, number | null>;

const days = () => number().min(SHORTEST_KEPT_DAYS).max(LONGEST_KEPT_DAYS).nullable().default(null);

export const retentionSchema: ObjectSchema<RetentionSetting> = object({
  attempts: days(),
  traces: days(),
  logs: days(),
  metrics: days(),
  pageLoads: days(),
  crashes: days(),
  phoneSessions: days(),
} satisfies Record<KeptKind, unknown>).noUnknown();

export const AS_INSTALLED = retentionSchema.getDefault() as RetentionSetting;

/** What the installation keeps where settings say nothing. */
export interface UsuallyKept {
  keepAttemptsDays: number;
  keepSpansHours: number;
}

/** Days for which each kind is kept. */
export function keptDays(
  retention: RetentionSetting,
  { keepAttemptsDays, keepSpansHours }: UsuallyKept,
): Record<KeptKind, number> {
  const shortDays = keepSpansHours / 24;
  const usual: Record<KeptKind, number> = {
    attempts: keepAttemptsDays,
    traces: shortDays,
    logs: shortDays,
    metrics: keepAttemptsDays,
    pageLoads: keepAttemptsDays,
    crashes: keepAttemptsDays,
    phoneSessions: shortDays,
  };
  return byName(KEPT_KINDS, (kind) => retention[kind] ?? usual[kind]);
}

/** From when on each kind is kept, ms since the epoch. */
export function keptFrom(days: Record<KeptKind, number>, nowMs: number): Record<KeptKind, number> {
  const from = byName(KEPT_KINDS, (kind) => nowMs - days[kind] * DAY_MS);
  // Hours are counted as a whole, once more where something comes late: of none a part is dropped.
  return { ...from, attempts: floorTo(from.attempts, HOUR_MS) };
}
