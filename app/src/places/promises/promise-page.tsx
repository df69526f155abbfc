import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { BudgetFan } from '@/charts/budget-fan';
import { SharedMoment } from '@/charts/moment';
import { addressOf, type Schemas } from '@/data/client';
import { usePromise } from '@/data/promises';
import { InnerPage } from '@/frame/inner-page';
import { useView, windowQuery } from '@/frame/view';
import { clock, counted, formatMoney } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH, TWO_COLUMNS_FROM } from '@/look/tokens';
import { Cells, type Cell } from './cells';
import { Outside } from './outside';
import {
  budgetWords,
  burnWords,
  chanceWords,
  fanWords,
  outlookWords,
  paceWords,
  periodWords,
  rangeWords,
  sealedWords,
  shareWords,
  targetWords,
} from './promise-words';
import { budgetOf } from './promises-place';
import { Spenders } from './spenders';

type Page = Schemas['PromisePage'];

/** One promise: what is left of it, who spent it, where, and how it was kept before. */
export function PromisePage({ name }: { name: string }) {
  const { width } = useWindowDimensions();
  const { view } = useView();
  const { data: page, error, refetch } = usePromise(name, view);
  const isInColumns = width >= TWO_COLUMNS_FROM;
  const [cell, setCell] = useState<Cell>();
  return (
    <InnerPage title={page?.level.name} error={error} hasData={page !== undefined} onRetry={() => void refetch()}>
      {!page && !error && <Words style={styles.inset}>Counting the attempts of the period …</Words>}
      {page && (
        <SharedMoment>
          <View style={styles.page}>
            <Head page={page} />
            <View style={isInColumns ? styles.columns : styles.stack}>
              <View style={isInColumns ? styles.column : styles.stack}>
                <BudgetPart page={page} />
                <Before page={page} />
                <Rule page={page} />
                <Report name={name} />
              </View>
              <View style={isInColumns ? styles.column : styles.stack}>
                <Spenders page={page} />
                <Cells page={page} chosen={cell} onChoose={setCell} />
                <Outside page={page} cell={cell} onClear={() => setCell(undefined)} />
              </View>
            </View>
          </View>
        </SharedMoment>
      )}
    </InnerPage>
  );
}

function Head({ page: { level, currency, nowMs } }: { page: Page }) {
  return (
    <View style={styles.head}>
      <Words kind="title" level={1}>
        {level.name}
      </Words>
      <Words kind="strong" testID="promise-kept">
        {`${level.kept ? `Kept so far ${shareWords(level.kept.share)}` : 'No data'} of ${targetWords(level.target)}${level.to ? `, given to ${level.to}` : ''}`}
      </Words>
      <Words kind="muted">{rangeWords(level)}</Words>
      <Words testID="promise-outlook">{capitalised(outlookWords(level, currency, nowMs))}</Words>
    </View>
  );
}

const capitalised = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;

function BudgetPart({ page: { level, nowMs, currency } }: { page: Page }) {
  const pace = paceWords(level);
  return (
    <View style={styles.gap} testID="budget-part">
      <Words kind="section" level={2}>
        Budget left, and where it ends
      </Words>
      <BudgetFan name="Budget left" budget={budgetOf(level, nowMs)} label={fanWords(level, nowMs)} />
      <Words>{`${capitalised(budgetWords(level))}`}</Words>
      {pace && <Words kind="strong">{pace}</Words>}
      <Words kind="small">{`Pace, 1× spends the budget in just its period: ${burnWords(level)}.`}</Words>
      {level.forecast && (
        <Words kind="small">
          {`At ${clock(level.forecast.endMs, nowMs)} in 95 % of cases ${shareWords(level.forecast.share[0] ?? 0)} to ${shareWords(level.forecast.share[4] ?? 0)} good.`}
        </Words>
      )}
      {level.penalties.map(({ below, amount, chance }) => (
        <Words key={below}>
          {`Below ${targetWords(below)}: ${formatMoney(amount, currency)}${chance === null ? '' : `, due with a chance of ${chanceWords(chance)}`}`}
        </Words>
      ))}
    </View>
  );
}

