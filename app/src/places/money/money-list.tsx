import type { MoneyFigure } from '@toplens/core/money';
import { StyleSheet, View } from 'react-native';
import { RangeBar } from '@/charts/range-bar';
import { useMoney } from '@/data/journeys';
import { Door } from '@/frame/door';
import { regionText } from '@/frame/region';
import { apiQuery, NARROWING, useView } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { figureBars, figureLines, lostWords, type Revenue } from './money-words';

const BAR = 150;

/** What flows with values bring, against the same hours of like days. Nothing where no value is told. */
export function MoneyList() {
  const { view } = useView();
  const { data } = useMoney(apiQuery(view), view.from === undefined);
  if (!data || data.flows.length === 0) return null;
  return (
    <View style={styles.list} testID="money">
      <Words kind="section" level={2}>
        Orders and money
      </Words>
      <Words kind="small">Mark: this window. Band: what is usual.</Words>
      {data.isNarrowed && <Words kind="muted">Of everybody: what a filter leaves is told of up to eight hours.</Words>}
      {data.flows.map((revenue) => (
        <RevenueLine
          key={revenue.flow}
          revenue={revenue}
          of={{ ...data.window, isOfAll: data.isNarrowed }}
          currency={data.currency}
          isShort
        />
      ))}
    </View>
  );
}

/**
 * Each figure is a door: orders, value and what each brought to the orders, those that brought most first; the share of
 * those who began to the journey.
 *
 * @param of when, and whether it is of everybody whatever the view is narrowed to
 * @param isShort one of several above something else: the figures in small
 */
export function RevenueLine({
  revenue,
  of,
  currency,
  isShort = false,
}: {
  revenue: Revenue;
  of: { fromMs: number; toMs: number; isOfAll: boolean };
  currency: string;
  isShort?: boolean;
}) {
  const palette = usePalette();
  const doorOf = (name: MoneyFigure) =>
    name === 'conversion' && revenue.journey !== null
      ? { path: `/journey/${revenue.journey}` }
      : {
          path: `/flow/${revenue.flow}`,
          narrowed: {
            ...(of.isOfAll && ofAll()),
            brushed: regionText({ ...of, fromDurationMs: 0, toDurationMs: null, only: 'succeeded' }),
          },
        };
  const lost = lostWords(revenue, currency);
  const lines = figureLines(revenue, currency);
  return (
    <View
      style={[styles.item, { borderLeftColor: lost ? palette.harm[3] : palette.hairline }]}
      testID={`money-${revenue.flow}`}
    >
      <Door path={`/flow/${revenue.flow}`} style={styles.door}>
        <Words style={{ color: palette.action }}>
          {revenue.kind === 'businessEvent' ? `${revenue.name} (business event)` : revenue.name}
        </Words>
      </Door>
      {lost && <Words kind="strong">{lost}</Words>}
      {isShort
        ? figureBars(revenue, currency).map(({ name, label, shown, words, figure, isOff }) => (
            <Door
              key={name}
              {...doorOf(name)}
              label={words}
              style={styles.bar}
              testID={`money-${revenue.flow}-${name}`}
            >
              <Words kind="small" style={styles.label}>
                {label}
              </Words>
              <RangeBar {...figure} isOff={isOff} width={BAR} />
              <Words kind={isOff ? 'strong' : 'small'} style={{ color: palette.action }}>
                {shown}
              </Words>
            </Door>
          ))
        : lines.map(({ name, words, isOff }) => (
            <Door key={name} {...doorOf(name)} style={styles.line} testID={`money-${revenue.flow}-${name}`}>
              <Words kind={isOff ? 'strong' : 'body'} style={{ color: palette.action }}>
                {words}
              </Words>
            </Door>
          ))}
      <Words kind="small">{basisWords(revenue)}</Words>
    </View>
  );
}

/** Where figures are of everybody, so is what they open. */
const ofAll = () => Object.fromEntries(NARROWING.map((name) => [name, undefined]));

export const basisWords = ({ application, days, start }: Revenue): string =>
  [
    application,
    days < 3
      ? `${days === 1 ? 'one like day is' : `${days} like days are`} known: too few to say what is usual`
      : `against the same hours of ${days} like days`,
    start !== null && `begun with ${start}`,
  ]
    .filter(Boolean)
    .join(' · ');

const styles = StyleSheet.create({
  list: { gap: SPACE.xs },
  item: { borderLeftWidth: 3, paddingLeft: SPACE.s, paddingBottom: SPACE.xs },
  bar: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 28 },
  line: { minHeight: 28, justifyContent: 'center' },
  label: { width: 62 },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
