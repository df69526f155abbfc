import { LRUCache } from 'lru-cache';

interface Kept<Answer> {
  answer: Answer;
  askedMs: number;
}

export interface AtHandOptions {
  /** a new answer is waited for so long before the last one is given, milliseconds */
  patienceMs: number;
  /** an answer that was asked for longer ago is given to nobody, milliseconds */
  oldestMs: number;
  /** how many questions are remembered */
  most: number;
}

/**
 * The last answers to what many screens ask again and again. While the engine is busy judging, whoever asks gets the
 * last answer, which says itself up to when it holds, and the new one is ready for the next who asks. Equal questions
 * are asked once at a time.
 */
export class AtHand<Answer extends object> {
  readonly #kept: LRUCache<string, Kept<Answer>>;
  #underWay = new Map<string, Promise<Answer>>();

  constructor(private readonly options: AtHandOptions) {
    this.#kept = new LRUCache({ max: options.most });
  }

  async get(key: string, ask: () => Promise<Answer>): Promise<Answer> {
    const answer = this.#underWay.get(key) ?? this.#ask(key, ask);
    const kept = this.#kept.get(key);
    if (!kept || performance.now() - kept.askedMs > this.options.oldestMs) return answer;
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => resolve(kept.answer), this.options.patienceMs);
      answer.then(resolve, reject).finally(() => clearTimeout(timer));
    });
  }

  /** Somebody decided something: no answer from before is given any more, and none that is under way is waited for. */
  forget(): void {
    this.#kept.clear();
    this.#underWay = new Map();
  }

  #ask(key: string, ask: () => Promise<Answer>): Promise<Answer> {
    const underWay = this.#underWay;
    const askedMs = performance.now();
    const answer = ask();
    underWay.set(key, answer);
    answer
      .then(
        (made) => underWay === this.#underWay && this.#kept.set(key, { answer: made, askedMs }),
        () => undefined,
      )
      .finally(() => underWay.delete(key));
    return answer;
  }
}
