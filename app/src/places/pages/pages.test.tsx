import { parseSort, sortRows } from '@/frame/table/columns';
import { pageColumns } from './page-columns';
import { VITALS } from '@toplens/core/pages';
import { countryMap } from '@/charts/country-shapes';
import { freeLabels } from '@/charts/free-labels';
import { trendWords } from '@/charts/vital-trend';
import { fetchedWords } from './load-page';
import { frameWords } from './error-stack';
import { errorsSentence } from './errors-place';
import { groupedParts } from './page-groups';
import {
  groupWords,
  mapTone,
  pagesSentence,
  valueName,
  vitalValue,
  whereSentences,
  type PageGroupFigures,
  type PageLoads,
} from './page-words';

const vitals = Object.fromEntries(VITALS.map((vital) => [vital, null])) as PageGroupFigures['vitals'];
const group = (more: Partial<PageGroupFigures> = {}): PageGroupFigures => ({
  name: '/send',
  views: 100,
  people: 40,
  loads: 100,
  parts: [1, 2, 3, 4, 5, 60, 20, 100, 50, 200, 10],
  meanMs: 455,
  medianMs: 400,
  weightMs: 45_500,
  shareOfWeight: 0.4,
  vitals: { ...vitals, lcp: { p75: 2600, rating: 'needsImprovement', views: 90 } },
  interactions: 10,
  errors: 0,
  shareWithErrors: 0,
  shareMissing: 0,
  ...more,
});
type Where = PageLoads['where'][number];
const where = (more: Partial<Where> = {}): Where => ({
  what: 'missing',
  dimension: 'country',
  verdict: 'here',
  hit: [{ name: 'IE', views: 100, here: 0.6, elsewhere: 0.004 }],
  ...more,
});

describe('page loads in words', () => {
  test('no data is not the same as nothing wrong', () => {
    expect(pagesSentence({ all: null, kinds: { load: 0, route: 0, frame: 0 } })).toBe(
      'No data: no page reported a load in this time.',
    );
    expect(errorsSentence({ groups: [], views: 0, isCut: false, window: { fromMs: 0, toMs: 1 } })).toMatch(
      /not the same as none/,
    );
  });

  test('a summary with what stands apart', () => {
    expect(pagesSentence({ all: group(), kinds: { load: 90, route: 10, frame: 3 } })).toBe(
      '100 views by 40 people, 10 without a load of their own, 3 frames apart; half of the loads within 400 ms; 10 interactions.',
    );
    const erring = group({ errors: 3, interactions: 0 });
    expect(pagesSentence({ all: erring, kinds: { load: 100, route: 0, frame: 0 } })).toBe(
      '100 views by 40 people; half of the loads within 400 ms; 3 script errors, 3 for 100 views.',
    );
  });

  test('only here or everywhere, the weightiest first', () => {
    const slow = where({
      what: 'slow',
      dimension: 'connection',
      verdict: 'more',
      hit: [{ name: '3g', views: 20, here: 0.2, elsewhere: 0.1 }],
    });
    const errors = where({ what: 'errors', verdict: 'everywhere', hit: [] });
    expect(whereSentences([slow, errors, where()])).toEqual([
      'Something does not come on 60 % of views from Ireland, elsewhere on 0.4 %: hardly anywhere else.',
      'What matters is shown after 2.5 s on 20 % of views over 3g, elsewhere on 10 %: elsewhere as well, but less.',
      'A script fails on some views: everywhere alike.',
    ]);
    expect(whereSentences([where({ hit: [{ name: 'IE', views: 100, here: 0.04, elsewhere: 0.02 }] })])[0]).toMatch(
      /elsewhere as well, but less\.$/,
    );
    const many = where({ hit: ['IE', 'NL', 'BE', 'FR'].map((name) => ({ name, views: 10, here: 0.5, elsewhere: 0 })) });
    expect(whereSentences([many])[0]).toBe(
      'Something does not come from Ireland (50 % of views), Netherlands (50 % of views), Belgium (50 % of views) and 1 more: hardly anywhere else.',
    );
  });

  test('with nothing to compare with, it is said all the same', () => {
    expect(whereSentences([], group({ shareMissing: 0.5, shareWithErrors: 0.01 }))).toEqual([
      'Something does not come on 50 % of views; there is nothing yet to compare them with.',
    ]);
  });

  test('by an average, pages with few views are marked and stand last', () => {
    const pages = [
      group({ views: 100 }),
      group({ name: '/slow', meanMs: 900, shareOfWeight: 0.03, views: 50 }),
      group({ name: '/rare', meanMs: 9_000, shareOfWeight: 0.01, views: 4 }),
    ];
    const sorted = (sort: string) =>
      sortRows(pages, parseSort(pageColumns('page'), sort, '-weight'), { countOf: ({ views }) => views });
    expect(sorted('-weight').rows.map(({ name }) => name)).toEqual(['/send', '/slow', '/rare']);
    expect(sorted('-meanMs').rows.map(({ name }) => name)).toEqual(['/slow', '/send', '/rare']);
    expect(sorted('-meanMs').few.size).toBe(1);
  });

  test('what was fetched: a size only where one is known, and a rate that is some is never told as none', () => {
    const of = (...bytes: number[]) => fetchedWords(bytes.map((one) => ({ bytes: one, missing: false })));
    expect(of(480_000, 0)).toBe(
      '2 resources, 480 kB over the network; 1 without a size: from the cache, or not told by their host',
    );
    expect(of(0)).toBe('1 resource; 1 without a size: from the cache, or not told by their host');
    const rare = group({ views: 10_000, errors: 1, interactions: 0 });
    expect(pagesSentence({ all: rare, kinds: { load: 10_000, route: 0, frame: 0 } })).toContain(
      '1 script error, under 0.1 for 100 views.',
    );
  });

  test('a page in a line', () => {
    expect(groupWords(group({ shareMissing: 0.2 }))).toBe(
      '100 views · 40 % of all time · mean 455 ms · LCP 2.6 s, needs improvement · something missing on 20 %',
    );
    expect(groupWords(group({ meanMs: null, vitals }))).toBe('100 views · no load of its own');
  });

  test('parts that stand together still add up to the load', () => {
    const { parts } = group();
    expect(groupedParts(parts).reduce((sum, ms) => sum + ms, 0)).toBe(parts.reduce((sum, ms) => sum + ms, 0));
    expect(groupedParts(parts)).toEqual([15, 60, 20, 100, 50, 210]);
  });

  test('values, places and curves', () => {
    expect([valueName('country', 'NL'), valueName('browser', 'NL'), valueName('country', '')]).toEqual([
      'Netherlands',
      'NL',
      'not told',
    ]);
    expect([vitalValue('cls', 0.034), vitalValue('lcp', 2600)]).toEqual(['0.03', '2.6 s']);
    expect(frameWords({ file: 'https://a.example/js/app.js', line: 1, column: 7, method: 'draw' })).toBe(
      'draw, /js/app.js:1:7',
    );
    expect(trendWords('TTFB', [null, 200, 400, null], (ms) => `${ms} ms`)).toBe(
      'TTFB: from 200 ms to 400 ms, last 400 ms',
    );
  });
});

