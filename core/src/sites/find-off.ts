import { benjaminiHochberg, median, medianPolish, robustCentre, twoSidedP } from '../stats';
import { MEDIAN_ERROR } from './cells';
import { LikePeople, type AgainstLike } from './like-people';
import type { WorkCell } from './work';

/**
 * Where it may lie that people at work wait: the application (everybody waits), a server (whoever works with it, from
 * every site), the line of a site, or something else at it (whoever is there, with every server), a site and a server
 * that cannot be told apart (nobody else is there to compare with), or one person's device, or what that person alone does.
 */
export const LAYERS = ['application', 'server', 'line', 'serverOrLine', 'device'] as const;
export type Layer = (typeof LAYERS)[number];

export interface Off {
  layer: Layer;
  /** number of the server, of the site, or of the person; 0 for the application */
  id: number;
  /** for `serverOrLine`, the server */
  serverId: number;
  /** so many times as long as is usual, or as it takes those compared with; with its 95 % interval */
  factor: { estimate: number; low: number; high: number };
  people: number;
  attempts: number;
  /** of a device: whom its person was compared with */
  like: AgainstLike | undefined;
}

/** Less is what a day brings: ln 1.15. */
const LEAST_SHIFT = Math.log(1.15);
/** Share of false ones among all that are told. */
const FALSE_SHARE = 0.01;
/** What a median of fewer people is worth nobody can say. */
const FEWEST_PEOPLE = 3;
/** People differ by so much at least, however alike they seem. */
const LEAST_BETWEEN = 0.05;
/** Sites and servers differ by so much without anything being off. */
const BETWEEN_GROUPS = 0.03;

interface Candidate extends Omit<Off, 'factor'> {
  shift: number;
  standardError: number;
}

/**
 * What is off among people at work, the most people first, and people beside those like them. Each person's waiting is
 * told once, at the widest layer that explains it. Sites and servers are told apart by the additive fit of a table of
 * both (`medianPolish`), people by those who are like them.
 *
 * @param cells of one application, see `cellsOf`
 */
export function compareWork(cells: readonly WorkCell[]): { off: Off[]; persons: ComparedPerson[] } {
  const told = cells.filter(isPlaced);
  const fit = fitOf(told);
  const compared = against(cells, fit);
  const candidates = [...applicationOf(told, fit), ...groupsOf(told, fit), ...compared.map(deviceOf)];
  const isStriking = striking(candidates);
  const off = candidates
    .filter((_, i) => isStriking[i])
    .map(({ shift, standardError, ...rest }) => ({
      ...rest,
      factor: {
        estimate: Math.exp(shift),
        low: Math.exp(shift - 1.96 * standardError),
        high: Math.exp(shift + 1.96 * standardError),
      },
    }))
    .sort((a, b) => b.people - a.people || b.factor.estimate - a.factor.estimate || a.id - b.id);
  const isOff = striking(compared);
  return { off, persons: compared.map((one, i) => ({ ...one, isOff: isOff[i] as boolean })) };
}

/** Slower beyond chance among all that are compared here, and beyond what a day brings. */
function striking(all: readonly Pick<Candidate, 'shift' | 'standardError'>[]): boolean[] {
  const p = benjaminiHochberg(all.map(({ shift, standardError }) => twoSidedP(shift / standardError)));
  return all.map(({ shift }, i) => shift > LEAST_SHIFT && (p[i] as number) <= FALSE_SHARE);
}

const isPlaced = ({ site, server }: WorkCell): boolean => site !== 0 && server !== 0;

interface Fit {
  common: number;
  sites: Map<number, number>;
  servers: Map<number, number>;
}

/** What is common, and what each site and each server adds to it. */
function fitOf(cells: readonly WorkCell[]): Fit {
  const sites = [...new Set(cells.map(({ site }) => site))].sort((a, b) => a - b);
  const servers = [...new Set(cells.map(({ server }) => server))].sort((a, b) => a - b);
  const table = sites.map((site) =>
    servers.map((server) => {
      const own = cells.filter((cell) => cell.site === site && cell.server === server);
      return own.length >= FEWEST_PEOPLE ? median(own.map(({ middle }) => middle)) : undefined;
    }),
  );
  const { common, rows, columns } = medianPolish(table);
  const [site, server] = [lowerMiddle(rows), lowerMiddle(columns)];
  return {
    common: common + site + server,
    sites: new Map(sites.map((id, i) => [id, (rows[i] as number) - site])),
    servers: new Map(servers.map((id, i) => [id, (columns[i] as number) - server])),
  };
}

