/**
 * What the page says in the script's tag: `<script src="…/snippet.js" data-key="…" data-version="1.4.0"
 * async></script>`.
 */
export interface Settings {
  /** where to send to, key included */
  url: string;
  application: string;
  version: string;
  /** ISO 3166-1 alpha-2, when the page knows better than the browser's time zone */
  country: string;
  /** ISO 3166-2, part of it */
  area: string;
  /** share of sessions that is told, above 0 to 1 */
  share: number;
  /** calls to these origins carry `traceparent`, beside the page's own */
  traceOrigins: readonly string[];
  /** nothing is kept in the browser, not even for the tab */
  keepsNothing: boolean;
}

/** `undefined` when the tag has no key, so that a page with a mistake in it is left alone. */
export function readSettings(script: HTMLScriptElement): Settings | undefined {
  const {
    key,
    application = '',
    version = '',
    country = '',
    area = '',
    share = '1',
    traceOrigins = '',
    storage,
  } = script.dataset;
  if (!key) return undefined;
  const told = Number(share);
  return {
    url: `${new URL(script.src).origin}/v1/browser?key=${encodeURIComponent(key)}`,
    application,
    version,
    country,
    area,
    share: told > 0 && told <= 1 ? told : 1,
    traceOrigins: [location.origin, ...traceOrigins.split(/[\s,]+/).filter(Boolean)],
    keepsNothing: storage === 'none',
  };
}

/** People who ask not to be followed are not: Do Not Track and Global Privacy Control. */
export const asksForPrivacy = (): boolean =>
  navigator.doNotTrack === '1' ||
  (navigator as Navigator & { globalPrivacyControl?: boolean }).globalPrivacyControl === true;
