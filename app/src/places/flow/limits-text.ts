import { parseDecimal } from '@/frame/decimal';

/** Limits by name as people write them, a line each: "Ostrel: 2.5". */
export const limitsText = (limits: readonly { name: string; limitMs: number }[]): string =>
  limits.map(({ name, limitMs }) => `${name}: ${limitMs / 1000}`).join('\n');

/**
 * @param known names that may have a limit
 * @param unit what they are called: "site"
 * @returns milliseconds by name, or what is wrong and in which line
 */
export function parseLimits(
  text: string,
  known: readonly string[],
  unit: string,
): { limits: Record<string, number> } | { error: string } {
  const limits: Record<string, number> = {};
  const lines = text.split('\n');
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const where = `Line ${i + 1}: `;
    // The last colon parts them: names may hold one.
    const colon = line.lastIndexOf(':');
    if (colon < 0)
      return { error: `${where}write the ${unit}, a colon and seconds, as “${known[0] ?? 'North'}: 2.5”.` };
    const written = line.slice(0, colon).trim();
    const name = known.find((one) => one.toLowerCase() === written.toLowerCase());
    if (name === undefined)
      return {
        error: `${where}no ${unit} is called “${written}”. Known: ${known.slice(0, 8).join(', ')}${known.length > 8 ? ' …' : ''}.`,
      };
    const seconds = parseDecimal(line.slice(colon + 1));
    if (!(seconds > 0 && seconds <= 86_400)) return { error: `${where}seconds, more than 0 and at most a day.` };
    if (limits[name] !== undefined) return { error: `${where}${name} has a limit already, in a line above.` };
    limits[name] = Math.round(seconds * 1000);
  }
  return { limits };
}
