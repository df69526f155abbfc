/**
 * Seeds that depend on what they are for alone, so that every stretch of a world can be made by itself, in any order.
 */

/** FNV-1a over the text's UTF-16 units. */
export function seedOfText(text: string): number {
  let h = 0x811c9dc5;
  for (const char of text) h = Math.imul(h ^ char.charCodeAt(0), 0x01000193) >>> 0;
  return h;
}

export function seedOfMinute(seed: number, minute: number): number {
  let h = Math.imul(seed ^ 0x5bd1e995, 0x9e3779b1) ^ Math.imul(minute, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** For the parts of a random world: its seed, a minute or a day, and which part. */
export function seedOfPart(seed: number, time: number, part: number): number {
  let h =
    Math.imul(seed ^ 0x5bd1e995, 0x9e3779b1) ^
    Math.imul(time + 0x7f4a7c15, 0x85ebca6b) ^
    Math.imul(part + 1, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 13), 0x27d4eb2f);
  return (h ^ (h >>> 16)) >>> 0;
}

/** @param at from 0 to 1 */
export const pick = <T>(values: readonly T[], at: number): T => values[Math.floor(at * values.length)] as T;
