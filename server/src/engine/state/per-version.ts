import type { World } from './world';

/** Answers made once per state of the world, however many people and screens ask for them. */
export class PerVersion<Answer> {
  readonly #kept = new Map<string, { version: number; answer: Promise<Answer> }>();

  /** @param most how many are kept before all are let go */
  constructor(private readonly most: number) {}

  get({ version }: Pick<World, 'version'>, key: string, make: () => Promise<Answer>): Promise<Answer> {
    const kept = this.#kept.get(key);
    if (kept?.version === version) return kept.answer;
    if (this.#kept.size > this.most) this.#kept.clear();
    const answer = make();
    this.#kept.set(key, { version, answer });
    // What failed may work the next time, although nothing has come since.
    answer.catch(() => this.#kept.get(key)?.answer === answer && this.#kept.delete(key));
    return answer;
  }
}
