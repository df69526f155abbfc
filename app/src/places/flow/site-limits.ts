import { parseDecimal } from '@/frame/decimal';

/** Limits of single sites as people write them, a line each: "Ostrel: 2.5". */
export const siteLimitsText = (limits: readonly { site: string; limitMs: number }[]): string =>
  limits.map(({ site, limitMs }) => `${site}: ${limitMs / 1000}`).join('\n');

/** @returns milliseconds by site, or what is wrong and in which line */
export function parseSiteLimits(
  text: string,
  sites: readonly string[],
): { limits: Record<string, number> } | { error: string } {
  const limits: Record<string, number> = {};
  const lines = text.split('\n');
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const where = `Line ${i + 1}: `;
    // The last colon parts them: names of sites may hold one.
    const colon = line.lastIndexOf(':');
    if (colon < 0) return { error: `${where}write the site, a colon and seconds, as “${sites[0] ?? 'North'}: 2.5”.` };
    const name = line.slice(0, colon).trim();
    const site = sites.find((one) => one.toLowerCase() === name.toLowerCase());
    if (site === undefined)
      return {
        error: `${where}no site is called “${name}”. Known: ${sites.slice(0, 8).join(', ')}${sites.length > 8 ? ' …' : ''}.`,
      };
    const seconds = parseDecimal(line.slice(colon + 1));
    if (!(seconds > 0 && seconds <= 86_400)) return { error: `${where}seconds, more than 0 and at most a day.` };
    if (limits[site] !== undefined) return { error: `${where}${site} has a limit already, in a line above.` };
    limits[site] = Math.round(seconds * 1000);
  }
  return { limits };
}
