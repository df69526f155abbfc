import Bowser from 'bowser';
import { getCountryForTimezone } from 'countries-and-timezones';

export interface BrowserWords {
  /** "Firefox 143" */
  browser: string;
  /** "Android phone", "Windows desktop" */
  system: string;
}

const NONE: BrowserWords = { browser: '', system: '' };
const CLASSES: Readonly<Record<string, string>> = { desktop: 'desktop', mobile: 'phone', tablet: 'tablet' };
const MOST_KEPT = 5_000;
const kept = new Map<string, BrowserWords>();

/**
 * What a User-Agent header says of browser and system; '' where it says nothing. There are few of them: each is read
 * once.
 */
export function browserWords(userAgent: string): BrowserWords {
  if (userAgent === '') return NONE;
  const known = kept.get(userAgent);
  if (known) return known;
  const { browser, os, platform } = Bowser.parse(userAgent);
  const words = {
    browser: [browser.name, browser.version?.split('.')[0]].filter(Boolean).join(' '),
    system: [os.name, CLASSES[platform.type ?? '']].filter(Boolean).join(' '),
  };
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(userAgent, words);
  return words;
}

/**
 * The country that a page told, else that of the browser's time zone (IANA time zone database): no address is looked
 * up.
 */
export const countryOf = (told: string, timeZone: string): string =>
  told || (timeZone === '' ? '' : (getCountryForTimezone(timeZone)?.id ?? ''));
