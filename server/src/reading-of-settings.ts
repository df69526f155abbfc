import { DAY_MS } from '@toplens/core/time';
import { isIgnoredBy } from '@toplens/core/flows';
import { lineReader } from '@toplens/core/money';
import type { Settings } from './settings/settings';
import type { Reading } from './intake/decode';

/** How telemetry is read by the settings as they are now. */
export const readingOf = (settings: Settings): Omit<Reading, 'limits' | 'withoutSecrets'> => ({
  entryServices: new Set(settings.entryServices),
  isIgnored: isIgnoredBy(settings.ignored),
  readLine: lineReader(settings.businessEvents),
  keptMs: settings.retention.attempts === null ? Infinity : settings.retention.attempts * DAY_MS,
  exchange: {
    currency: settings.currency,
    rates: new Map(settings.exchangeRates.map(({ currency, rate }) => [currency, rate])),
  },
});
