import type { PlaceFigure } from '@/charts/circle-map';
import { mapTone, valueName, type PageLoads } from './page-words';

/**
 * Countries, or parts of one, as a map shows them.
 *
 * @param groups those that are shown; they are toned against all
 */
export function placeFigures(
  pages: PageLoads,
  groups: PageLoads['groups'],
  { by, nameOf = (name) => valueName(by, name) }: { by: 'country' | 'area'; nameOf?: (code: string) => string },
): PlaceFigure[] {
  const { ratioOf } = mapTone(pages, by);
  return groups
    .filter(({ name }) => name !== '')
    .map((group) => ({ code: group.name, name: nameOf(group.name), views: group.views, ratio: ratioOf(group) }));
}
