import { StyleSheet, View } from 'react-native';
import { RangeBar } from '@/charts/range-bar';
import { useMoney } from '@/data/journeys';
import { Door } from '@/frame/door';
import { apiQuery, useView } from '@/frame/view';
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
        <RevenueLine key={revenue.flow} revenue={revenue} currency={data.currency} isShort />
      ))}
    </View>
  );
}

/** @param isShort one of several above something else: the figures in small */
export function RevenueLine({
  revenue,
  currency,
  isShort = false,
}: {
  revenue: Revenue;
  currency: string;
  isShort?: boolean;
}) {
  const palette = usePalette();
  const lost = lostWords(revenue, currency);
  const lines = figureLines(revenue, currency);
  return (
    <View
      style={[styles.item, { borderLeftColor: lost ? palette.harm[3] : palette.hairline }]}
      testID={`money-${revenue.flow}`}
    >
      {revenue.kind === 'businessEvent' ? (
        // Nobody waits for it: there is no flow to look at.
        <Words style={styles.name}>{`${revenue.name} (business event)`}</Words>
      ) : (
        <Door path={`/flow/${revenue.flow}`} style={styles.door}>
          <Words style={{ color: palette.action }}>{revenue.name}</Words>
        </Door>
      )}
      {lost && <Words kind="strong">{lost}</Words>}
      {isShort
        ? figureBars(revenue, currency).map(({ name, label, shown, words, figure, isOff }) => (
            <View key={name} role="img" aria-label={words} style={styles.bar}>
              <Words kind="small" style={styles.label}>
                {label}
              </Words>
              <RangeBar {...figure} isOff={isOff} width={BAR} />
              <Words kind={isOff ? 'strong' : 'small'}>{shown}</Words>
            </View>
          ))
        : lines.map(({ name, words, isOff }) => (
            <Words key={name} kind={isOff ? 'strong' : 'body'}>
              {words}
            </Words>
          ))}
      <Words kind="small">{basisWords(revenue)}</Words>
    </View>
  );
}

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
  name: { paddingVertical: SPACE.xs },
  bar: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 20 },
  label: { width: 62 },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
