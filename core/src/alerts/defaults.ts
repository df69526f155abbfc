import { OWNER, type AlertRule } from './rules';

/** Few, and none that speaks of what nobody feels: common practice, no source. */
export const DEFAULT_RULES: readonly AlertRule[] = [
  { name: 'People are being hurt', watches: 'incident', points: 60, people: 20, to: [OWNER] },
  { name: 'A promise will break', watches: 'promise', chance: 0.5, to: [OWNER] },
];