/** Where as many are slow as are not, those that are not are the norm: of two servers one may be off, both are not. */
function lowerMiddle(effects: readonly number[]): number {
  const known = effects.filter((effect) => !Number.isNaN(effect)).sort((a, b) => a - b);
  return known[Math.floor((known.length - 1) / 2)] ?? 0;
}

const errorOf = (values: readonly number[]): number =>
  Math.hypot(BETWEEN_GROUPS, (MEDIAN_ERROR * (robustCentre(values)?.spread ?? NaN)) / Math.sqrt(values.length));

const sizeOf = (cells: readonly WorkCell[]) => ({
  people: new Set(cells.map(({ person }) => person)).size,
  attempts: cells.reduce((sum, { attempts }) => sum + attempts, 0),
});

function applicationOf(cells: readonly WorkCell[], { common }: Fit): Candidate[] {
  if (sizeOf(cells).people < FEWEST_PEOPLE) return [];
  const standardError = errorOf(cells.map(({ middle }) => middle));
  return [
    { layer: 'application', id: 0, serverId: 0, ...sizeOf(cells), like: undefined, shift: common, standardError },
  ];
}

/** Sites and servers that stand out of what is common; where only one site has a server to itself, both at once. */
function groupsOf(cells: readonly WorkCell[], fit: Fit): Candidate[] {
  const serversAt = (site: number) => new Set(cells.filter((cell) => cell.site === site).map(({ server }) => server));
  const sitesOf = (server: number) => new Set(cells.filter((cell) => cell.server === server).map(({ site }) => site));
  const candidateOf = (
    own: readonly WorkCell[],
    of: Pick<Candidate, 'layer' | 'id' | 'serverId'>,
    shift: number,
  ): Candidate[] =>
    sizeOf(own).people < FEWEST_PEOPLE || Number.isNaN(shift)
      ? []
      : [{ ...of, ...sizeOf(own), like: undefined, shift, standardError: errorOf(own.map(({ middle }) => middle)) }];
  const alone = [...fit.sites.keys()].filter((site) => {
    const [server, ...others] = serversAt(site);
    return server !== undefined && others.length === 0 && sitesOf(server).size === 1;
  });
  const aloneServers = new Set(alone.flatMap((site) => [...serversAt(site)]));
  return [
    ...alone.flatMap((site) => {
      const [serverId = 0] = serversAt(site);
      const shift = (fit.sites.get(site) as number) + (fit.servers.get(serverId) as number);
      const own = cells.filter((cell) => cell.site === site);
      return candidateOf(own, { layer: 'serverOrLine', id: site, serverId }, shift);
    }),
    ...[...fit.sites].flatMap(([site, shift]) =>
      alone.includes(site)
        ? []
        : candidateOf(
            cells.filter((cell) => cell.site === site),
            { layer: 'line', id: site, serverId: 0 },
            shift,
          ),
    ),
    ...[...fit.servers].flatMap(([server, shift]) =>
      aloneServers.has(server)
        ? []
        : candidateOf(
            cells.filter((cell) => cell.server === server),
            { layer: 'server', id: server, serverId: 0 },
            shift,
          ),
    ),
  ];
}

/** A person against like people, by the cell that tells most. */
export interface ComparedPerson extends AgainstLike {
  cell: WorkCell;
  /** slower beyond chance among all people compared, and beyond what a day brings */
  isOff: boolean;
}

/** What their site and server add is taken off first: of a wider group not all have it. */
function against(all: readonly WorkCell[], { sites, servers }: Fit): (AgainstLike & { cell: WorkCell })[] {
  const cells = all.map((cell) => ({
    ...cell,
    middle: cell.ownMiddle - (sites.get(cell.site) || 0) - (servers.get(cell.server) || 0),
  }));
  const between = Math.max(LEAST_BETWEEN, robustCentre(cells.map(({ middle }) => middle))?.spread ?? 0);
  const likePeople = new LikePeople(cells);
  const most = new Map<number, WorkCell>();
  for (const cell of cells) if ((most.get(cell.person)?.attempts ?? 0) < cell.attempts) most.set(cell.person, cell);
  return [...most.values()].flatMap((cell) => {
    const like = likePeople.against(cell, between);
    return like ? [{ ...like, cell }] : [];
  });
}

const deviceOf = ({ cell, ...like }: AgainstLike & { cell: WorkCell }): Candidate => ({
  layer: 'device',
  id: cell.person,
  serverId: 0,
  people: 1,
  attempts: cell.attempts,
  like,
  shift: like.shift,
  standardError: like.standardError,
});
