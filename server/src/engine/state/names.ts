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

/** What was read from the database: shared by the names of now and those of a moment. */
interface Known {
  texts: Map<number, string>;
  values: Map<Dimension, Map<string, number>>;
  flows: Map<number, FlowIdentity & { id: number }>;
  applications: Map<string, number>;
  /** newest number read of those below and of those above the small ones */
  newest: [small: number, large: number];
}

const nothingKnown = (): Known => ({
  texts: new Map(),
  values: new Map(DIMENSIONS.map((dimension) => [dimension, new Map<string, number>()])),
  flows: new Map(),
  applications: new Map(),
  newest: [0, 0],
});

/** Texts behind the numbers in the columns, except people. Read from the database as they appear. */
export class Names {
  /** as the settings say; made anew after a change, and when more are known */
  #flows: readonly Flow[] | undefined;
  #settings: SettingsBook;

  constructor(
    private readonly database: Database,
    settings: SettingsBook,
    private readonly known: Known = nothingKnown(),
  ) {
    this.#settings = settings;
  }

  /** The same names, with what people said of flows in another book: that of a past moment. */
  under(settings: SettingsBook): Names {
    return new Names(this.database, settings, this.known);
  }

  get settings(): SettingsBook {
    return this.#settings;
  }

  set settings(settings: SettingsBook) {
    this.#settings = settings;
    this.#flows = undefined;
  }

  /** Reads the names given since the last call. */
  async refresh(): Promise<void> {
    const rows = await this.database.query<{ id: number; kind: string; value: string }>(
      `SELECT id, kind, value FROM name
        WHERE ((id > $1 AND id < ${SMALL_NUMBERS}) OR id > greatest($2::int, ${SMALL_NUMBERS - 1})) AND kind NOT IN ('person', 'span', 'peer') ORDER BY id`,
      this.known.newest,
    );
    for (const { id, kind, value } of rows) {
      this.known.newest[id < SMALL_NUMBERS ? 0 : 1] = id;
      if (kind === 'flow') {
        const identity = parseFlowText(value);
        if (!this.known.applications.has(identity.application))
          this.known.applications.set(identity.application, this.known.applications.size + 1);
        this.known.flows.set(id, { id, ...identity });
      } else {
        this.known.texts.set(id, value);
        this.known.values.get(kind as Dimension)?.set(value, id);
      }
    }
  }

  get flows(): readonly Flow[] {
    if (this.#flows?.length !== this.known.flows.size)
      this.#flows = [...this.known.flows.keys()].map((id) => this.flow(id));
    return this.#flows;
  }

  get applications(): string[] {
    return [...this.known.applications.keys()].sort();
  }

  /** The flow with what people said of it; as it was at a time, or as it is now. */
  flow(id: number, timeMs: number = Infinity): Flow {
    const flow = this.known.flows.get(id);
    if (!flow) throw new RangeError(`no flow has the number ${id}`);
    return {
      ...flow,
      ...this.settings.flowAt(flow.application, flow.technicalName, timeMs, flow.kind === 'page' ? PAGE_IMPORTANCE : 1),
    };
  }

  /** What its attempts are: asked for each flow of each cycle, so without what people said of it. */
  kindOf(id: number): AttemptKind {
    return this.known.flows.get(id)?.kind ?? 'work';
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
    for (let i = 0; i < rows.n; i++) if (!this.known.flows.has(rows.flow[i] as number)) return this.refresh();
  }

  has(id: number): boolean {
    return this.known.flows.has(id);
  }

  /** The flow that a setting's key speaks of. */
  flowOfKey(key: string): number | undefined {
    return [...this.known.flows.values()].find((flow) => flowKey(flow.application, flow.technicalName) === key)?.id;
  }

  applicationOf(flow: number): number {
    return this.known.applications.get(this.known.flows.get(flow)?.application ?? '') ?? 0;
  }

  text(id: number): string {
    return this.known.texts.get(id) ?? '';
  }

  /** Number of a value; `undefined` when it never came. */
  numberOf(dimension: Dimension, value: string): number | undefined {
    return this.known.values.get(dimension)?.get(value);
  }

  /** Values of a dimension that ever came, in order. */
  valuesOf(dimension: Dimension): string[] {
    return [...(this.known.values.get(dimension)?.keys() ?? [])].sort();
  }

  isKeyTier(tier: number): boolean {
    return this.settings.at().rates.keyTiers.includes(this.text(tier));
  }
}
