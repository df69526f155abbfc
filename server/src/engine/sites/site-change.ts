import { outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import { proveChange, strataFor, stratumOf, type SiteBeforeAfter, type SiteTime } from '@toplens/core/sites';
import { FAILED } from '@toplens/core/telemetry';
import { FairColumns, median } from '@toplens/core/stats';
import { DAY_MS, floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { SiteChangeShape } from '../../contract/sites';
import { eachAttempt } from '../reading/each-attempt';
import type { EngineState } from '../state/engine-state';
import type { SiteChangeQuestion } from '../state/questions';
import { workIn } from './gather';

/** Attempts of a group that are compared: more are an even share of all. */
const MOST_COMPARED = 20_000;
/** Of each step of the drawing. */
const MOST_DRAWN = 2_000;

/**
 * Groups that were changed against those that were not, as long before the change as after it. What was done while it was
 * under way is drawn, and not compared.
 */
export async function siteChange(
  state: EngineState,
  { atMs, untilMs, days, by, changed, focus }: SiteChangeQuestion,
): Promise<SiteChangeShape> {
  const { names, history } = state;
  const endMs = Math.max(atMs, untilMs ?? atMs);
  const lengthMs = Math.max(HOUR_MS, Math.min(days * DAY_MS, state.judgedMs - endMs));
  const window = { fromMs: atMs - lengthMs, toMs: endMs + lengthMs };
  const strata = strataFor(lengthMs);
  const isChanged = new Set(changed);
  const drawing = new Drawing(window, lengthMs >= 2 * DAY_MS ? DAY_MS : HOUR_MS);
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
    const limitMs = limitsAt(normal, rows.site[row] as number).limitMs;
    const outcome = outcomeOf(durationMs, ((rows.flags[row] as number) & FAILED) !== 0, limitMs);
    const hasFailed = outcome === 'failed' || outcome === 'hung';
    const excess =
      hasFailed || normal.expectedMs === undefined || durationMs <= 0
        ? undefined
        : Math.log(durationMs / normal.expectedMs);
    if (excess !== undefined) drawing.add(startMs, isChanged.has(names.text(group)), excess);
    if (startMs >= atMs && startMs < endMs) return;
    const time = startMs < atMs ? known.before : known.after;
    time.attempts++;
    if (hasFailed) time.failed++;
    else if (excess !== undefined) time.endedWell(excess, stratumOf(startMs, strata));
  });
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
    untilMs: endMs,
    before: { fromMs: window.fromMs, toMs: atMs },
    after: { fromMs: endMs, toMs: window.toMs },
    strata,
    drawing: drawing.told,
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
  readonly #excess = new FairColumns(['excess', 'stratum'], MOST_COMPARED);

  endedWell(excess: number, stratum: number): void {
    this.#excess.add({ excess, stratum });
  }

  get told(): SiteTime {
    return { ...this.#excess.columns, attempts: this.attempts, failed: this.failed };
  }
}

/** How long things took, step by step, where it was changed and where it was not. */
class Drawing {
  readonly #startMs: number;
  readonly #steps: { changed: FairColumns<'excess'>; unchanged: FairColumns<'excess'> }[];

  constructor(
    { fromMs, toMs }: Window,
    private readonly stepMs: number,
  ) {
    this.#startMs = floorTo(fromMs, stepMs);
    const fresh = () => new FairColumns(['excess'], MOST_DRAWN);
    this.#steps = Array.from({ length: Math.ceil((toMs - this.#startMs) / stepMs) }, () => ({
      changed: fresh(),
      unchanged: fresh(),
    }));
  }

  add(timeMs: number, isChanged: boolean, excess: number): void {
    const step = this.#steps[Math.floor((timeMs - this.#startMs) / this.stepMs)];
    step?.[isChanged ? 'changed' : 'unchanged'].add({ excess });
  }

  get told(): SiteChangeShape['drawing'] {
    const middles = (which: 'changed' | 'unchanged') =>
      this.#steps.map((step) => {
        const middle = median(step[which].columns.excess);
        return middle === undefined ? null : Math.exp(middle);
      });
    return {
      startMs: this.#startMs,
      stepMs: this.stepMs,
      changed: middles('changed'),
      unchanged: middles('unchanged'),
    };
  }
}