describe('the map', () => {
  test('is toned by what differs most between countries', () => {
    const groups = [
      group({ name: 'IE', views: 100, shareMissing: 0.6 }),
      group({ name: 'GB', views: 300, shareMissing: 0 }),
    ];
    const byMissing = mapTone({ where: [where()], groups, all: group() });
    expect(byMissing.words).toMatch(/does not come/);
    expect(byMissing.ratioOf(groups[0] as PageGroupFigures)).toBeCloseTo(4);
    expect(mapTone({ where: [], groups, all: group() }).ratioOf(group())).toBe(1);
  });

  test('has every country that it can draw within its frame, one or forty', () => {
    const forty =
      'GB IE NL BE FR DE ES PT IT CH AT PL CZ SK HU RO BG GR TR UA NO SE FI DK US CA MX BR AR CL ZA EG KE NG IN CN JP KR AU NZ'.split(
        ' ',
      );
    for (const codes of [['GB'], ['GB', 'IE'], forty]) {
      const { shapes, without } = countryMap(codes, 360, 260);
      expect(without).toEqual([]);
      const centres = shapes.filter(({ code }) => codes.includes(code)).map(({ centre }) => centre);
      expect(centres).toHaveLength(codes.length);
      for (const centre of centres) {
        expect(centre?.[0]).toBeGreaterThanOrEqual(0);
        expect(centre?.[0]).toBeLessThanOrEqual(360);
        expect(centre?.[1]).toBeGreaterThanOrEqual(0);
        expect(centre?.[1]).toBeLessThanOrEqual(260);
      }
    }
  });

  test('says for which it has no shape', () => {
    // Natural Earth at 1:110 million leaves Singapore out (world-atlas 2.0.2).
    expect(countryMap(['SG', 'GB'], 360, 260).without).toEqual(['SG']);
    expect(countryMap([], 360, 260).shapes.length).toBeGreaterThan(150);
  });
});

test('on a crowded map the first labels stand, and none lies over another', () => {
  const label = (text: string, x: number, y: number) => ({ text, x, y });
  expect(
    freeLabels([label('NL', 100, 50), label('BE', 104, 56), label('DE', 130, 50), label('FR', 100, 70)]).map(
      ({ text }) => text,
    ),
  ).toEqual(['NL', 'DE', 'FR']);
});
