import type { FixReport, StageTimes } from '@toplens/core/handoffs';
import type { OutcomeShape, ProofShape } from '../contract/handoffs';
import type { HandoffRow } from '../store/handoffs';

const iso = (ms: number) => new Date(ms).toISOString();

/** Before and after a fix; undefined before any was reported. */
export function fixReportOf(handoff: HandoffRow, times: StageTimes, proof: ProofShape | null): FixReport | undefined {
  if (!proof) return undefined;
  const { brief, team, purpose } = handoff;
  const total = (handoff.outcome as OutcomeShape | null)?.total ?? null;
  return {
    title: brief.title,
    team,
    purpose,
    onset: brief.since,
    fix: iso(proof.fixMs),
    watched: { from: iso(proof.fromMs), to: iso(proof.toMs) },
    verdict: proof.verdict,
    remaining: proof.remaining,
    parts: proof.parts,
    total: total && { ...total, from: iso(total.fromMs), to: iso(total.toMs) },
    behind: proof.behind,
    times,
  };
}
