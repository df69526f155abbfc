import { Pressable, StyleSheet, View } from 'react-native';
import { LeaningBar } from '@/charts/leaning-bar';
import type { Incident, Schemas } from '@/data/client';
import { remainingWords } from '@/frame/focus-sheet';
import { useView, type Dimension } from '@/frame/view';
import { count, percent, times } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

type Segment = Schemas['Segment'];

/** Who is hit more than others, around "same as everyone"; a tap narrows everything. */
export function WhereItBites({ incident }: { incident: Incident }) {
  const { view, setView } = useView();
  const { bites, remaining } = incident;
  const narrow = (dimension: Dimension, value: string) => setView({ ...view, [dimension]: value });
  const out = ruledOutWords(bites.ruledOut);
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Where it bites
      </Words>
      {incident.signal === 'missing' && <Words kind="muted">Who never came cannot be told apart.</Words>}
      {incident.signal !== 'missing' && bites.segments.length === 0 && (
        <Words kind="muted">Nothing stands out: it bites everyone alike.</Words>
      )}
      {bites.segments.map((segment) => (
        <SegmentRow
          key={`${segment.dimension}-${segment.value}`}
          segment={segment}
          onPress={() => narrow(segment.dimension, segment.value)}
        />
      ))}
      {bites.spared.map((segment) => (
        <SegmentRow
          key={`${segment.dimension}-${segment.value}`}
          segment={segment}
          onPress={() => narrow(segment.dimension, segment.value)}
        />
      ))}
      {out !== '' && <Words kind="muted">{out}</Words>}
      {remaining && <Words kind="small">{remainingWords(remaining)}</Words>}
    </View>
  );
}

function SegmentRow({ segment, onPress }: { segment: Segment; onPress: () => void }) {
  const palette = usePalette();
  const ratio = segment.relativeRisk ?? undefined;
  const likelier = ratio === undefined ? 'only here' : times(ratio);
  const words = `${percent(segment.shareOfBad)} of what went wrong, ${percent(segment.shareOfAll)} of all · ${count(segment.people)} people`;
  const range =
    segment.high === null ? `at least ${times(segment.low)}` : `${times(segment.low)} to ${times(segment.high)}`;
  return (
    <Pressable
      role="button"
      onPress={onPress}
      style={[styles.row, { borderBottomColor: palette.hairline }]}
      testID={`bite-${segment.value}`}
    >
      <View style={styles.head}>
        <View style={styles.what}>
          <Words kind="small">{segment.dimension}</Words>
          <Words kind="strong">{segment.value}</Words>
        </View>
        <LeaningBar ratio={ratio} width={110} />
        <View style={styles.figures}>
          <Words kind="strong">{likelier}</Words>
          <Words kind="small">{range}</Words>
        </View>
      </View>
      <Words kind="small">{words}</Words>
    </Pressable>
  );
}

/** What makes no difference, in one sentence. */
export function ruledOutWords(ruledOut: Incident['bites']['ruledOut']): string {
  const same = ruledOut.filter(({ why }) => why === 'noDifference').map(({ dimension }) => dimension);
  const single = ruledOut
    .filter(({ why }) => why === 'oneValue')
    .map(({ dimension, value }) => `${dimension} ${value ?? ''}`);
  const parts = [
    same.length > 0 && `No difference by ${same.join(', ')}.`,
    single.length > 0 && `Everyone has ${single.join(', ')}.`,
  ];
  return parts.filter(Boolean).join(' ');
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { minHeight: TOUCH, borderBottomWidth: 1, paddingVertical: SPACE.xs },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  what: { flex: 1, minWidth: 0 },
  figures: { minWidth: 92, alignItems: 'flex-end' },
});