/** How it was kept in the periods before, as far as attempts or their sums are known. */
function Before({ page: { periods, level, nowMs } }: { page: Page }) {
  const palette = usePalette();
  if (periods.length === 0) return null;
  return (
    <View style={styles.gap} testID="periods-before">
      <Words kind="section" level={2}>
        Periods before
      </Words>
      <View role="list">
        {periods.map(({ period, isKept, ...one }, k) => (
          <View role="listitem" key={period.fromMs} style={[styles.period, { borderTopColor: palette.hairline }]}>
            <View style={styles.name}>
              <Words>{`${clock(period.fromMs, nowMs)} to ${clock(period.toMs, nowMs)}`}</Words>
              <Words kind={isKept === false ? 'strong' : 'body'}>{periodWords({ isKept, ...one }, level.target)}</Words>
              {one.sealed && <Words kind="small">{sealedWords(one, one.sealed, { level, nowMs })}</Words>}
            </View>
            <ReportLink name={level.name} format="html" periodsBack={k + 1} words="Report" />
          </View>
        ))}
      </View>
    </View>
  );
}

/** What the period came to, to read and print, to send on, or to reckon with. */
function Report({ name }: { name: string }) {
  return (
    <View style={styles.gap} testID="promise-report">
      <Words kind="section" level={2}>
        Report of the period
      </Words>
      {FORMATS.map(({ format, words }) => (
        <ReportLink key={format} name={name} format={format} periodsBack={0} words={words} />
      ))}
    </View>
  );
}

type Format = (typeof FORMATS)[number]['format'];

/** Opens a report beside the app. */
function ReportLink({ words, ...asked }: { name: string; format: Format; periodsBack: number; words: string }) {
  const palette = usePalette();
  const { view } = useView();
  return (
    <View style={styles.link}>
      <Words {...linkTo(addressOf('/api/promise-report', { query: { ...windowQuery(view), ...asked } }))}>
        <Words style={{ color: palette.action }}>{words}</Words>
      </Words>
    </View>
  );
}

/** A link of the browser's own: what it leads to is no place of the app. */
const linkTo = (href: string): object => ({ href, hrefAttrs: { target: 'blank', rel: 'noreferrer' } });

const FORMATS = [
  { format: 'html', words: 'Open it as a page to print' },
  { format: 'markdown', words: 'Save it as Markdown' },
  { format: 'csv', words: 'Save it as CSV' },
] as const;

function Rule({ page: { level, excluded, changes, nowMs } }: { page: Page }) {
  return (
    <View style={styles.gap} testID="promise-rule">
      <Words kind="section" level={2}>
        How it is counted
      </Words>
      <Words>{level.rule}</Words>
      <Words kind="small">
        {`${counted(level.flows, 'flow')} of it ${level.flows === 1 ? 'is' : 'are'} known. ${level.indicator === 'reachable' ? 'Probes alone count' : 'Probes do not count'}. Without any ${level.unit} nothing is known.`}
      </Words>
      {level.isRough && (
        <Words kind="small">
          Hours of which single attempts are no longer kept are counted from sums, within 1.6 % of the limit.
        </Words>
      )}
      {excluded.length === 0 && <Words kind="small">Nothing of this period is excluded.</Words>}
      {excluded.map(({ fromMs, toMs, reason, isMaintenance, by }) => (
        <Words key={`${fromMs}-${reason}`}>
          {`${isMaintenance ? 'Maintenance' : 'Excluded'} ${clock(fromMs, nowMs)} to ${clock(toMs, nowMs)}: ${reason} (${by ?? 'settings file'})`}
        </Words>
      ))}
      {changes.slice(0, 5).map(({ atMs, who, words }) => (
        <Words key={atMs} kind="small">{`${clock(atMs, nowMs)} · ${who} changed the promises: ${words}`}</Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  inset: { paddingHorizontal: SPACE.l },
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.l },
  head: { gap: SPACE.xs },
  gap: { gap: SPACE.xs },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
  stack: { gap: SPACE.l },
  period: {
    borderTopWidth: 1,
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: SPACE.s,
    minHeight: 40,
    alignItems: 'center',
  },
  name: { flex: 1, minWidth: 160 },
  link: { minHeight: TOUCH, justifyContent: 'center' },
});
