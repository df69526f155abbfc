import { rateWords } from '@toplens/core/words';
import type { Picket } from '@/charts/pickets';
import type { Schemas } from '@/data/client';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import type { Grouping } from '@/frame/view';
import { clock, count, counted, lengthWords, percent, times } from '@/look/format';

export type RunningPart = Schemas['RunningPart'];

export interface Group {
  name: string;
  parts: RunningPart[];
}

/**
 * "24 parts, 3 off their usual · 13:55 to 14:00, against the same hours of up to 7 earlier days, and the 55 min just
 * before · height: how slow; a cap: changed suddenly"
 */
export function estateWords({ parts, window, before, usual }: Schemas['Estate'], off: number): string {
  const justBefore = `the ${lengthWords(before.toMs - before.fromMs)} just before`;
  const days = usual.length === 1 ? 'the day before' : `up to ${count(usual.length)} earlier days`;
  const against =
    usual.length === 0
      ? `${justBefore}; no earlier day is known, so what is usual is not`
      : `the same hours of ${days}, and ${justBefore}`;
  return [
    `${counted(parts.length, 'part')}, ${count(off)} off their usual`,
    `${clock(window.fromMs)} to ${clock(window.toMs)}, against ${against}`,
    'height: how slow; a cap: changed suddenly',
  ].join(' · ');
}

export const keyOf = ({ component, host }: RunningPart): string => `${component}|${host}`;
export const partName = ({ component, host }: RunningPart): string =>
  host === '' ? component : `${component} on ${host}`;

/** Off its normal: in a level of harm, silent, or with a figure that is not as usual. */
export const isOff = ({ level, figures }: RunningPart): boolean => level !== 'calm' || figures.length > 0;

const BADNESS: Record<RunningPart['level'], number> = { broken: 4, silent: 3, hurting: 2, strained: 1, calm: 0 };
/** By level, and within a level by how much of its host is not as usual. */
export const badnessOf = ({ level, figures }: RunningPart): number => BADNESS[level] + Math.min(9, figures.length) / 10;

/** What the list of parts sorts by, and what is saved. */
export const PART_COLUMNS: readonly Column<RunningPart>[] = [
  {
    ...figureColumn<RunningPart>('badness', 'Level', badnessOf),
    show: ({ level }) => level,
    save: ({ level }) => level,
  },
  textColumn('name', 'Part', partName),
  textColumn('application', 'Application', ({ application }) => application),
  textColumn('team', 'Team', ({ team }) => team),
  textColumn('zone', 'Zone', ({ region }) => region),
  textColumn('version', 'Version', ({ version }) => version),
  figureColumn('slowness', 'Duration, times usual', ({ slowness }) => slowness, { show: times }),
  figureColumn('attempts', 'Calls a minute', ({ attemptsPerMinute }) => attemptsPerMinute, { show: count }),
  figureColumn('usual', 'Calls a minute, usually', ({ usualPerMinute }) => usualPerMinute, { show: count }),
  figureColumn('failing', 'Share that fails', ({ failing }) => failing, { show: percent }),
];

/** Everything that runs in groups: stores and outside services stand apart where nobody tells theirs. */
export function groupsOf(parts: readonly RunningPart[], by: Grouping): Group[] {
  const groups = new Map<string, RunningPart[]>();
  for (const part of parts) {
    const name = groupName(part, by);
    const own = groups.get(name);
    if (own) own.push(part);
    else groups.set(name, [part]);
  }
  return [...groups]
    .map(([name, own]) => ({ name, parts: own }))
    .sort((a, b) => lastRank(a) - lastRank(b) || a.name.localeCompare(b.name));
}

const OTHERS = { store: 'stores', outside: 'outside services' } as const;

function groupName(part: RunningPart, by: Grouping): string {
  if (by === 'team') return part.team || 'nobody’s';
  if (part.kind !== 'service') return OTHERS[part.kind];
  if (by === 'region') return part.region || 'zone not reported';
  if (by === 'application') return part.application || 'application not reported';
  return part.version === '' ? `${part.component}, version not reported` : `${part.component} ${part.version}`;
}

const lastRank = ({ name }: Group) =>
  name === OTHERS.store
    ? 1
    : name === OTHERS.outside
      ? 2
      : name.endsWith('not reported') || name === 'nobody’s'
        ? 3
        : 0;

/** "4.1× as long as usual; 22 calls a minute, usually 21" */
export function partWords(part: RunningPart): string {
  const { level, changes, figures, slowness, attemptsPerMinute, beforePerMinute, usualPerMinute, failing } = part;
  return [
    ...changes,
    ...figures,
    changes.length === 0 &&
      slowness !== null &&
      `takes ${times(slowness)} as long as ${part.isUsualKnown ? 'usual' : 'just before'}`,
    `${rateWords(attemptsPerMinute)} calls a minute, ${usualPerMinute === null ? `just before ${rateWords(beforePerMinute)}` : `usually ${rateWords(usualPerMinute)}`}`,
    failing !== null && failing > 0 && `${percent(failing)} fail`,
    level === 'silent' && 'silent: no data is not calm',
  ]
    .filter(Boolean)
    .join('; ');
}

const LEVELS: Record<RunningPart['level'], Picket['level']> = {
  calm: 0,
  strained: 1,
  hurting: 2,
  broken: 3,
  silent: 3,
};

export const picketOf = (part: RunningPart): Picket => ({
  key: keyOf(part),
  words: `${partName(part)}: ${part.level}. ${partWords(part)}`,
  height: part.slowness,
  level: LEVELS[part.level] || (part.figures.length > 0 ? 1 : 0),
  isSilent: part.level === 'silent',
  isCapped: part.isSudden,
});
