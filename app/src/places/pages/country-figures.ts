import type { CountryFigure } from '@/charts/country-map';
import { mapTone, valueName, type PageLoads } from './page-words';

/** @param groups those that are shown; they are toned against all */
export function countryFigures(pages: PageLoads, groups: PageLoads['groups']): CountryFigure[] {
  const { ratioOf } = mapTone(pages);
  return groups
    .filter(({ name }) => name !== '')
    .map((group) => ({
      code: group.name,
      name: valueName('country', group.name),
      views: group.views,
      ratio: ratioOf(group),
    }));
}
