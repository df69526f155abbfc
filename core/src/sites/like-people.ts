import { median } from '../stats';
import { MEDIAN_ERROR } from './cells';
import type { WorkCell } from './work';

/** Whom a person was compared with, from the likest on. */
export const LIKENESSES = ['sameSiteServerStation', 'sameSiteServer', 'sameSite', 'sameServer', 'everybody'] as const;
export type Likeness = (typeof LIKENESSES)[number];

/** Fewer like people do not tell what is usual among them. */
export const FEWEST_LIKE = 8;

/** Where somebody works, with which server, on which kind of device. */
type WorkPlace = Pick<WorkCell, 'site' | 'server' | 'station'>;

const GROUP_OF: Readonly<Record<Likeness, (place: WorkPlace) => string>> = {
  sameSiteServerStation: ({ site, server, station }) => `${site}:${server}:${station}`,
  sameSiteServer: ({ site, server }) => `${site}:${server}`,
  sameSite: ({ site }) => String(site),
  sameServer: ({ server }) => String(server),
  everybody: () => '',
};

/** Are two like each other, as far as a likeness goes? */
export const isLike = (likeness: Likeness, one: WorkPlace, other: WorkPlace): boolean =>
  GROUP_OF[likeness](one) === GROUP_OF[likeness](other);

export interface AgainstLike {
  likeness: Likeness;
  /** people compared with */
  people: number;
  /** how much longer it takes this person, as logarithm, with its standard error */
  shift: number;
  standardError: number;
}

interface Group {
  cells: WorkCell[];
  people: Set<number>;
}

/** People by those like them: gathered once, so that each person looks at their own group alone. */
export class LikePeople {
  readonly #groups: ReadonlyMap<Likeness, ReadonlyMap<string, Group>>;

  constructor(cells: readonly WorkCell[]) {
    this.#groups = new Map(LIKENESSES.map((likeness) => [likeness, groupsBy(cells, GROUP_OF[likeness])]));
  }

  /**
   * How a person's own time compares with that of people like them: same site, server and kind of device, or the next
   * wider group of which there are enough.
   *
   * @param between how much people differ among themselves (spread of the logarithm), told of all of them: of the few
   *   who are like one it cannot be
   * @returns `undefined` when there are fewer than `FEWEST_LIKE` others at all
   */
  against(own: WorkCell, between: number): AgainstLike | undefined {
    for (const likeness of LIKENESSES) {
      const group = this.#groups.get(likeness)?.get(GROUP_OF[likeness](own));
      const people = (group?.people.size ?? 0) - (group?.people.has(own.person) ? 1 : 0);
      if (!group || people < FEWEST_LIKE) continue;
      const others = group.cells.filter(({ person }) => person !== own.person);
      return {
        likeness,
        people,
        shift: own.middle - (median(others.map(({ middle }) => middle)) as number),
        standardError: Math.hypot(own.standardError, between, (MEDIAN_ERROR * between) / Math.sqrt(people)),
      };
    }
    return undefined;
  }
}

function groupsBy(cells: readonly WorkCell[], groupOf: (cell: WorkCell) => string): Map<string, Group> {
  const groups = new Map<string, Group>();
  for (const cell of cells) {
    const key = groupOf(cell);
    const known = groups.get(key) ?? { cells: [], people: new Set<number>() };
    groups.set(key, known);
    known.cells.push(cell);
    known.people.add(cell.person);
  }
  return groups;
}
