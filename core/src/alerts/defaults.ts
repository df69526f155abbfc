import { OWNER, type AlertRule } from './rules';

/**
 * Few, and none that speaks of what nobody feels: whatever hurts 50 people is told (bench/truth/alerts.ts), with some room
 * for what is not known of them. The chance is common practice, no source.
 */
export const DEFAULT_RULES: readonly AlertRule[] = [
  { name: 'People are being hurt', watches: 'incident', people: 40, to: [OWNER] },
  { name: 'A promise will break', watches: 'promise', chance: 0.5, to: [OWNER] },
];
