import { StyleSheet, View } from 'react-native';
import { LEAST_PENALTY } from '@toplens/core/incidents';
import type { Incident } from '@/data/client';
import { Door } from '@/frame/door';
import { clock, count, formatMoney, lengthWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { doorOf, lineName, lineQuantity, rangeWords, sureWords } from './bill-words';

/** An itemised receipt: quantity × rate = harm. The sum is the rank. */
export function HarmBill({ incident }: { incident: Incident }) {
  const palette = usePalette();
  const { window, bill, currency, harm } = incident;
  const fromMs = Math.max(window.fromMs, incident.onsetMs);
  const toMs = Math.min(window.toMs, incident.activeAtEnd ? window.toMs : incident.endMs);
  // Behind a line stand the attempts of the incident alone, not of the whole window.
  const minutes = { from: new Date(fromMs).toISOString(), to: new Date(toMs).toISOString() };
  const lines = bill.filter((line) => line.harm.estimate >= 0.5);
  return (
    <View style={[styles.receipt, { backgroundColor: palette.surface, borderColor: palette.hairline }]}>
      <View style={styles.head}>
        <Words kind="section" level={2}>
          The harm bill
        </Words>
        <Words kind="small">{`${clock(fromMs, toMs)} – ${clock(toMs, toMs)}, ${lengthWords(toMs - fromMs)}`}</Words>
      </View>
      <View role="table" aria-label="The harm bill">
        {lines.map((line) => (
          <View
            role="row"
            key={line.name}
            style={[styles.line, { borderBottomColor: palette.hairline }]}
            testID={`bill-${line.name}`}
          >
            <View role="cell" style={styles.what}>
              <Door
                path={doorOf(line.name, incident)}
                narrowed={minutes}
                style={styles.door}
                testID={`bill-door-${line.name}`}
              >
                <Words style={{ color: palette.action }}>{lineName(line)}</Words>
              </Door>
              <Words kind="small">{lineQuantity(line, currency)}</Words>
            </View>
            <View role="cell" style={styles.harm}>
              <Words kind="strong">{count(line.harm.estimate)}</Words>
            </View>
            <View role="cell" style={styles.range}>
              <Words kind="small">{rangeWords(line.harm)}</Words>
            </View>
          </View>
        ))}
        <View role="row" style={styles.sum}>
          <View role="cell" style={styles.what}>
            <Words kind="section">Harm points</Words>
          </View>
          <View role="cell" style={styles.harm}>
            <Words kind="section" testID="bill-sum">
              {count(harm.estimate)}
            </Words>
          </View>
          <View role="cell" style={styles.range}>
            <Words kind="small">{rangeWords(harm)}</Words>
          </View>
        </View>
      </View>
      <Words kind="muted">{`${count(incident.harmPerHour)} an hour over the ${lengthWords(window.toMs - window.fromMs)} looked at. Ranges hold the true value in 95 of 100 cases.`}</Words>
      {incident.penalties >= LEAST_PENALTY && (
        <Words kind="muted">{`${formatMoney(incident.penalties, currency)} of the money is what it adds to the penalties expected.`}</Words>
      )}
      <Words kind="muted" testID="sure">
        {sureWords(incident)}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  receipt: { borderWidth: 1, borderRadius: 4, padding: SPACE.l, gap: SPACE.s },
  head: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    columnGap: SPACE.m,
  },
  line: {
    flexDirection: 'row',
    alignItems: 'flex-end',
    paddingVertical: SPACE.s,
    borderBottomWidth: 1,
    borderStyle: 'dotted',
  },
  sum: { flexDirection: 'row', alignItems: 'baseline', paddingTop: SPACE.m },
  what: { flex: 1 },
  door: { minHeight: 24, justifyContent: 'center' },
  harm: { minWidth: 64, alignItems: 'flex-end' },
  range: { width: 104, alignItems: 'flex-end' },
});
