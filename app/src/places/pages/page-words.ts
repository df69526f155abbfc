import { rateWords } from '@toplens/core/words';
import { PARTS, type Part, type Rating, type Vital } from '@toplens/core/pages';
import type { Schemas } from '@/data/client';
import type { PageGroup } from '@/frame/view';
import { count, counted, durationWords, percent } from '@/look/format';

export type PageLoads = Schemas['PageLoads'];
export type PageGroupFigures = Schemas['PageGroup'];
type Where = Schemas['PageWhere'];

export const VITAL_WORDS: Readonly<Record<Vital, string>> = {
  ttfb: 'TTFB',
  fcp: 'FCP',
  lcp: 'LCP',
  inp: 'INP',
  cls: 'CLS',
};
/** Their standard names, said once in full where they are shown (web-vitals, W3C). */
export const VITAL_NAMES: Readonly<Record<Vital, string>> = {
  ttfb: 'Time to First Byte',
  fcp: 'First Contentful Paint',
  lcp: 'Largest Contentful Paint',
  inp: 'Interaction to Next Paint',
  cls: 'Cumulative Layout Shift',
};
export const RATING_WORDS: Readonly<Record<Rating, string>> = {
  good: 'good',
  needsImprovement: 'needs improvement',
  poor: 'poor',
};

export const vitalValue = (vital: Vital, value: number): string =>
  vital === 'cls' ? value.toFixed(2) : durationWords(value);

/** Parts that stand together in a bar: eleven would melt into one another. */
export const PART_GROUPS: readonly { words: string; parts: readonly Part[] }[] = [
  { words: 'reaching the server', parts: ['redirect', 'cache', 'lookup', 'connect', 'tls'] },
  { words: 'waiting for it', parts: ['waiting'] },
  { words: 'transfer', parts: ['transfer'] },
  { words: 'reading the page', parts: ['dom'] },
  { words: 'scripts', parts: ['scripts'] },
  { words: 'pictures and styles', parts: ['resources', 'handlers'] },
];

/** Each part of a load as it is told by itself. */
export const PART_WORDS: Readonly<Record<Part, string>> = {
  redirect: 'redirect',
  cache: 'cache',
  lookup: 'name lookup',
  connect: 'connecting',
  tls: 'TLS',
  waiting: 'waiting for the server',
  transfer: 'transfer',
  dom: 'reading the page',
  scripts: 'scripts',
  resources: 'pictures and styles',
  handlers: 'handlers of its load',
};

/** "waiting for the server 210 ms, transfer 40 ms; no time in redirect, cache" */
export function partsWords(parts: readonly number[]): string {
  const told = PARTS.map((part, i) => ({ words: PART_WORDS[part], ms: parts[i] ?? 0 }));
  const spent = told.filter(({ ms }) => ms > 0).map(({ words, ms }) => `${words} ${durationWords(ms)}`);
  const none = told.filter(({ ms }) => ms === 0).map(({ words }) => words);
  return `${spent.join(', ')}${none.length === 0 ? '' : `; no time in ${none.join(', ')}`}`;
}

const countries = new Intl.DisplayNames('en-GB', { type: 'region', fallback: 'code' });

/** A value as people say it: countries by name. */
export const valueName = (group: PageGroup, value: string): string =>
  value === '' ? 'not told' : group === 'country' && /^[A-Z]{2}$/.test(value) ? (countries.of(value) ?? value) : value;

export const GROUP_WORDS: Readonly<Record<PageGroup, string>> = {
  page: 'page',
  country: 'country',
  area: 'part of a country',
  browser: 'browser',
  system: 'system',
  connection: 'connection',
  version: 'version',
};

/** "3,714 views by 1,352 people; half of the loads within 0.9 s." */
export function pagesSentence({ all, kinds }: Pick<PageLoads, 'all' | 'kinds'>): string {
  if (!all) return 'No data: no page reported a load in this time.';
  const people = all.people > 0 ? ` by ${count(all.people)} ${all.people === 1 ? 'person' : 'people'}` : '';
  const acts = all.interactions >= 0.5 ? `; ${counted(all.interactions, 'interaction')}` : '';
  const errors =
    all.errors >= 0.5 ? `; ${counted(all.errors, 'script error')}, ${forHundredViews(all.errors, all.views)}` : '';
  const half = all.medianMs === null ? '' : `; half of the loads within ${durationWords(all.medianMs)}`;
  const apart = [
    kinds.route > 0 && `${count(kinds.route)} without a load of their own`,
    kinds.frame > 0 && `${count(kinds.frame)} frames apart`,
  ].filter(Boolean);
  return `${count(all.views)} ${all.views === 1 ? 'view' : 'views'}${people}${apart.length > 0 ? `, ${apart.join(', ')}` : ''}${half}${acts}${errors}.`;
}

/** How many of it there are for the views: "3.2 for 100 views". */
const forHundredViews = (n: number, views: number) => `${rateWords((n / views) * 100)} for 100 views`;

const WHAT: Readonly<Record<Where['what'], string>> = {
  slow: 'What matters is shown after 2.5 s',
  missing: 'Something does not come',
  errors: 'A script fails',
};
const WHERE: Readonly<Record<PageGroup, string>> = {
  page: 'of',
  country: 'from',
  area: 'from',
  browser: 'in',
  system: 'on',
  connection: 'over',
  version: 'of version',
};
const MOST_NAMED = 3;
/** Below this share it is one of the usual blemishes. */
const HARDLY = 0.02;

