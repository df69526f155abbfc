import codes from 'i18n-iso-countries/codes.json';
import { geoBounds, geoCentroid, geoNaturalEarth1, geoPath } from 'd3-geo';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import world from 'world-atlas/countries-110m.json';
import type { DrawnMap, PlaceShape } from './circle-map';

const topology = world as unknown as Topology<{ countries: GeometryCollection<{ name: string }> }>;
const countries = feature(topology, topology.objects.countries).features;

/** ISO 3166-1: numeric code → alpha-2. */
const CODES: ReadonlyMap<string, string> = new Map(
  (codes as [alpha2: string, alpha3: string, numeric: string, more: string][]).map(([code, , number]) => [
    number,
    code,
  ]),
);
/** Centres that fall far from where most people live, because of land beyond the seas: longitude, latitude. */
const CENTRES: Readonly<Record<string, [number, number]>> = {
  FR: [2.4, 46.6],
  US: [-98.5, 39.5],
  NO: [9.5, 61.5],
  NL: [5.5, 52.2],
};

/**
 * The countries of the world (Natural Earth, public domain, by world-atlas 2.0.2) drawn so that those with people fill
 * the space.
 *
 * @param codes ISO 3166-1 alpha-2 of the countries that must be in view
 */
export function countryMap(codes: readonly string[], width: number, height: number): DrawnMap {
  const byCode = new Map(countries.map((country) => [CODES.get(String(country.id)) ?? '', country]));
  const known = codes.flatMap((code) => byCode.get(code) ?? []);
  const centreOf = (code: string) => {
    const country = byCode.get(code);
    return CENTRES[code] ?? (country && geoCentroid(country));
  };
  const centres = codes.flatMap((code) => (centreOf(code) ? [centreOf(code) as [number, number]] : []));
  const projection = geoNaturalEarth1();
  const pad = 28;
  if (known.length === 0) projection.fitSize([width, height], { type: 'Sphere' });
  else
    projection.fitExtent(
      [
        [pad, pad],
        [width - pad, height - pad],
      ],
      { type: 'MultiPoint', coordinates: frameOf(centres) },
    );
  projection.clipExtent([
    [0, 0],
    [width, height],
  ]);
  const path = geoPath(projection);
  const shapes = countries.flatMap((country): PlaceShape[] => {
    const drawn = path(country);
    const code = CODES.get(String(country.id)) ?? '';
    const centre = codes.includes(code) ? centreOf(code) : undefined;
    return drawn === null ? [] : [{ code, path: drawn, centre: centre && (projection(centre) ?? undefined) }];
  });
  return { shapes, without: codes.filter((code) => !byCode.has(code)) };
}

/** Least degrees that are in view, so that one country does not fill it alone. */
const LEAST_DEGREES = 9;

function frameOf(centres: readonly [number, number][]): [number, number][] {
  const [[west, south], [east, north]] = geoBounds({ type: 'MultiPoint', coordinates: [...centres] });
  const [x, y] = [(west + east) / 2, (south + north) / 2];
  const [dx, dy] = [Math.max(LEAST_DEGREES, east - west) / 2 + 2, Math.max(LEAST_DEGREES * 0.7, north - south) / 2 + 2];
  // Meridians bend: the corners alone would not keep all centres in view.
  return [...centres, [x - dx, Math.max(-85, y - dy)], [x + dx, Math.min(85, y + dy)]];
}
