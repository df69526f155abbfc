import { outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import { proveChange, type SiteBeforeAfter, type SiteTime } from '@toplens/core/sites';
import { FAILED } from '@toplens/core/telemetry';
import { FairColumns } from '@toplens/core/stats';
import { HOUR_MS } from '@toplens/core/time';
import type { SiteChangeShape } from '../../contract/sites';
import { eachAttempt } from '../reading/each-attempt';
import type { EngineState } from '../state/engine-state';
import type { SiteChangeQuestion } from '../state/questions';
import { workIn } from './gather';

const DAY_HOURS = 24;
/** Attempts of a group that are compared: more are an even share of all. */
const MOST_COMPARED = 20_000;

/** Groups that were changed against those that were not, as long before the moment as after it. */
export async function siteChange(
  state: EngineState,
  { atMs, days, by, changed, focus }: SiteChangeQuestion,
): Promise<SiteChangeShape> {
  const { names, history } = state;
  const lengthMs = Math.max(HOUR_MS, Math.min(days * DAY_HOURS * HOUR_MS, state.judgedMs - atMs));
  const window = { fromMs: atMs - lengthMs, toMs: atMs + lengthMs };
  const { flows, holds } = workIn(state, focus);
  const groups = new Map<number, { before: Gathering; after: Gathering }>();
  await eachAttempt(state, { window, flows }, (rows, row) => {
    const group = rows[by][row] as number;
    if (group === 0 || !holds(rows, row)) return;
    let known = groups.get(group);
    if (!known) groups.set(group, (known = { before: new Gathering(), after: new Gathering() }));
    const startMs = rows.startMs[row] as number;
    const durationMs = rows.durationMs[row] as number;
    const normal = history.normalAt(rows.flow[row] as number, atMs - 1);
    const time = startMs < atMs ? known.before : known.after;
    const limitMs = limitsAt(normal, rows.site[row] as number).limitMs;
    const outcome = outcomeOf(durationMs, ((rows.flags[row] as number) & FAILED) !== 0, limitMs);
    time.attempts++;
    if (outcome === 'failed' || outcome === 'hung') time.failed++;
    else if (normal.expectedMs !== undefined && durationMs > 0)
      time.endedWell(Math.log(durationMs / normal.expectedMs));
  });
  const isChanged = new Set(changed);
  const proof = proveChange(
    [...groups].map(([group, { before, after }]): SiteBeforeAfter => ({
      site: group,
      isChanged: isChanged.has(names.text(group)),
      before: before.told,
      after: after.told,
    })),
  );
  return {
    by,
    atMs,
    before: { fromMs: window.fromMs, toMs: atMs },
    after: { fromMs: atMs, toMs: window.toMs },
    verdict: proof.verdict,
    factor: proof.factor,
    groups: proof.sites
      .map(({ site, isChanged: was, attempts: [before, after], factor, failed }) => ({
        group: names.text(site),
        isChanged: was,
        before,
        after,
        factor,
        failed,
      }))
      .sort((a, b) => Number(b.isChanged) - Number(a.isChanged) || a.group.localeCompare(b.group)),
  };
}

/** A group in one of the two times, as it is counted. */
class Gathering {
  attempts = 0;
  failed = 0;
  readonly #excess = new FairColumns(['excess'], MOST_COMPARED);

  endedWell(excess: number): void {
    this.#excess.add({ excess });
  }

  get told(): SiteTime {
    return { excess: this.#excess.columns.excess, attempts: this.attempts, failed: this.failed };
  }
}
