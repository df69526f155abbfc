import { VITALS, type Vital } from '@toplens/core/pages';
import { lazy, Suspense, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { SharedMoment } from '@/charts/moment';
import { VitalTrend } from '@/charts/vital-trend';
import { usePageLoads } from '@/data/pages';
import { Door } from '@/frame/door';
import { useKeptCountries } from '@/frame/kept';
import { Strip } from '@/frame/strip';
import { NARROWING, PAGE_GROUPS, useView, type PageGroup } from '@/frame/view';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH, TWO_COLUMNS_FROM } from '@/look/tokens';
import { CountryParts } from './country-parts';
import { placeFigures } from './place-figures';
import { PageChips } from './page-chips';
import { PeopleFrame } from '../people/people-frame';
import { BackgroundCalls, Frames, ResourceHosts, WorstLoads } from './page-lists';
import { PageGroups, PartsLegend } from './page-groups';
import { PartColumns } from './part-columns';
import {
  GROUP_WORDS,
  mapTone,
  pagesSentence,
  RATING_WORDS,
  VITAL_NAMES,
  VITAL_WORDS,
  vitalValue,
  whereSentences,
  type PageLoads,
} from './page-words';

// The shapes of the world are a third of all else: they come when somebody looks at countries.
const CountryMap = lazy(() => import('@/charts/country-map'));
const BY = PAGE_GROUPS.map((value) => ({ value, words: value === 'page' ? 'by page' : GROUP_WORDS[value] }));

/** Page loads as browsers had them: what matters to people, where it is worse, and what does not come. */
export function PagesPlace() {
  const { width } = useWindowDimensions();
  const { view, setView } = useView();
  const { data, error, refetch } = usePageLoads(view);
  const by = view.pagesBy ?? 'page';
  const palette = usePalette();
  const choose = (next: PageGroup) => {
    const { pagesBy: _by, ...rest } = view;
    setView(next === 'page' ? rest : { ...rest, pagesBy: next });
  };
  const narrow = (value: string) => setView(narrowedTo(view, by, value));
  const ignored = NARROWING.filter((name) => view[name] !== undefined && name !== 'version' && name !== 'application');
  const isInColumns = width >= TWO_COLUMNS_FROM;
  return (
    <PeopleFrame
      title={view.page ?? 'Page loads'}
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
    >
      <Words kind="title" level={1}>
        {view.page ?? 'Page loads'}
      </Words>
      <PageChips />
      {ignored.length > 0 && (
        <Words kind="muted">{`Page loads are not filtered by ${ignored.join(', ')}: browsers do not report it.`}</Words>
      )}
      {!data && !error && <Words kind="muted">Reading what browsers reported …</Words>}
      {data && (
        <SharedMoment>
          <Words testID="pages-sentence">{pagesSentence(data)}</Words>
          {data.flow !== null && (
            <Door path={`/flow/${data.flow}`} style={styles.door}>
              <Words style={{ color: palette.action }}>How it is judged: limit, importance, its usual day</Words>
            </Door>
          )}
          {data.kept < 1 && <Words kind="muted">{`Counted from every ${count(1 / data.kept)}th view.`}</Words>}
          {data.all === null && <NothingYet />}
          {data.all && (
            <>
              <View role="list" aria-label="Where it is worse" testID="pages-where">
                {whereSentences(data.where, data.all).map((sentence, i) => (
                  <View role="listitem" key={sentence} style={styles.where}>
                    <Words kind={i === 0 ? 'strong' : 'body'}>{sentence}</Words>
                  </View>
                ))}
              </View>
              <Vitals pages={data} isWide={width >= 700} />
              <PartColumns pages={data} />
              <Strip label="Told apart" options={BY} chosen={by} onChoose={choose} />
              <View style={isInColumns ? styles.columns : styles.stack}>
                <View style={isInColumns ? styles.wide : styles.stack}>
                  {by === 'country' ? (
                    <Countries pages={data} onNarrow={narrow} />
                  ) : by === 'area' ? (
                    <CountryParts pages={data} onNarrow={narrow} />
                  ) : (
                    <PageGroups by={by} groups={data.groups} onNarrow={narrow} />
                  )}
                  <PartsLegend />
                </View>
                <View style={isInColumns ? styles.column : styles.stack}>
                  <ResourceHosts hosts={data.hosts} />
                  <Frames frames={data.frames} />
                  <BackgroundCalls calls={data.calls} />
                  <WorstLoads loads={data.worst} toMs={data.window.toMs} />
                </View>
              </View>
            </>
          )}
        </SharedMoment>
      )}
    </PeopleFrame>
  );
}

