import { FAILED, type Dimension } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { Database } from './database';

/** What failing attempts have in common: what was thrown, and where. */
export interface FailurePlaceRow {
  component: number;
  failure: number;
  class_name: string;
  method: string;
  file: string;
  line: number;
  /** attempts that failed so, of those looked at */
  attempts: number;
  /** one of the messages, and how many different ones there were */
  message: string;
  messages: number;
  looked: number;
}

export interface FailuresAsked {
  flows: readonly number[];
  window: Window;
  conditions: readonly [Dimension, number][];
  /** newest attempts that are looked at */
  look: number;
  most: number;
}

/**
 * Where attempts of some flows fail, the places that most of them share first. Of each attempt the span that began last
 * counts: what failed deepest; those above it pass it on. Attempts that say no more than that they failed count among
 * those that were looked at.
 */
export const failurePlaces = (
  database: Database,
  { flows, window, conditions, look, most }: FailuresAsked,
): Promise<FailurePlaceRow[]> =>
  database.query<FailurePlaceRow & Record<string, unknown>>(
    `WITH bad AS (
       SELECT trace_id FROM attempt
       WHERE started_us >= $1 AND started_us < $2 AND flow = ANY ($3) AND flags & ${FAILED} <> 0
         ${conditions.map(([dimension, value]) => `AND "${dimension}" = ${Math.floor(value)}`).join(' ')}
       ORDER BY started_us DESC LIMIT ${Math.floor(look)}),
     deepest AS (
       SELECT DISTINCT ON (trace_id) f.* FROM failure_detail f JOIN bad USING (trace_id)
       ORDER BY trace_id, f.started_us DESC, f.span_id)
     SELECT coalesce(s.component, a.component, 0) AS component, coalesce(s.failure, a.failure, 0) AS failure,
       class_name, method, file, line, count(*)::int AS attempts,
       min(message) AS message, count(DISTINCT message)::int AS messages,
       (SELECT count(*)::int FROM bad) AS looked
     FROM deepest d LEFT JOIN span s USING (trace_id, span_id) LEFT JOIN attempt a USING (trace_id, span_id)
     GROUP BY 1, 2, 3, 4, 5, 6 ORDER BY attempts DESC, message LIMIT ${Math.floor(most)}`,
    [Math.floor(window.fromMs * 1000), Math.ceil(window.toMs * 1000), [...flows]],
  );
