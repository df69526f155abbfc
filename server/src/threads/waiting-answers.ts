/** Questions to another thread that wait for their answers, told apart by number. */
export class WaitingAnswers {
  #next = 1;
  #gone: Error | undefined;
  readonly #waiting = new Map<number, { resolve: (answer: unknown) => void; reject: (error: Error) => void }>();

  /** @param post sends the question under its number */
  ask<Answer>(post: (id: number) => void): Promise<Answer> {
    if (this.#gone) return Promise.reject(this.#gone);
    const id = this.#next++;
    return new Promise<Answer>((resolve, reject) => {
      this.#waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject });
      post(id);
    });
  }

  get size(): number {
    return this.#waiting.size;
  }

  get isGone(): boolean {
    return this.#gone !== undefined;
  }

  resolve(id: number, answer: unknown): void {
    this.#take(id)?.resolve(answer);
  }

  reject(id: number, error: Error): void {
    this.#take(id)?.reject(error);
  }

  /** The other thread is gone: nothing will be answered any more. */
  rejectAll(error: Error): void {
    this.#gone ??= error;
    for (const { reject } of this.#waiting.values()) reject(error);
    this.#waiting.clear();
  }

  #take(id: number) {
    const waiting = this.#waiting.get(id);
    this.#waiting.delete(id);
    return waiting;
  }
}
