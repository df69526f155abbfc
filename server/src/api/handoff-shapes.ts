import { dueOf, stageTimes, timesBy, type MayWait, type StageTimes } from '@toplens/core/handoffs';
import type { Priority } from '@toplens/core/incidents';
import type { HandoffShape, HandoffSummaryShape, OutcomeShape, SharedLinkShape } from '../contract/handoffs';
import type { Engine } from '../engine/engine';
import type { Database } from '../store/database';
import { handoffsSince, trailOf, trailsSince, type HandoffMoment, type HandoffRow } from '../store/handoffs';
import { linksOf, type SharedLinkRow } from '../store/shared-links';

type MayWaitBy = Readonly<Record<Priority, MayWait>>;

/** A handoff in a list. */
export function handoffSummary(row: HandoffRow, mayWait: MayWaitBy): HandoffSummaryShape {
  const { id, incident, team, state, note, createdAt, brief, purpose, priority, stateAt } = row;
  const due = dueOf({ state, sinceMs: Date.parse(stateAt) }, mayWait[priority ?? 'P3']);
  return {
    id,
    incident,
    team,
    state,
    note,
    createdAt,
    title: brief.title,
    // Briefs that were kept before points had their name say minutes: the figure is the same.
    harmPoints: brief.harmPoints ?? (brief as { harmMinutes?: number }).harmMinutes ?? 0,
    people: brief.people.estimate,
    window: brief.window,
    purpose,
    priority,
    flow: brief.flows[0]?.name ?? '',
    stateAt,
    waits: due ? { ...due, isLate: Date.now() > due.dueMs } : null,
    outcome: row.outcome as OutcomeShape | null,
  };
}

/** A handoff with all that is known of it. */
export async function wholeHandoff(
  { database, engine }: { database: Database; engine: Engine },
  handoff: HandoffRow,
  mayWait: MayWaitBy,
): Promise<HandoffShape> {
  const trail = await trailOf(database, handoff.id);
  return {
    ...handoffSummary(handoff, mayWait),
    brief: handoff.brief,
    markdown: handoff.markdown,
    trail,
    times: timesOf(
      handoff,
      trail.map(({ what, at }) => ({ what, atMs: Date.parse(at) })),
    ),
    next: handoff.state === 'returned' ? await engine.ask('nextTeam', { id: handoff.incident }) : null,
    links: (await linksOf(database, handoff.id)).map((link) => linkShape(link, null)),
  };
}

export const linkShape = (
  { id, kind, madeAt, endsAt, revokedAt, uses }: SharedLinkRow,
  url: string | null,
  about = '',
): SharedLinkShape => ({ id, kind, about, madeAt, endsAt, revokedAt, uses, url });

function timesOf(
  { brief, createdAt, detectedMs, outcome, fixedAt }: HandoffRow,
  events: readonly HandoffMoment[],
): StageTimes {
  const proof = (outcome as OutcomeShape | null)?.proof;
  return stageTimes({
    onsetMs: Date.parse(brief.since),
    detectedMs,
    sentMs: Date.parse(createdAt),
    fixedMs: fixedAt === null ? null : Date.parse(fixedAt),
    provenMs: proof?.verdict === 'proven' ? proof.toMs : null,
    events,
  });
}

/** How long the handoffs of the last months took. */
export async function handoffTimes(database: Database, months: number) {
  const since = new Date();
  since.setUTCMonth(since.getUTCMonth() - months);
  const [rows, trails] = await Promise.all([
    handoffsSince(database, since.getTime()),
    trailsSince(database, since.getTime()),
  ]);
  const timed = rows.map((row) => ({
    ...timesOf(row, trails.get(row.id) ?? []),
    team: row.team,
    flow: row.brief.flows[0]?.name ?? '',
    createdAt: row.createdAt,
    state: row.state,
  }));
  return {
    months,
    byTeam: timesBy(timed, 'team'),
    byFlow: timesBy(timed, 'flow'),
    byMonth: timesBy(timed, 'month'),
  };
}
