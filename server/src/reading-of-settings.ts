import { isIgnoredBy } from '@toplens/core/flows';
import { lineReader } from '@toplens/core/money';
import type { Settings } from './settings/settings';
import type { Reading } from './intake/decode';

/** How telemetry is read by the settings as they are now. */
export const readingOf = (settings: Settings): Omit<Reading, 'limits' | 'withoutSecrets'> => ({
  entryServices: new Set(settings.entryServices),
  isIgnored: isIgnoredBy(settings.ignored),
  readLine: lineReader(settings.businessEvents),
  exchange: {
    currency: settings.currency,
    rates: new Map(settings.exchangeRates.map(({ currency, rate }) => [currency, rate])),
  },
});
