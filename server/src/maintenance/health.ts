import { HEALTH_PARTS, type HealthPart } from '../contract/health-parts';

/** ok: as it should be; degraded: it works, and somebody should know; down: it does not work at the moment. */
export type HealthState = 'ok' | 'degraded' | 'down';

export interface PartHealth {
  state: HealthState;
  /** since when, milliseconds since the epoch */
  sinceMs: number;
  /** what is the matter and what happens next, for people; '' when all is well */
  words: string;
}

export type HealthReport = Record<HealthPart, PartHealth>;

/** What a part says of itself at the moment. */
export type Look = () => { state: HealthState; words: string };

/**
 * How the server's parts are. Each part is asked when somebody wants to know: nothing here waits for another thread, so
 * that it is answered however busy they are.
 */
export class Health {
  readonly #looks = new Map<HealthPart, Look>();
  readonly #known = new Map<HealthPart, PartHealth>();

  constructor(private readonly now: () => number = Date.now) {}

  watch(part: HealthPart, look: Look): void {
    this.#looks.set(part, look);
  }

  get report(): HealthReport {
    return Object.fromEntries(HEALTH_PARTS.map((part) => [part, this.#lookAt(part)])) as HealthReport;
  }

  #lookAt(part: HealthPart): PartHealth {
    const { state, words } = this.#looks.get(part)?.() ?? { state: 'down' as const, words: 'It is starting.' };
    const known = this.#known.get(part);
    const health = known?.state === state ? { ...known, words } : { state, words, sinceMs: this.now() };
    this.#known.set(part, health);
    return health;
  }

  /** The worst of its parts. */
  static worst(report: HealthReport): HealthState {
    const states = Object.values(report).map(({ state }) => state);
    return states.includes('down') ? 'down' : states.includes('degraded') ? 'degraded' : 'ok';
  }
}
