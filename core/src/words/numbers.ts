/** Numbers as sentences say them: never more digits than the data supports, never a false none or all. */

/** Whole number with thousands separated: 1,284. */
export const count = (value: number): string => Math.round(value).toLocaleString('en-GB');

/** One digit after the point below ten, none above: 4.1×, 12×. */
export const times = (ratio: number): string => `${ratio < 10 ? ratio.toFixed(1) : count(ratio)}×`;

/** At most two digits that matter: 0.4 %, 12 %. Some is never rounded to none, and nearly all never to all: 99.6 %. */
export function percent(share: number): string {
  if (share > 0 && share < 0.0005) return 'under 0.1 %';
  if (share >= 0.9995 && share < 1) return 'over 99.9 %';
  const isNearAnEnd = share < 0.1 || (share >= 0.995 && share < 1);
  return `${(share * 100).toFixed(isNearAnEnd ? 1 : 0).replace(/\.0$/, '')} %`;
}

/** A share with all its digits, as somebody set it: "99.95 %". */
export const exactPercent = (share: number): string => `${Number((share * 100).toFixed(6))} %`;

/** A share cut, not rounded: what is short of a target never looks like it. 100 % is all of them. */
export function percentCut(share: number, digits: number): string {
  const scale = 10 ** digits;
  return `${share === 1 ? 100 : Math.min(100 - 1 / scale, Math.floor(share * 100 * scale + 1e-6) / scale)} %`;
}

const SIZES = ['byte', 'kilobyte', 'megabyte', 'gigabyte'] as const;

/** A size in bytes, by powers of a thousand (SI): "640 bytes", "48 kB", "1.2 MB". */
export function sizeWords(bytes: number): string {
  const step = Math.min(SIZES.length - 1, Math.max(0, Math.floor(Math.log10(Math.max(1, bytes)) / 3)));
  const value = bytes / 1000 ** step;
  return new Intl.NumberFormat('en-GB', {
    style: 'unit',
    unit: SIZES[step] as string,
    unitDisplay: step === 0 ? 'long' : 'short',
    maximumFractionDigits: step > 0 && value < 10 ? 1 : 0,
  }).format(value);
}

const plural = new Intl.PluralRules('en-GB');
const ordinal = new Intl.PluralRules('en-GB', { type: 'ordinal' });
const SUFFIXES = { one: 'st', two: 'nd', few: 'rd', other: 'th', zero: 'th', many: 'th' } as const;

/**
 * A number with what it counts, as many as are written.
 *
 * @param one the word for one
 * @param many the word for any other number; one with an s when left out
 * @example counted(1, 'attempt') // '1 attempt'
 * @example counted(1284.3, 'person', 'people') // '1,284 people'
 */
export const counted = (value: number, one: string, many = `${one}s`): string =>
  `${count(value)} ${plural.select(Math.round(value)) === 'one' ? one : many}`;

/** 1st, 2nd, 3rd, 11th. */
export const nth = (place: number): string => `${count(place)}${SUFFIXES[ordinal.select(place)]}`;

const NUMBER_WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

/** Up to nine as a word, above in figures: "no", "three", "12". */
export const inWords = (n: number): string => NUMBER_WORDS[n] ?? count(n);

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * How often something is, in a minute or of a hundred: no more digits than the data supports, and some is never told as
 * none.
 *
 * @example rateWords(8.46) // '8.5'; 0.03: 'under 0.1'; 21.4: '21'
 */
export function rateWords(rate: number): string {
  if (rate > 0 && rate < 0.05) return 'under 0.1';
  return rate < 9.95 ? String(Number(rate.toFixed(1))) : count(Math.round(rate));
}
