import { SMALL_NUMBERS } from '@toplens/core/telemetry';
import { DAY_MS } from '@toplens/core/time';
import { TableRows } from '../store/tables';
import type { Database } from '../store/database';
import { NewNames, type NameLimits } from '../names/new-names';
import { flowText, parseFlowText } from '../names/flow-text';

export type NameKind =
  | 'flow'
  | 'component'
  | 'person'
  | 'site'
  | 'version'
  | 'region'
  | 'tier'
  | 'promotion'
  | 'host'
  | 'failure'
  | 'span'
  | 'peer'
  | 'statement'
  | 'series'
  | 'ranOn'
  | 'device'
  | 'carrier'
  | 'department'
  | 'role'
  | 'station'
  | 'server'
  | 'item'
  | 'application'
  | 'page'
  | 'call'
  | 'country'
  | 'area'
  | 'screen'
  | 'probe'
  | 'zone'
  | 'browser'
  | 'system'
  | 'connection';

export interface Name {
  id: number;
  kind: NameKind;
  value: string;
  /** when it was first received, milliseconds */
  sinceMs: number;
  source: string;
}

/** Kinds of which there may be millions; the first 65,535 of all others have small numbers. */
const MANY: ReadonlySet<NameKind> = new Set([
  'person',
  'span',
  'peer',
  'component',
  'statement',
  'series',
  'ranOn',
  'page',
  'call',
  'item',
]);

/** Flows are paired with people in 53 bits: so many of the small numbers are theirs alone. */
const KEPT_FOR_FLOWS = 10_000;

/** Stands for all names that there is no room for. */
export const OTHER = 'other';

/**
 * Kinds that people or their devices make many of, and those of which an estate has few. Beyond: somebody sends ids as
 * names.
 */
const LIMITS: Partial<Record<NameKind, NameLimits>> = {
  person: { ofSource: 10_000_000, inAll: 20_000_000 },
  item: { ofSource: 200_000, inAll: 500_000 },
  ranOn: { ofSource: 200_000, inAll: 500_000 },
  statement: { ofSource: 20_000, inAll: 100_000 },
  span: { ofSource: 20_000, inAll: 200_000 },
  tier: { ofSource: 100, inAll: 200 },
  connection: { ofSource: 50, inAll: 50 },
  country: { ofSource: 300, inAll: 300 },
  flow: { ofSource: 2_000, inAll: 5_000 },
  page: { ofSource: 2_000, inAll: 10_000 },
};
const USUAL_LIMITS: NameLimits = { ofSource: 5_000, inAll: 20_000 };

export interface NameBookOptions {
  /** names first seen longer ago count against no limit */
  keptMs?: number;
  /** every limit times this */
  limitFactor?: number;
  now?: () => number;
}

/**
 * Gives texts their numbers. There is one writer, so numbers are given in memory and go to the database with the first
 * batch that uses them: a name whose batch is refused goes with the next one that uses it. 0 stands for "not known".
 */
export class NameBook {
  #next = SMALL_NUMBERS;
  #nextSmall = 1;
  readonly #ids = new Map<NameKind, Map<string, number>>();
  /** given, but in no batch that is stored */
  readonly #unsaved = new Map<number, Name>();
  #used = new Set<Name>();
  readonly #newNames: NewNames;
  readonly #now: () => number;
  /** names put under "other" since the start, by kind */
  readonly gathered = new Map<NameKind, number>();

  private constructor({ keptMs = 35 * DAY_MS, limitFactor = 1, now = Date.now }: NameBookOptions) {
    this.#now = now;
    this.#newNames = new NewNames(keptMs, (kind) => {
      const { ofSource, inAll } = LIMITS[kind as NameKind] ?? USUAL_LIMITS;
      return { ofSource: Math.ceil(ofSource * limitFactor), inAll: Math.ceil(inAll * limitFactor) };
    });
  }

  static async load(database: Database, options: NameBookOptions = {}): Promise<NameBook> {
    const book = new NameBook(options);
    const rows = await database.query<Omit<Name, 'sinceMs'> & { since_ms: number }>(
      'SELECT id, kind, value, since_ms::float8 AS since_ms, source FROM name',
    );
    for (const { since_ms: sinceMs, ...row } of rows) book.#remember({ ...row, sinceMs });
    return book;
  }

  #remember({ id, kind, value, sinceMs, source }: Name): void {
    this.#kind(kind).set(value, id);
    if (id >= SMALL_NUMBERS) this.#next = Math.max(this.#next, id + 1);
    else this.#nextSmall = Math.max(this.#nextSmall, id + 1);
    if (sinceMs > 0) this.#newNames.add(kind, source, sinceMs);
  }

  #kind(kind: NameKind): Map<string, number> {
    let ids = this.#ids.get(kind);
    if (!ids) this.#ids.set(kind, (ids = new Map<string, number>()));
    return ids;
  }

  /** From now on whoever sends this text tells of somebody else: what it stood for was erased. */
  forget(kind: NameKind, value: string): void {
    this.#kind(kind).delete(value);
  }

  knows(kind: NameKind, value: string): boolean {
    return this.#kind(kind).has(value);
  }

  count(kind: NameKind): number {
    return this.#kind(kind).size;
  }

  /** @param source component that sent it */
  idOf(kind: NameKind, value: string, source = ''): number {
    if (value === '') return 0;
    const known = this.#kind(kind).get(value);
    if (known === undefined) return this.#add(kind, value, source);
    if (this.#unsaved.size > 0) {
      const unsaved = this.#unsaved.get(known);
      if (unsaved) this.#used.add(unsaved);
    }
    return known;
  }

  #add(kind: NameKind, value: string, source: string): number {
    const sinceMs = this.#now();
    const other = kind === 'flow' ? flowText({ ...parseFlowText(value), technicalName: OTHER }) : OTHER;
    if (value !== other && !this.#newNames.hasRoom(kind, source, sinceMs)) {
      this.gathered.set(kind, (this.gathered.get(kind) ?? 0) + 1);
      return this.idOf(kind, other, source);
    }
    const isSmall = !MANY.has(kind) && this.#nextSmall < SMALL_NUMBERS - (kind === 'flow' ? 0 : KEPT_FOR_FLOWS);
    const name = { id: isSmall ? this.#nextSmall : this.#next, kind, value, sinceMs, source };
    this.#remember(name);
    this.#unsaved.set(name.id, name);
    this.#used.add(name);
    return name.id;
  }

  /** Begins a batch. */
  begin(): void {
    this.#used = new Set();
  }

  /** Names that the batch begun last uses and that are not stored yet: they must be stored with it. */
  get unsavedOfBatch(): Name[] {
    return [...this.#used];
  }

  saved(names: readonly Name[]): void {
    for (const { id } of names) this.#unsaved.delete(id);
  }
}

/** Binary COPY of table name. */
export function nameRows(names: readonly Name[]): TableRows<'name'> {
  const rows = new TableRows('name');
  for (const { id, kind, value, sinceMs, source } of names) rows.add({ id, kind, value, since_ms: sinceMs, source });
  return rows;
}
