/**
 * Rows of numbers as columns, so many at most: every row as long as there is room, then every second, every fourth and so
 * on, spread evenly over all that came. Order and memory stay, whatever comes.
 */
export class FairColumns<Name extends string> {
  readonly columns: Readonly<Record<Name, number[]>>;
  #seen = 0;
  #every = 1;

  constructor(
    private readonly names: readonly Name[],
    private readonly most: number,
  ) {
    this.columns = Object.fromEntries(names.map((name) => [name, []])) as unknown as Record<Name, number[]>;
  }

  add(row: Readonly<Record<Name, number>>): void {
    if (this.#seen++ % this.#every !== 0) return;
    for (const name of this.names) this.columns[name].push(row[name]);
    if (this.columns[this.names[0] as Name].length < this.most) return;
    for (const name of this.names) {
      const kept = this.columns[name].filter((_, i) => i % 2 === 0);
      this.columns[name].length = 0;
      for (const value of kept) this.columns[name].push(value);
    }
    this.#every *= 2;
  }

  /** Share of all rows that is kept; 1 while none was left out. */
  get share(): number {
    return 1 / this.#every;
  }
}