/**
 * Only here, or everywhere? One sentence for each thing that is wrong and each dimension in which it differs, worst
 * first.
 */
export function whereSentences(
  where: readonly Where[],
  all: Pick<PageGroupFigures, 'shareMissing' | 'shareWithErrors'> | null = null,
): string[] {
  const differing = where.filter(({ verdict }) => verdict !== 'everywhere').sort((a, b) => weightOf(b) - weightOf(a));
  const alike = (Object.keys(WHAT) as Where['what'][]).filter(
    (what) => where.some((one) => one.what === what) && !differing.some((one) => one.what === what),
  );
  // Nothing to compare with: one country, one browser, or too few views.
  const shares = { slow: 0, missing: all?.shareMissing ?? 0, errors: all?.shareWithErrors ?? 0 };
  const alone = (Object.keys(WHAT) as Where['what'][]).filter(
    (what) => shares[what] >= HARDLY && !where.some((one) => one.what === what),
  );
  return [
    ...differing.map(whereSentence),
    ...alone.map(
      (what) => `${WHAT[what]} on ${percent(shares[what])} of views; there is nothing yet to compare them with.`,
    ),
    ...alike.map((what) => `${WHAT[what]} on some views: everywhere alike.`),
  ];
}

/** So many times as often as elsewhere, or next to never there: hardly anywhere else. */
const HARDLY_ELSEWHERE = { times: 5, share: 0.01 };

/** Views beyond what the rest would have had. */
const weightOf = ({ hit }: Where): number =>
  hit.reduce((sum, { views, here, elsewhere }) => sum + views * (here - elsewhere), 0);

function whereSentence({ what, dimension, verdict, hit }: Where): string {
  const group = dimension as PageGroup;
  const [first] = hit;
  const isHardly = hit.every(
    ({ here, elsewhere }) => elsewhere < HARDLY_ELSEWHERE.share || here >= HARDLY_ELSEWHERE.times * elsewhere,
  );
  const ends = verdict === 'here' && isHardly ? 'hardly anywhere else' : 'elsewhere as well, but less';
  if (hit.length === 1 && first)
    return `${WHAT[what]} on ${percent(first.here)} of views ${WHERE[group]} ${valueName(group, first.name)}, elsewhere on ${percent(first.elsewhere)}: ${ends}.`;
  const named = hit
    .slice(0, MOST_NAMED)
    .map(({ name, here }) => `${valueName(group, name)} (${percent(here)} of views)`);
  const more = hit.length > MOST_NAMED ? ` and ${count(hit.length - MOST_NAMED)} more` : '';
  return `${WHAT[what]} ${WHERE[group]} ${named.join(', ')}${more}: ${ends}.`;
}

/**
 * By what a map of countries, or of the parts of one, is toned: what differs most between them, else how late what
 * matters is shown.
 */
export function mapTone(
  { where, groups, all }: Pick<PageLoads, 'where' | 'groups' | 'all'>,
  by: 'country' | 'area' = 'country',
): {
  words: string;
  ratioOf: (group: PageGroupFigures) => number | undefined;
} {
  const [worst] = where
    .filter(({ dimension, verdict }) => (dimension === by || dimension === 'country') && verdict !== 'everywhere')
    .sort((a, b) => weightOf(b) - weightOf(a));
  const views = groups.reduce((sum, group) => sum + group.views, 0);
  const against = (shareOf: (group: PageGroupFigures) => number) => (group: PageGroupFigures) => {
    const whole = groups.reduce((sum, one) => sum + shareOf(one) * one.views, 0) / Math.max(1, views);
    return whole > 0 ? shareOf(group) / whole : undefined;
  };
  if (worst?.what === 'missing')
    return {
      words: 'something does not come more often than in all together',
      ratioOf: against(({ shareMissing }) => shareMissing),
    };
  if (worst?.what === 'errors')
    return {
      words: 'scripts fail more often than in all together',
      ratioOf: against(({ shareWithErrors }) => shareWithErrors),
    };
  return {
    words: 'what matters is shown later than in all together',
    ratioOf: ({ vitals }) => (vitals.lcp && all?.vitals.lcp ? vitals.lcp.p75 / all.vitals.lcp.p75 : undefined),
  };
}

/** "824 views · 29 % of all time · mean 1.1 s · largest shown 1.2 s, good · 3 % with script errors" */
export function groupWords({
  views,
  shareOfWeight,
  meanMs,
  vitals,
  shareWithErrors,
  shareMissing,
}: PageGroupFigures): string {
  const { lcp, inp } = vitals;
  return [
    `${count(views)} ${views === 1 ? 'view' : 'views'}`,
    meanMs !== null && `${percent(shareOfWeight)} of all time`,
    meanMs === null ? 'no load of its own' : `mean ${durationWords(meanMs)}`,
    lcp && `LCP ${durationWords(lcp.p75)}, ${RATING_WORDS[lcp.rating]}`,
    !lcp && inp && `INP ${durationWords(inp.p75)}, ${RATING_WORDS[inp.rating]}`,
    shareWithErrors >= 0.005 && `${percent(shareWithErrors)} with script errors`,
    shareMissing >= 0.005 && `something missing on ${percent(shareMissing)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}
