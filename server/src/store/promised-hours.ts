import { VIEW_KINDS, VITAL_LIMITS, type Vital } from '@toplens/core/pages';
import { DAY_MS, type Window } from '@toplens/core/time';
import { between } from './between';
import type { Database } from './database';
import { nameOf } from '../names/name-of';
import { ON_PHONE } from './on-phone';

/** What came of a page or a launch in a step of time, and what of it was good. */
export interface ToldCount {
  step: number;
  /** number of the version's name */
  version: number;
  valid: number;
  good: number;
}

/** Vitals that people feel when a page comes and when they use it: those with which a page is said to be good or poor. */
const JUDGED: readonly Vital[] = ['lcp', 'inp', 'cls'];
const IS_TOLD = `coalesce(${JUDGED.join(', ')}) IS NOT NULL`;
/** A vital that was not told is not held against a view. */
const IS_GOOD = JUDGED.map((vital) => `coalesce(${vital}, 0) <= ${VITAL_LIMITS[vital][0]}`).join(' AND ');
const FRAME = VIEW_KINDS.indexOf('frame');

const stepOf = (window: Window, stepMs: number) => `((started_us - ${window.fromMs * 1000}) / ${stepMs * 1000})::int`;

/** Views of pages of which a vital was told, by page; of those that are sent in part as many as there were. */
export const countedViews = (
  database: Database,
  window: Window,
  stepMs: number,
): Promise<(ToldCount & { application: string; page: string })[]> =>
  database.query(
    `SELECT coalesce(${nameOf('application')}, '') AS application, coalesce(${nameOf('page')}, '') AS page, step, version, valid, good FROM
       (SELECT application, page, ${stepOf(window, stepMs)} AS step, version,
               round(sum(1 / share))::int AS valid, round(coalesce(sum(1 / share) FILTER (WHERE ${IS_GOOD}), 0))::int AS good
          FROM page_view WHERE ${between('started_us', window)} AND kind <> ${FRAME} AND ${IS_TOLD} GROUP BY 1, 2, 3, 4) v`,
  );

/** How long after its launch a crash is told of it. */
const LONGEST_USE_MS = DAY_MS;

/** A crash of which no screen is told stands among the attempts of the launch: it is none itself. */
const isStart = (table: string): string => `NOT EXISTS (SELECT 1 FROM phone_crash own WHERE own.id = ${table}.span_id)`;

/**
 * Launches that ended in a crash: the latest of the crash's session before it.
 *
 * @param $1 flows of launches
 */
const crashedLaunches = ({ fromMs, toMs }: Window): string =>
  `SELECT DISTINCT l.trace_id, l.span_id FROM phone_crash c CROSS JOIN LATERAL
     (SELECT trace_id, span_id, started_us FROM attempt a
       WHERE session = c.session AND session <> 0 AND ${ON_PHONE} AND flow = ANY($1::int[]) AND started_us <= c.at_us AND ${isStart('a')}
       ORDER BY started_us DESC LIMIT 1) l
    WHERE c.session <> 0 AND ${between('c.at_us', { fromMs, toMs: toMs + LONGEST_USE_MS })} AND ${between('l.started_us', { fromMs, toMs })}`;

const ENDED_BADLY = `(a.flags & 1 = 1 OR EXISTS (SELECT 1 FROM crashed WHERE crashed.trace_id = a.trace_id AND crashed.span_id = a.span_id))`;

/** Launches of some flows, by flow; good are those that neither failed nor ended in a crash. */
export const countedLaunches = (
  database: Database,
  flows: readonly number[],
  window: Window,
  stepMs: number,
): Promise<(ToldCount & { flow: number })[]> =>
  database.query(
    `WITH crashed AS MATERIALIZED (${crashedLaunches(window)})
     SELECT flow, ${stepOf(window, stepMs)} AS step, version, count(*)::int AS valid, (count(*) FILTER (WHERE NOT ${ENDED_BADLY}))::int AS good
       FROM attempt a WHERE flow = ANY($1::int[]) AND ${between('started_us', window)} AND ${isStart('a')} GROUP BY 1, 2, 3`,
    [flows],
  );

/** When views of a page began that were not good, microseconds, the newest first. */
export const badViews = async (
  database: Database,
  { application, page, window }: { application: string; page: string; window: Window },
): Promise<number[]> =>
  (
    await database.query<{ us: number }>(
      `SELECT started_us::float8 AS us FROM page_view
        WHERE ${between('started_us', window)} AND kind <> ${FRAME} AND ${IS_TOLD} AND NOT (${IS_GOOD})
          AND application = (SELECT id FROM name WHERE kind = 'application' AND value = $1)
          AND page = (SELECT id FROM name WHERE kind = 'page' AND value = $2) ORDER BY 1 DESC`,
      [application, page],
    )
  ).map(({ us }) => us);

/** The same of launches of some flows that failed or ended in a crash. */
export const badLaunches = (
  database: Database,
  flows: readonly number[],
  window: Window,
): Promise<{ flow: number; us: number }[]> =>
  database.query(
    `WITH crashed AS MATERIALIZED (${crashedLaunches(window)})
     SELECT flow, started_us::float8 AS us FROM attempt a
      WHERE flow = ANY($1::int[]) AND ${between('started_us', window)} AND ${isStart('a')} AND ${ENDED_BADLY} ORDER BY us DESC`,
    [flows],
  );
