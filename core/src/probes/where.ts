import { isOff, isTelling, type ProbeStanding } from './standing';

/** site: the probe is off from there and well elsewhere; application: off from most sites; unknown: no other site tells. */
export const PROBE_PLACES = ['site', 'application', 'unknown'] as const;
export type ProbePlace = (typeof PROBE_PLACES)[number];

/**
 * Where what a probe sees lies, by how it stands from its other sites: off from more than half of them it is the
 * application, from fewer it is the site. Common practice, no source.
 *
 * @param others how the same probe stands from the other sites
 */
export function whereItLies(others: readonly ProbeStanding[]): ProbePlace {
  const telling = others.filter(isTelling);
  if (telling.length === 0) return 'unknown';
  return 2 * telling.filter(isOff).length > telling.length ? 'application' : 'site';
}

export const WHERE_WORDS: Readonly<Record<ProbePlace, string>> = {
  site: 'from most other sites it is well, so it is this site or its line',
  application: 'it is so from most sites, so it is the application',
  unknown: 'no other site tells, so it is the site or the application',
};
