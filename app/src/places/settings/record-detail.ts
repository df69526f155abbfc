import { clock } from '@/look/format';

/** Signs that part a name for machines (settings of one flow), and stand for nothing that people read. */
const PARTS = /\u001f+/g;

/** "limitMs" is "limit", "isEnded" is "ended", "siteLimitsMs" is "site limits". */
const nameWords = (name: string): string =>
  name
    .replace(/^(?:is|has)(?=[A-Z])/, '')
    .replace(/Ms$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

const isMoment = (name: string, value: number): boolean =>
  /(?:at|from|to|until|ends?|made|seen)Ms$/i.test(name) && value > 1e12;

/** What was given, as people read it: no JSON. */
function valueWords(name: string, value: unknown): string {
  if (value === null || value === '') return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    if (isMoment(name, value)) return clock(value);
    return name.endsWith('Ms') ? `${value} ms` : String(value);
  }
  if (typeof value === 'string') return value.replace(PARTS, ' · ');
  if (Array.isArray(value)) return value.map((one) => valueWords('', one)).join('; ') || 'none';
  return (
    Object.entries(value as object)
      .map(([key, one]) => `${nameWords(key)} ${valueWords(key, one)}`)
      .join(', ') || 'none'
  );
}

/**
 * The detail of a record, a line for each thing that was given.
 *
 * @param detail JSON, as it is kept and chained
 * @example detailLines('{"why":"a letter","before":{"isEnded":false}}') // ['Why: a letter', 'Before: ended no']
 */
export function detailLines(detail: string): string[] {
  let given: unknown;
  try {
    given = JSON.parse(detail);
  } catch {
    return [detail];
  }
  if (typeof given !== 'object' || given === null) return [detail];
  return Object.entries(given).map(([name, value]) => {
    const words = name === 'cut' ? 'cut off' : nameWords(name);
    return `${words.charAt(0).toUpperCase()}${words.slice(1)}: ${valueWords(name, value)}`;
  });
}
