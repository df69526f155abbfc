import { ATTEMPT_KINDS, SMALL_NUMBERS, type AttemptKind } from '@toplens/core/telemetry';
import { CopyRows } from '../store/copy-rows';
import type { Database } from '../store/database';

export type NameKind =
  | 'flow' | 'component' | 'person' | 'site' | 'version' | 'region' | 'tier' | 'promotion' | 'host' | 'failure' | 'span' | 'peer' | 'statement' | 'series' | 'device'
  | 'item' | 'application' | 'page' | 'call' | 'country' | 'area' | 'browser' | 'system' | 'connection'; // prettier-ignore

export interface Name {
  id: number;
  kind: NameKind;
  value: string;
}

/** Kinds of which there may be millions; all others share the numbers that fit 16 bits. */
const MANY: ReadonlySet<NameKind> = new Set(['person', 'span', 'peer', 'component', 'statement', 'series', 'device', 'page', 'call', 'item']);

/** Beyond so many flows, new ones are gathered under one name: somebody sends ids as flow names. */
const MOST_FLOWS = 5000;
const EVERYTHING_ELSE = 'everything else';
/** So many of the small numbers are kept for what stands for the rest of its kind. */
const KEPT_BACK = 100;
const FLOW_SEPARATOR = '\u001f';

export interface FlowIdentity {
  application: string;
  technicalName: string;
  kind: AttemptKind;
}

/** The text under which a flow is kept. */
export const flowText = ({ application, technicalName, kind }: FlowIdentity): string =>
  `${application}${FLOW_SEPARATOR}${technicalName}${FLOW_SEPARATOR}${kind === 'work' ? '' : kind}`;

export function parseFlowText(text: string): FlowIdentity {
  const [application = '', technicalName = '', kind] = text.split(FLOW_SEPARATOR);
  return { application, technicalName, kind: ATTEMPT_KINDS.find((known) => known === kind) ?? 'work' };
}

/**
 * Gives texts their numbers. There is one writer, so numbers are given in memory and go to the database with the
 * first batch that uses them. 0 stands for "not known".
 */
export class NameBook {
  #next = SMALL_NUMBERS;
  #nextSmall = 1;
  #flows = 0;
  readonly #ids = new Map<NameKind, Map<string, number>>();
  #fresh: Name[] = [];

  static async load(database: Database): Promise<NameBook> {
    const book = new NameBook();
    for (const row of await database.query<Name>('SELECT id, kind, value FROM name')) book.#remember(row);
    return book;
  }

  #remember({ id, kind, value }: Name): void {
    this.#kind(kind).set(value, id);
    if (MANY.has(kind)) this.#next = Math.max(this.#next, id + 1);
    else if (id >= SMALL_NUMBERS)
      throw new Error(
        `the data folder was made by a version before 0.2 (${kind} ${value} has number ${id}): begin with a new one, or let it be read by that version`,
      );
    else this.#nextSmall = Math.max(this.#nextSmall, id + 1);
    if (kind === 'flow') this.#flows++;
  }

  #kind(kind: NameKind): Map<string, number> {
    let ids = this.#ids.get(kind);
    if (!ids) this.#ids.set(kind, (ids = new Map<string, number>()));
    return ids;
  }

  knows(kind: NameKind, value: string): boolean {
    return this.#kind(kind).has(value);
  }

  count(kind: NameKind): number {
    return this.#kind(kind).size;
  }

  idOf(kind: NameKind, value: string): number {
    if (value === '') return 0;
    const known = this.#kind(kind).get(value);
    if (known !== undefined) return known;
    if (kind === 'flow' && this.#flows >= MOST_FLOWS) {
      const rest = flowText({ ...parseFlowText(value), technicalName: EVERYTHING_ELSE });
      if (rest !== value && this.#flows >= MOST_FLOWS) return this.#kind('flow').get(rest) ?? this.#add('flow', rest);
    }
    return this.#add(kind, value);
  }

  #add(kind: NameKind, value: string): number {
    const isSmall = !MANY.has(kind);
    if (isSmall && value !== EVERYTHING_ELSE && kind !== 'flow' && this.#nextSmall >= SMALL_NUMBERS - KEPT_BACK) return this.idOf(kind, EVERYTHING_ELSE);
    const name = { id: isSmall ? this.#nextSmall : this.#next, kind, value };
    this.#remember(name);
    this.#fresh.push(name);
    return name.id;
  }

  /** Names given since the last call: they must be stored with the batch that uses them. */
  takeFresh(): Name[] {
    const fresh = this.#fresh;
    this.#fresh = [];
    return fresh;
  }
}

/** Binary COPY of table name. */
export function nameRows(names: readonly Name[]): CopyRows {
  const rows = new CopyRows(3);
  for (const { id, kind, value } of names) {
    rows.startRow();
    rows.int4(id);
    rows.text(kind);
    rows.text(value);
  }
  return rows;
}
