import { flowFacts, type FlowFacts } from '@toplens/core/flows';
import { parseFlowText } from '../intake/name-book';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';

export interface Flow extends FlowFacts {
  id: number;
  application: string;
  technicalName: string;
  background: boolean;
}

/** Texts behind the numbers in the columns, except people. Read from the database as they appear. */
export class Names {
  readonly #texts = new Map<number, string>();
  readonly #flows = new Map<number, Flow>();
  readonly #applications = new Map<string, number>();
  #newest = 0;

  constructor(
    private readonly database: Database,
    private readonly settings: Settings,
  ) {}

  /** Reads the names given since the last call. */
  async refresh(): Promise<void> {
    const rows = await this.database.query<{ id: number; kind: string; value: string }>(
      `SELECT id, kind, value FROM name WHERE id > $1 AND kind NOT IN ('person', 'span', 'peer') ORDER BY id`,
      [this.#newest],
    );
    for (const { id, kind, value } of rows) {
      this.#newest = id;
      if (kind === 'flow') this.#flows.set(id, this.#flow(id, value));
      else this.#texts.set(id, value);
    }
  }

  #flow(id: number, text: string): Flow {
    const { application, technicalName, background } = parseFlowText(text);
    if (!this.#applications.has(application)) this.#applications.set(application, this.#applications.size + 1);
    return { id, application, technicalName, background, ...flowFacts(this.settings.flows, application, technicalName) };
  }

  get flows(): Flow[] {
    return [...this.#flows.values()];
  }

  get applications(): string[] {
    return [...this.#applications.keys()].sort();
  }

  flow(id: number): Flow {
    const flow = this.#flows.get(id);
    if (!flow) throw new RangeError(`no flow has the number ${id}`);
    return flow;
  }

  applicationOf(flow: number): number {
    return this.#applications.get(this.flow(flow).application) ?? 0;
  }

  text(id: number): string {
    return this.#texts.get(id) ?? '';
  }

  isKeyTier(tier: number): boolean {
    return this.settings.rates.keyTiers.includes(this.text(tier));
  }
}
