import { geoBounds, geoCentroid, geoMercator, geoPath } from 'd3-geo';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import type { DrawnMap, PlaceShape } from './circle-map';

/**
 * The parts of a country as `tools/country-parts.mjs` writes them (Natural Earth, public domain): each with its code by
 * ISO 3166-2, its name, and the code of the part that it lies in ('' for the country itself). Land without a code has no
 * id.
 */
export type PartTopology = Topology<{ parts: GeometryCollection<{ name: string; within: string }> }>;

/** Names of the parts, by code. */
export const partNames = ({ objects: { parts } }: PartTopology): ReadonlyMap<string, string> =>
  new Map(
    parts.geometries.flatMap(({ id, properties }) =>
      id && properties && 'name' in properties ? [[String(id), properties.name]] : [],
    ),
  );

/** Degrees around the parts that are in view. */
const AROUND = 0.3;
const PAD = 24;

/**
 * A country drawn so that the parts with people fill the space.
 *
 * @param codes ISO 3166-2 of the parts that must be in view; others that lie beside them are drawn as well
 */
export function partMap(topology: PartTopology, codes: readonly string[], width: number, height: number): DrawnMap {
  const { features } = feature(topology, topology.objects.parts);
  const asked = features.filter(({ id }) => codes.includes(String(id)));
  const levels = new Set(asked.length > 0 ? asked.map(({ properties }) => properties.within) : ['']);
  const drawn = features.filter(({ id, properties }) => id === undefined || levels.has(properties.within));
  const [[west, south], [right, north]] = geoBounds({
    type: 'FeatureCollection',
    features: asked.length > 0 ? asked : drawn,
  });
  // Where the date line runs through, the east end has the smaller number.
  const east = right < west ? right + 360 : right;
  const corners: [number, number][] = [
    [west - AROUND, Math.max(-85, south - AROUND)],
    [east + AROUND, Math.min(85, north + AROUND)],
  ];
  const projection = geoMercator()
    .rotate([-(west + east) / 2, 0])
    .fitExtent(
      [
        [PAD, PAD],
        [width - PAD, height - PAD],
      ],
      { type: 'MultiPoint', coordinates: corners },
    )
    .clipExtent([
      [0, 0],
      [width, height],
    ]);
  const path = geoPath(projection);
  const shapes = drawn.flatMap((part): PlaceShape[] => {
    const outline = path(part);
    const code = part.id === undefined ? '' : String(part.id);
    const centre = codes.includes(code) ? projection(geoCentroid(part)) : null;
    return outline === null ? [] : [{ code, path: outline, centre: centre ?? undefined }];
  });
  const known = new Set(asked.map(({ id }) => String(id)));
  return { shapes, without: codes.filter((code) => !known.has(code)) };
}
