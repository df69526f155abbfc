import type { TimedSpan } from './stretch';

/**
 * Who held the attempt up, moment by moment: each moment belongs to the span at work that waits for nobody, and is
 * shared evenly where several work at the same time. So the shares of all spans add up to the attempt's duration,
 * whatever runs in parallel; what runs on after the attempt's end has no part in it.
 *
 * @param root the attempt itself; spans whose parent is not known count as its children
 * @returns microseconds of the attempt by span id; their sum is `root.durationUs`
 * @example a statement of 10.8 s inside an attempt of 10.9 s holds 10.8 s, and what encloses it 0.1 s
 */
export function timeShares(spans: readonly TimedSpan[], root: TimedSpan): Map<string, number> {
  const endUs = root.startUs + root.durationUs;
  const depths = depthsOf(spans);
  const turns: { atUs: number; span: TimedSpan; begins: boolean; depth: number }[] = [];
  for (const span of spans) {
    const from = Math.max(root.startUs, span.startUs);
    const to = Math.min(endUs, span.startUs + span.durationUs);
    const depth = depths.get(span.spanId) as number;
    if (to > from) turns.push({ atUs: from, span, begins: true, depth }, { atUs: to, span, begins: false, depth });
  }
  // At the same moment ends go before begins, inner ends before outer ones, outer begins before inner ones.
  turns.sort(
    (a, b) =>
      a.atUs - b.atUs || Number(a.begins) - Number(b.begins) || (a.begins ? a.depth - b.depth : b.depth - a.depth),
  );
  const work = new Work(spans, root.spanId);
  for (const { atUs, span, begins } of turns) {
    work.moveTo(atUs);
    if (begins) work.begin(span.spanId);
    else work.end(span.spanId);
  }
  return work.credits;
}

function depthsOf(spans: readonly TimedSpan[]): Map<string, number> {
  const byId = new Map(spans.map((span) => [span.spanId, span]));
  const depths = new Map<string, number>();
  for (const span of spans) {
    const chain: TimedSpan[] = [];
    for (
      let at: TimedSpan | undefined = span;
      at && !depths.has(at.spanId) && chain.length <= spans.length;
      at = byId.get(at.parentSpanId)
    )
      chain.push(at);
    for (const one of chain.reverse()) depths.set(one.spanId, (depths.get(one.parentSpanId) ?? -1) + 1);
  }
  return depths;
}

/**
 * Who is at work, and who of them waits for others. Time goes evenly to those who wait for nobody, by one running sum.
 */
class Work {
  readonly credits = new Map<string, number>();
  readonly #parents: ReadonlyMap<string, string>;
  readonly #working = new Set<string>();
  /** the one that waits for a span while it works */
  readonly #waiter = new Map<string, string>();
  /** for how many a span waits */
  readonly #waitsFor = new Map<string, number>();
  readonly #since = new Map<string, number>();
  #each = 0;
  #atUs = 0;

  constructor(
    spans: readonly TimedSpan[],
    private readonly root: string,
  ) {
    this.#parents = new Map(spans.map((span) => [span.spanId, span.parentSpanId]));
  }

  moveTo(atUs: number): void {
    if (this.#since.size > 0) this.#each += (atUs - this.#atUs) / this.#since.size;
    this.#atUs = atUs;
  }

  begin(id: string): void {
    this.#working.add(id);
    this.#since.set(id, this.#each);
    const waiter = this.#ancestorAtWork(id);
    if (waiter === undefined) return;
    this.#waiter.set(id, waiter);
    this.#change(waiter, 1);
  }

  end(id: string): void {
    this.#working.delete(id);
    this.#stop(id);
    const waiter = this.#waiterOf(id);
    if (waiter === undefined) return;
    // What this one still waited for runs on; now the one above waits for it.
    this.#change(waiter, (this.#waitsFor.get(id) ?? 0) - 1);
    this.#waitsFor.delete(id);
  }

  #change(id: string, by: number): void {
    const waits = (this.#waitsFor.get(id) ?? 0) + by;
    this.#waitsFor.set(id, waits);
    if (waits > 0) this.#stop(id);
    else if (!this.#since.has(id)) this.#since.set(id, this.#each);
  }

  #stop(id: string): void {
    const since = this.#since.get(id);
    if (since === undefined) return;
    this.#since.delete(id);
    this.credits.set(id, (this.credits.get(id) ?? 0) + this.#each - since);
  }

  #ancestorAtWork(id: string): string | undefined {
    let at = this.#parents.get(id);
    for (let steps = 0; at !== undefined && steps < this.#parents.size; steps++, at = this.#parents.get(at))
      if (this.#working.has(at) && at !== id) return at;
    return id !== this.root && this.#working.has(this.root) ? this.root : undefined;
  }

  #waiterOf(id: string): string | undefined {
    let waiter = this.#waiter.get(id);
    while (waiter !== undefined && !this.#working.has(waiter)) waiter = this.#waiter.get(waiter);
    return waiter;
  }
}
