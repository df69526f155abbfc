/** Values that cannot be added up with the others: no exchange rate of their currency is set. */
export interface UnknownCurrency {
  currency: string;
  values: number;
  sinceMs: number;
}

const MOST = 50;

/** Currencies without an exchange rate, since the start. */
export class UnknownCurrencies {
  readonly #known = new Map<string, UnknownCurrency>();

  constructor(private readonly now: () => number) {}

  note(currency: string): void {
    const known = this.#known.get(currency);
    if (known) known.values++;
    else if (this.#known.size < MOST) this.#known.set(currency, { currency, values: 1, sinceMs: this.now() });
  }

  /** The busiest first. */
  get list(): UnknownCurrency[] {
    return [...this.#known.values()].sort((a, b) => b.values - a.values || a.currency.localeCompare(b.currency));
  }
}
