/** Kinds of what may happen, in the words of the filter. */
export const HAPPENING_KINDS = [
  'opened',
  'over',
  'early',
  'handoff',
  'proven',
  'promise',
  'crash',
  'alert',
  'release',
  'change',
] as const;
export type HappeningKind = (typeof HAPPENING_KINDS)[number];

/** Something that happened, at one moment. */
export interface Happening {
  /** the same for the same thing, whenever it is asked for */
  id: string;
  kind: HappeningKind;
  atMs: number;
  title: string;
  /** application that it is about; '' when of none alone */
  application: string;
  /** team that has it, or should get it; '' when not known */
  team: string;
  /** where it is seen in the interface, from the root: "/incident/12" */
  path: string;
}

/** Newest first; the same order for the same things. */
export const newestFirst = (all: readonly Happening[]): Happening[] =>
  [...all].sort((a, b) => b.atMs - a.atMs || (a.id < b.id ? -1 : 1));
