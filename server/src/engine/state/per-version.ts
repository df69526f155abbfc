import { LRUCache } from 'lru-cache';
import type { EngineState } from './engine-state';

/** Answers made once per state of the state, however many people and screens ask for them. */
export class PerVersion<Answer> {
  readonly #kept: LRUCache<string, { version: number; answer: Promise<Answer> }>;

  /** @param max how many are kept; the one asked for longest ago goes first */
  constructor(max: number) {
    this.#kept = new LRUCache({ max });
  }

  get({ version }: Pick<EngineState, 'version'>, key: string, make: () => Promise<Answer>): Promise<Answer> {
    const kept = this.#kept.get(key);
    if (kept?.version === version) return kept.answer;
    const answer = make();
    this.#kept.set(key, { version, answer });
    // What failed may work the next time, although nothing has come since.
    answer.catch(() => this.#kept.get(key)?.answer === answer && this.#kept.delete(key));
    return answer;
  }
}
