// `node tools/country-parts.mjs ADMIN1`: writes app/public/parts/XX.json, the parts of each country for the map of page
// loads. ADMIN1 is Natural Earth's "Admin 1 – States, Provinces" at 1:10m as GeoJSON (public domain); the codes of parts
// that are made of others (provinces of counties, nations of districts) are those of ISO 3166-2, by the package iso-3166.
// Run again only when Natural Earth or ISO 3166-2 changes.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { iso31662 } from 'iso-3166';
import { feature, mergeArcs, quantize } from 'topojson-client';
import { topology } from 'topojson-server';
import { filter, filterAttachedWeight, presimplify, quantile, simplify } from 'topojson-simplify';
import { root } from './setup.mjs';

const DIRECTORY = join(root, 'app', 'public', 'parts');
/** Steps of the grid across a country: a map is some 600 points wide. */
const GRID = 800;
/** Points that a country keeps, about: more are not to be seen on a map of that size. */
const POINTS = 900;

const parts = new Map(iso31662.map((part) => [part.code, part]));

/** What Natural Earth calls otherwise than ISO 3166-2. */
const WHOLES = { 'Flemish Region': 'BE-VLG', 'Walloon Region': 'BE-WAL' };

/** Codes that a feature belongs to, the smallest first: its own, then what it is a part of. */
function codesOf({ iso_3166_2: own, iso_a2: country, region, region_cod: regionCode, geonunit }) {
  const named = (name) => iso31662.find((part) => part.code.startsWith(`${country}-`) && part.name === name)?.code;
  const first = parts.has(own) ? own : [regionCode, named(region), named(geonunit)].find((code) => parts.has(code));
  const codes = [];
  for (let code = first; parts.has(code); code = parts.get(code).parent) codes.push(code);
  // Where the package knows no part between this one and the country, Natural Earth tells it by its name.
  const around = WHOLES[geonunit] ?? named(geonunit);
  return around && !codes.includes(around) ? [...codes, around] : codes;
}

const ringArea = (ring) => ring.slice(1).reduce((sum, [x, y], i) => sum + ring[i][0] * y - x * ring[i][1], 0);
/** Outlines run clockwise and holes against it: on a sphere the other way round is the rest of the world. */
const wound = (rings) => rings.map((ring, i) => (ringArea(ring) < 0 === (i === 0) ? ring : [...ring].reverse()));
const rewound = ({ type, coordinates }) => ({
  type,
  coordinates: type === 'Polygon' ? wound(coordinates) : coordinates.map(wound),
});

/** Polygons of which something is left on the grid: an islet that became a line has no inside. */
const whole = (topology, arcs) => ({
  type: 'MultiPolygon',
  arcs: arcs.flatMap((rings) => {
    const [outline, ...holes] = rings.filter((ring, i) => {
      const [drawn] = feature(topology, { type: 'Polygon', arcs: [ring] }).geometry.coordinates;
      return ringArea(drawn) < 0 === (i === 0) && ringArea(drawn) !== 0;
    });
    return outline === rings[0] ? [[outline, ...holes]] : [];
  }),
});

function mapOf(features) {
  const leaves = {
    type: 'FeatureCollection',
    features: features.map(({ geometry, properties }) => ({
      type: 'Feature',
      geometry: rewound(geometry),
      properties: { codes: codesOf(properties) },
    })),
  };
  const weighed = presimplify(topology({ parts: leaves }, 1e6));
  const points = weighed.arcs.reduce((sum, arc) => sum + arc.length, 0);
  const least = quantile(weighed, Math.min(1, POINTS / points));
  const simple = simplify(weighed, least);
  const small = quantize(filter(simple, filterAttachedWeight(simple, least)), GRID);
  const { geometries } = small.objects.parts;
  const withinOf = new Map(
    geometries.flatMap(({ properties: { codes } }) => codes.map((code, i) => [code, codes[i + 1] ?? ''])),
  );
  const merged = [...withinOf.keys()].sort().flatMap((code) => {
    const { arcs } = mergeArcs(
      small,
      geometries.filter(({ properties, type }) => type && properties.codes.includes(code)),
    );
    const own = whole(small, arcs);
    const properties = { name: parts.get(code).name, within: withinOf.get(code) };
    return own.arcs.length > 0 ? [{ ...own, id: code, properties }] : [];
  });
  const nameless = geometries
    .filter(({ properties, type }) => type && properties.codes.length === 0)
    .map((geometry) => whole(small, mergeArcs(small, [geometry]).arcs))
    .filter(({ arcs }) => arcs.length > 0);
  return { ...small, objects: { parts: { type: 'GeometryCollection', geometries: [...merged, ...nameless] } } };
}

const { features } = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const byCountry = new Map();
for (const feature of features) {
  const { iso_a2: country } = feature.properties;
  byCountry.set(country, [...(byCountry.get(country) ?? []), feature]);
}
rmSync(DIRECTORY, { recursive: true, force: true });
mkdirSync(DIRECTORY, { recursive: true });
for (const [country, own] of byCountry)
  if (/^[A-Z]{2}$/.test(country) && own.length > 1)
    writeFileSync(join(DIRECTORY, `${country}.json`), `${JSON.stringify(mapOf(own))}\n`);
