import type { FlowFacts } from '@toplens/core/flows';
import { DIMENSIONS, SMALL_NUMBERS, type AttemptKind, type Dimension } from '@toplens/core/telemetry';
import { parseFlowText, type FlowIdentity } from '../../names/flow-text';
import { flowKey, type SettingsBook } from '../../settings/settings-book';
import type { Database } from '../../store/database';

export interface Flow extends FlowFacts, FlowIdentity {
  id: number;
}

/** A page that came without a part of it does half of what a failed attempt does, as long as nobody says otherwise. */
const PAGE_IMPORTANCE = 0.5;

/** Texts behind the numbers in the columns, except people. Read from the database as they appear. */
export class Names {
  readonly #texts = new Map<number, string>();
  readonly #values = new Map<Dimension, Map<string, number>>(DIMENSIONS.map((dimension) => [dimension, new Map()]));
  readonly #flows = new Map<number, FlowIdentity & { id: number }>();
  readonly #applications = new Map<string, number>();
  /** newest number read of those below and of those above the small ones */
  #newest: [small: number, large: number] = [0, 0];

  /** as they are now; made anew after a change */
  #flowsNow: Flow[] | undefined;
  #settings: SettingsBook;

  constructor(
    private readonly database: Database,
    settings: SettingsBook,
  ) {
    this.#settings = settings;
  }

  get settings(): SettingsBook {
    return this.#settings;
  }

  set settings(settings: SettingsBook) {
    this.#settings = settings;
    this.#flowsNow = undefined;
  }

  /** Reads the names given since the last call. */
  async refresh(): Promise<void> {
    const rows = await this.database.query<{ id: number; kind: string; value: string }>(
      `SELECT id, kind, value FROM name
        WHERE ((id > $1 AND id < ${SMALL_NUMBERS}) OR id > greatest($2::int, ${SMALL_NUMBERS - 1})) AND kind NOT IN ('person', 'span', 'peer') ORDER BY id`,
      this.#newest,
    );
    if (rows.length > 0) this.#flowsNow = undefined;
    for (const { id, kind, value } of rows) {
      this.#newest[id < SMALL_NUMBERS ? 0 : 1] = id;
      if (kind === 'flow') {
        const identity = parseFlowText(value);
        if (!this.#applications.has(identity.application))
          this.#applications.set(identity.application, this.#applications.size + 1);
        this.#flows.set(id, { id, ...identity });
      } else {
        this.#texts.set(id, value);
        this.#values.get(kind as Dimension)?.set(value, id);
      }
    }
  }

  get flows(): readonly Flow[] {
    return (this.#flowsNow ??= [...this.#flows.keys()].map((id) => this.flow(id)));
  }

  get applications(): string[] {
    return [...this.#applications.keys()].sort();
  }

  /** The flow with what people said of it; as it was at a time, or as it is now. */
  flow(id: number, timeMs: number = Infinity): Flow {
    const flow = this.#flows.get(id);
    if (!flow) throw new RangeError(`no flow has the number ${id}`);
    return {
      ...flow,
      ...this.settings.flowAt(flow.application, flow.technicalName, timeMs, flow.kind === 'page' ? PAGE_IMPORTANCE : 1),
    };
  }

  /** What its attempts are: asked for each flow of each cycle, so without what people said of it. */
  kindOf(id: number): AttemptKind {
    return this.#flows.get(id)?.kind ?? 'work';
  }

  /** Limits of single sites, by the site's number; sites that never came are left out. */
  siteLimits(id: number, timeMs: number): Map<number, number> {
    const limits = new Map<number, number>();
    for (const [site, limitMs] of Object.entries(this.flow(id, timeMs).siteLimitsMs)) {
      const number = this.numberOf('site', site);
      if (number !== undefined) limits.set(number, limitMs);
    }
    return limits;
  }

  /**
   * Reads the names of these rows' flows, if they came since the last call: names are stored before the rows that use
   * them.
   */
  async learn(rows: { n: number; flow: ArrayLike<number> }): Promise<void> {
    for (let i = 0; i < rows.n; i++) if (!this.#flows.has(rows.flow[i] as number)) return this.refresh();
  }

  has(id: number): boolean {
    return this.#flows.has(id);
  }

  /** The flow that a setting's key speaks of. */
  flowOfKey(key: string): number | undefined {
    return [...this.#flows.values()].find((flow) => flowKey(flow.application, flow.technicalName) === key)?.id;
  }

  applicationOf(flow: number): number {
    return this.#applications.get(this.#flows.get(flow)?.application ?? '') ?? 0;
  }

  text(id: number): string {
    return this.#texts.get(id) ?? '';
  }

  /** Number of a value; `undefined` when it never came. */
  numberOf(dimension: Dimension, value: string): number | undefined {
    return this.#values.get(dimension)?.get(value);
  }

  /** Values of a dimension that ever came, in order. */
  valuesOf(dimension: Dimension): string[] {
    return [...(this.#values.get(dimension)?.keys() ?? [])].sort();
  }

  isKeyTier(tier: number): boolean {
    return this.settings.file.rates.keyTiers.includes(this.text(tier));
  }
}