const KEPT = [
  { value: 'all', words: 'all countries' },
  { value: 'kept', words: 'only those kept' },
] as const;

/** Countries on the map and in the list: all, or the few that somebody keeps an eye on. */
function Countries({ pages, onNarrow }: { pages: PageLoads; onNarrow: (country: string) => void }) {
  const [kept, toggle] = useKeptCountries();
  const [shown, setShown] = useState<'all' | 'kept'>('all');
  const isCut = shown === 'kept' && kept.length > 0;
  const groups = isCut ? pages.groups.filter(({ name }) => kept.includes(name)) : pages.groups;
  const hidden = pages.groups.length - groups.length;
  return (
    <View style={styles.stack} testID="countries">
      <Suspense fallback={<Words kind="muted">Drawing the map …</Words>}>
        <CountryMap
          places={placeFigures(pages, groups, { by: 'country' })}
          toneWords={mapTone(pages).words}
          onChoose={onNarrow}
        />
      </Suspense>
      {kept.length > 0 && <Strip label="Countries" options={KEPT} chosen={shown} onChoose={setShown} />}
      <PageGroups by="country" groups={groups} onNarrow={onNarrow} keeping={{ kept, toggle }} />
      {hidden > 0 && (
        <Words kind="muted">{`${count(hidden)} other ${hidden === 1 ? 'country is' : 'countries are'} not shown.`}</Words>
      )}
    </View>
  );
}

/** A chosen value is what everything below is narrowed to; then its pages are worth a look. */
function narrowedTo<V extends object>(view: V, by: PageGroup, value: string): V {
  const { pagesBy: _by, ...rest } = view as V & { pagesBy?: string };
  return { ...rest, [by]: value, ...(by === 'page' && { pagesBy: 'country' }) } as unknown as V;
}

function Vitals({ pages, isWide }: { pages: PageLoads; isWide: boolean }) {
  const { all, trend } = pages;
  return (
    <View role="list" aria-label="What people felt, 75th percentile" style={styles.vitals} testID="vitals">
      {VITALS.map((vital: Vital) => {
        const figure = all?.vitals[vital];
        const format = (value: number) => vitalValue(vital, value);
        return (
          <View role="listitem" key={vital} style={isWide ? styles.vital : styles.vitalHalf}>
            <Words kind="small">{`${VITAL_NAMES[vital]} (${VITAL_WORDS[vital]})`}</Words>
            <Words kind={figure && figure.rating !== 'good' ? 'strong' : 'body'}>
              {figure ? `${format(figure.p75)}  ${RATING_WORDS[figure.rating]}` : 'not told'}
            </Words>
            <VitalTrend
              vital={vital}
              name={VITAL_WORDS[vital]}
              startMs={trend.startMs}
              stepMs={trend.stepMs}
              values={trend.vitals[vital]}
              format={format}
            />
          </View>
        );
      })}
    </View>
  );
}

function NothingYet() {
  return (
    <Words kind="muted">
      Include the script that this server has at /snippet.js in your pages, with a key of TOPLENS_BROWSER_KEYS. Nothing
      told is not the same as nothing wrong.
    </Words>
  );
}

const styles = StyleSheet.create({
  door: { minHeight: TOUCH, justifyContent: 'center' },
  where: { paddingVertical: SPACE.xs / 2 },
  vitals: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, rowGap: SPACE.s, paddingTop: SPACE.s },
  vital: { width: '17.5%', minWidth: 120 },
  vitalHalf: { width: '46%' },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.m },
  wide: { flex: 3, gap: SPACE.m, minWidth: 0 },
  column: { flex: 2, gap: SPACE.m, minWidth: 0 },
});
