import { geoArea, geoContains } from 'd3-geo';
import { feature } from 'topojson-client';
import { partMap, partNames, type PartTopology } from './part-shapes';

// The app knows nothing of Node.js; this test reads the files that it fetches.
declare const __dirname: string;
const { readdirSync, readFileSync } = jest.requireActual<{
  readdirSync: (path: string) => string[];
  readFileSync: (path: string, encoding: 'utf8') => string;
}>('node:fs');

const DIRECTORY = `${__dirname}/../../public/parts`;
const read = (country: string) => JSON.parse(readFileSync(`${DIRECTORY}/${country}.json`, 'utf8')) as PartTopology;
const shipped = readdirSync(DIRECTORY).map((file) => file.slice(0, 2));
const SIZE = [360, 260] as const;

/** Where cities lie (longitude, latitude, of general knowledge) and in which part of their country. */
const CITIES: readonly (readonly [string, number, number])[] = [
  ['IE-L', -6.4, 53.3],
  ['IE-M', -8.6, 52.0],
  ['IE-C', -8.9, 53.5],
  ['GB-SCT', -3.4, 55.9],
  ['GB-WLS', -3.4, 51.6],
  ['GB-ENG', -1.9, 52.5],
  ['GB-NIR', -6.3, 54.6],
  ['FR-IDF', 2.35, 48.86],
  ['FR-NOR', 1.1, 49.4],
  ['FR-HDF', 3.06, 50.5],
  ['BE-VLG', 4.5, 51.2],
  ['BE-WAL', 5.5, 50.5],
  ['BE-BRU', 4.36, 50.84],
  ['NL-NH', 4.8, 52.5],
  ['DE-NW', 7.0, 51.0],
  ['DE-BY', 11.6, 48.2],
  ['US-CA', -119, 36.5],
];

test.each(CITIES)('%s lies where it is', (code, longitude, latitude) => {
  const topology = read(code.slice(0, 2));
  const { features } = feature(topology, topology.objects.parts);
  const part = features.find(({ id }) => id === code);
  expect(part && geoContains(part, [longitude, latitude])).toBe(true);
});

test('each country that is shipped is drawn: no part fills the world, and each has its circle within the frame', () => {
  expect(shipped.length).toBeGreaterThan(200);
  for (const country of shipped) {
    const topology = read(country);
    const { features } = feature(topology, topology.objects.parts);
    for (const part of features) expect([part.id, geoArea(part) < 1]).toEqual([part.id, true]);
    const codes = features.flatMap(({ id, properties }) => (id && properties.within === '' ? [String(id)] : []));
    const { shapes, without } = partMap(topology, codes, ...SIZE);
    expect(without).toEqual([]);
    for (const { code, centre } of shapes.filter(({ code: own }) => own !== '')) {
      expect([code, centre?.map((at, i) => at >= 0 && at <= (SIZE[i] as number))]).toEqual([code, [true, true]]);
    }
  }
});

test('parts of one level are drawn together; a code that nobody knows is told', () => {
  const topology = read('GB');
  const { shapes, without } = partMap(topology, ['GB-ENG', 'GB-XYZ'], ...SIZE);
  expect(without).toEqual(['GB-XYZ']);
  expect(shapes.map(({ code }) => code).sort()).toEqual(['GB-ENG', 'GB-NIR', 'GB-SCT', 'GB-WLS']);
  expect(shapes.filter(({ centre }) => centre).map(({ code }) => code)).toEqual(['GB-ENG']);
  expect(partMap(topology, [], ...SIZE).shapes.map(({ code }) => code)).toContain('GB-SCT');
  expect(partNames(topology).get('GB-WLS')).toBe('Wales');
});
