const FIRST_ROOM = 64;

/**
 * Attempts of flows in steps of time, and good ones: as columns, since a month of hundreds of flows is millions of steps.
 *
 * @example
 *   const steps = new StepTable();
 *   steps.push(3, Date.UTC(2026, 2, 10), 100, 98); // of flow 3, 98 of 100 good
 */
export class StepTable {
  n = 0;
  flow = new Uint32Array(FIRST_ROOM);
  /** milliseconds since the epoch */
  startMs = new Float64Array(FIRST_ROOM);
  valid = new Uint32Array(FIRST_ROOM);
  good = new Uint32Array(FIRST_ROOM);

  push(flow: number, startMs: number, valid: number, good: number): void {
    if (this.n === this.flow.length) this.#grow();
    const at = this.n++;
    this.flow[at] = flow;
    this.startMs[at] = startMs;
    this.valid[at] = valid;
    this.good[at] = good;
  }

  /** Steps that begin at a moment or after it, as a table of their own. */
  since(fromMs: number): StepTable {
    const found = new StepTable();
    for (let at = 0; at < this.n; at++) {
      const startMs = this.startMs[at] as number;
      if (startMs >= fromMs)
        found.push(this.flow[at] as number, startMs, this.valid[at] as number, this.good[at] as number);
    }
    return found;
  }

  #grow(): void {
    const room = 2 * this.n;
    const grown = <Column extends Uint32Array | Float64Array>(column: Column, larger: Column): Column => {
      larger.set(column);
      return larger;
    };
    this.flow = grown(this.flow, new Uint32Array(room));
    this.startMs = grown(this.startMs, new Float64Array(room));
    this.valid = grown(this.valid, new Uint32Array(room));
    this.good = grown(this.good, new Uint32Array(room));
  }
}
