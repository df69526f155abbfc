import type { Schemas } from '@/data/client';
import { parseDecimal } from '@/frame/decimal';

export type File = Schemas['SettingsFile'];

/** One entry of a section, as the texts that stand in its fields. */
export type Entry = Record<string, string>;

export interface Column {
  name: string;
  label: string;
  hint?: string;
  isMultiline?: boolean;
  /** what is wrong with a text; `undefined` when nothing is */
  check?: (text: string) => string | undefined;
}

/** A part of the settings that is a list of entries: how it reads, and how it is written. */
export interface Section {
  key: string;
  title: string;
  /** what it is for, in a sentence */
  about: string;
  /** of one entry: "rule" */
  unit: string;
  columns: readonly Column[];
  /** the first entry that matches speaks: their order counts */
  isOrdered: boolean;
  /** an entry in one line */
  words: (entry: Entry) => string;
  entriesOf: (file: File) => Entry[];
  valueOf: (entries: readonly Entry[]) => unknown;
}

export const required = (what: string) => (text: string) => (text.trim() === '' ? what : undefined);
export const numberBetween = (least: number, most: number, what: string) => (text: string) => {
  const value = parseDecimal(text);
  return text.trim() === '' || (value >= least && value <= most) ? undefined : what;
};
export const lines = (text = '') =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
export const set = <T>(name: string, value: T | undefined) =>
  value === undefined || value === '' ? {} : { [name]: value };
export const numberOf = (text = '') => (text.trim() === '' ? undefined : parseDecimal(text));
