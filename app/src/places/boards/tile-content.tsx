import type { TileKind } from '@toplens/core/boards';
import { lazy, Suspense, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { BandChart } from '@/charts/band-chart';
import { SmallBudget } from '@/charts/budget-fan';
import { HarmStrip } from '@/charts/harm-strip';
import { StepBar } from '@/charts/step-bar';
import type { TileView } from '@/data/boards';
import { Door } from '@/frame/door';
import { useDoorsLead } from '@/frame/doors-lead';
import { useView } from '@/frame/view';
import { count, formatMoney } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { FONT, SPACE, TOUCH } from '@/look/tokens';
import { HappeningLines } from '../happened/happening-lines';
import { FORMATS, nameOf } from '../incident/against-normal';
import { journeySentence } from '../journey/journey-words';
import { stepBars } from '../journey/step-bars';
import { placeFigures } from '../pages/place-figures';
import { mapTone } from '../pages/page-words';
import { budgetOf } from '../promises/promises-place';
import { keptWords, outlookWords, rangeWords } from '../promises/promise-words';
import { handoffWords, sinceWords } from '../worst-first/row-words';
import { figureText, rangeText, viewOf } from './board-words';

const CountryMap = lazy(() => import('@/charts/country-map'));

type Props = { shown: TileView; currency: string; nowMs: number };

/** What a tile shows. */
export const TileContent = (props: Props): ReactNode => CONTENTS[props.shown.tile.shows](props);

const CONTENTS: Readonly<Record<TileKind, (props: Props) => ReactNode>> = {
  list: (props) => <List {...props} />,
  figure: ({ shown: { tile, figure }, currency }) => {
    const name = tile.figure ?? 'people';
    return (
      figure && (
        <View>
          <Words style={styles.figure}>{figureText(name, figure.range.estimate, currency)}</Words>
          <Words kind="small">{rangeText(name, figure, currency)}</Words>
        </View>
      )
    );
  },
  curve: ({ shown: { curve, window } }) =>
    curve && (
      <BandChart
        name={nameOf(curve.chart)}
        series={curve.chart.series}
        format={FORMATS[curve.chart.name]}
        window={window}
        onsetMs={curve.onsetMs ?? undefined}
        marks={curve.marks}
        saysMarks
      />
    ),
  promise: ({ shown: { promise }, currency, nowMs }) =>
    promise && (
      <View style={styles.promise}>
        <SmallBudget budget={budgetOf(promise, nowMs)} />
        <View style={styles.words}>
          <Words kind="strong">{keptWords(promise)}</Words>
          <Words>{outlookWords(promise, currency, nowMs)}</Words>
          <Words kind="small">{[rangeWords(promise), promise.periodWords].join(' · ')}</Words>
        </View>
      </View>
    ),
  journey: ({ shown: { journey } }) => journey && <Journey journey={journey} />,
  feed: (props) => <Feed {...props} />,
  map: (props) => <Map {...props} />,
  text: ({ shown: { tile } }) => <Words>{tile.text ?? ''}</Words>,
};

function List({ shown: { headline, rows }, currency, nowMs }: Props) {
  const palette = usePalette();
  return (
    <View>
      <Words>{headline}</Words>
      <View role="list" aria-label="Incidents, worst first">
        {rows?.map((row) => (
          <View role="listitem" key={row.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Words kind="rank" accessibilityLabel={`Rank ${row.rank}`} style={styles.rank}>
              {row.rank}
            </Words>
            <Door path={`/incident/${row.id}`} style={styles.incident}>
              <Words kind="strong">{row.title}</Words>
              <HarmStrip counts={{ ...row.outcomes, missing: row.signal === 'missing' ? row.missingAttempts : 0 }} />
              <Words kind="small">
                {[
                  `${count(row.harmPerHour)} points/h`,
                  `${row.isAbout ? 'about ' : ''}${count(row.people.estimate)} people`,
                  row.money >= 0.5 && formatMoney(row.money, currency),
                  sinceWords(row, nowMs),
                  row.handoff ? handoffWords(row).words : 'with nobody so far',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Words>
            </Door>
          </View>
        ))}
      </View>
    </View>
  );
}

function Journey({ journey }: { journey: NonNullable<TileView['journey']> }) {
  return (
    <View style={styles.stack}>
      <Words>{journeySentence(journey)}</Words>
      <View role="list" aria-label="Steps">
        {stepBars(journey).map(({ step, bar }) => (
          <View role="listitem" key={step.flow}>
            <Words kind="small">{step.name}</Words>
            <StepBar {...bar} />
          </View>
        ))}
      </View>
    </View>
  );
}

function Feed({ shown: { feed }, nowMs }: Props) {
  if (!feed || feed.happenings.length === 0) return <Words kind="muted">Nothing of this kind happened.</Words>;
  return <HappeningLines happenings={feed.happenings} nowMs={nowMs} label="Newest first" />;
}

function Map({ shown: { tile, pages } }: Props) {
  const { go } = useView();
  const lead = useDoorsLead();
  if (!pages) return null;
  return (
    <Suspense fallback={<Words kind="muted">Drawing the map …</Words>}>
      <CountryMap
        places={placeFigures(pages, pages.groups, { by: 'country' })}
        toneWords={mapTone(pages).words}
        {...(lead && { onChoose: (country: string) => go('/people', { ...viewOf(tile), country }) })}
      />
    </Suspense>
  );
}

const styles = StyleSheet.create({
  figure: { fontFamily: FONT.serif, fontSize: 40, lineHeight: 46, fontWeight: '600' },
  promise: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  words: { flex: 1, minWidth: 180, gap: 2 },
  stack: { gap: SPACE.xs },
  row: { flexDirection: 'row', borderTopWidth: 1, paddingVertical: SPACE.xs, gap: SPACE.s },
  rank: { width: 30, fontSize: 22, lineHeight: 26 },
  incident: { flex: 1, minWidth: 0, minHeight: TOUCH, justifyContent: 'center', gap: 3 },
});
