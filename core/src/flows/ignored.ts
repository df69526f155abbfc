import { matchesPattern } from './rules';

/**
 * What is asked for at an entry and is nobody's business: checks of health, figures, and files that a page is made of.
 * Taken unless people say otherwise. Names of such addresses are common practice, no source.
 */
export const USUALLY_IGNORED: readonly string[] = [
  ...['/health', '/healthz', '/livez', '/readyz', '/ping', '/metrics', '/actuator/*', '/favicon.ico', '/robots.txt'],
  ...['css', 'gif', 'ico', 'jpg', 'js', 'map', 'png', 'svg', 'webp', 'woff', 'woff2'].map((type) => `/*.${type}`),
].map((address) => `* ${address}`);

/** Attempts at an address that the service does not have: what scanners and old links ask for. */
export const UNKNOWN_ADDRESSES = 'unknown addresses';

/** @param patterns of technical names; `*` stands for any text */
export const isIgnoredBy =
  (patterns: readonly string[]) =>
  (technicalName: string): boolean =>
    patterns.some((pattern) => matchesPattern(pattern, technicalName));
