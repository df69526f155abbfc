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
import { Cells } from './cells';
import {
  budgetWords,
  burnWords,
  chanceWords,
  fanWords,
  outlookWords,
  paceWords,
  rangeWords,
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
                <Cells page={page} />
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
        {periods.map(({ period, valid, good, isKept }) => (
          <View role="listitem" key={period.fromMs} style={[styles.period, { borderTopColor: palette.hairline }]}>
            <Words style={styles.name}>{`${clock(period.fromMs, nowMs)} to ${clock(period.toMs, nowMs)}`}</Words>
            <Words kind={isKept === false ? 'strong' : 'body'}>
              {isKept === null
                ? 'no data'
                : `${isKept ? 'kept' : 'broken'}: ${shareWords(good / valid)} of ${targetWords(level.target)}`}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}

/** What the period came to, to read and print, to send on, or to reckon with. */
function Report({ name }: { name: string }) {
  const palette = usePalette();
  const { view } = useView();
  const query = windowQuery(view);
  return (
    <View style={styles.gap} testID="promise-report">
      <Words kind="section" level={2}>
        Report of the period
      </Words>
      {FORMATS.map(({ format, words }) => (
        <View key={format} style={styles.link}>
          <Words {...linkTo(addressOf('/api/promise-report', { query: { ...query, name, format } }))}>
            <Words style={{ color: palette.action }}>{words}</Words>
          </Words>
        </View>
      ))}
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
        {`${counted(level.flows, 'flow')} of it ${level.flows === 1 ? 'is' : 'are'} known. Probes do not count. Without an attempt nothing is known.`}
      </Words>
      {level.isRough && (
        <Words kind="small">
          Hours of which single attempts are no longer kept are counted from sums, within 1.6 % of the limit.
        </Words>
      )}
      {excluded.length === 0 && <Words kind="small">Nothing of this period is excluded.</Words>}
      {excluded.map(({ fromMs, toMs, reason }) => (
        <Words key={fromMs}>{`Excluded ${clock(fromMs, nowMs)} to ${clock(toMs, nowMs)}: ${reason}`}</Words>
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
