import type { Schemas } from '@/data/client';
import type { HappeningKind } from '@/data/happened';
import { clock, counted } from '@/look/format';

export const KIND_WORDS: Readonly<Record<HappeningKind, string>> = {
  opened: 'opened',
  over: 'over',
  early: 'early warning',
  handoff: 'handoff',
  proven: 'proven',
  promise: 'promise',
  crash: 'crash',
  alert: 'alert',
  release: 'release',
  change: 'change',
};

/** "14 things happened from 11:02 to 12:02." */
export function happenedSentence({ happenings, isCut, window }: Schemas['Happened']): string {
  const when = `from ${clock(window.fromMs, window.toMs)} to ${clock(window.toMs)}`;
  if (happenings.length === 0) return `Nothing of it happened ${when}.`;
  const told = `${counted(happenings.length, 'thing')} happened ${when}`;
  return isCut ? `More than ${told}: the newest are listed.` : `${told}, newest first.`;
}
