import { DIMENSION_WORDS } from '@toplens/core/telemetry';
import { Pressable, StyleSheet, View } from 'react-native';
import { LeaningBar } from '@/charts/leaning-bar';
import type { Incident, Schemas } from '@/data/client';
import { remainingWords } from '@/frame/focus-sheet';
import { useView, type Dimension } from '@/frame/view';
import { counted, percent, times } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { leftWords, waitedWords } from '@toplens/core/incidents';
import { capital } from '@toplens/core/words';

type Segment = Schemas['Segment'];
type MostHit = Incident['mostHit'];

/** Who is hit more than others, around "same as everyone"; a tap filters everything. */
export function WhoIsHitMost({ incident }: { incident: Incident }) {
  const { view, setView } = useView();
  const { mostHit, remaining, signal } = incident;
  const filter = (dimension: Dimension, value: string) => setView({ ...view, [dimension]: value });
  const out = ruledOutWords(mostHit.ruledOut, mostHit.measures);
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Who is hit most
      </Words>
      {signal === 'missing' && <Words kind="muted">Who never came cannot be told apart.</Words>}
      {signal !== 'missing' && mostHit.segments.length === 0 && (
        <Words kind="muted">{`Nobody stands out: ${comparedWords(mostHit.measures)} about as often, or as long, everywhere.`}</Words>
      )}
      {[...mostHit.segments, ...mostHit.spared].map((segment) => (
        <SegmentRow
          key={`${segment.dimension}-${segment.value}`}
          segment={segment}
          onPress={() => filter(segment.dimension, segment.value)}
        />
      ))}
      {out !== '' && <Words kind="muted">{out}</Words>}
      {remaining && <Words kind="small">{remainingWords(remaining)}</Words>}
    </View>
  );
}

function SegmentRow({ segment, onPress }: { segment: Segment; onPress: () => void }) {
  const palette = usePalette();
  const { ratio, words, range } = mainFigure(segment);
  return (
    <Pressable
      role="button"
      onPress={onPress}
      accessibilityHint="Filters everything to these"
      style={[styles.row, { borderBottomColor: palette.hairline }]}
      testID={`hit-${segment.value}`}
    >
      <View style={styles.head}>
        <View style={styles.what}>
          <Words kind="small">{DIMENSION_WORDS[segment.dimension]}</Words>
          <Words kind="strong">{segment.value}</Words>
        </View>
        <LeaningBar ratio={ratio} width={110} />
        <View style={styles.figures}>
          <Words kind="strong">{words}</Words>
          <Words kind="small">{range}</Words>
        </View>
      </View>
      {linesOf(segment).map((line) => (
        <Words key={line.words} kind={line.standsOut ? 'body' : 'small'}>
          {line.words}
        </Words>
      ))}
    </Pressable>
  );
}

/** "at least 31×" where no upper end is known or it is far off: no more digits than the data supports. */
export function rangeWords({ low, high }: Pick<Segment, 'low' | 'high'>): string {
  return high === null || high > FAR * low ? `at least ${times(low)}` : `${times(low)} to ${times(high)}`;
}

const FAR = 10;

/** How many times as much as elsewhere of what it stands out by most, with its range; undefined: nowhere else. */
export function mainFigure(segment: Segment): { ratio: number | undefined; words: string; range: string } {
  const measure = segment.by[0] ?? 'wentWrong';
  const contrast = measure === 'wentWrong' ? null : segment[measure];
  if (contrast === null) {
    const ratio = segment.relativeRisk ?? undefined;
    return { ratio, words: ratio === undefined ? 'nowhere else' : times(ratio), range: rangeWords(segment) };
  }
  const { here, elsewhere, low, high } = contrast;
  if (elsewhere <= 0) return { ratio: undefined, words: 'nowhere else', range: '' };
  const ratio = here / elsewhere;
  return {
    ratio,
    words: `${times(ratio)} ${measure === 'waited' ? 'the wait' : 'as often'}`,
    range: rangeWords({ low: 1 + (low ?? 0) / elsewhere, high: high === null ? null : 1 + high / elsewhere }),
  };
}

/** What was measured of a value, what it stands out by first. */
export function linesOf(segment: Segment): { words: string; standsOut: boolean }[] {
  const { by, shareOfBad, shareOfAll, people, waited, left } = segment;
  const wrong = `${percent(shareOfBad)} of what went wrong, ${percent(shareOfAll)} of all · ${counted(people, 'person', 'people')}`;
  const lines = [
    { words: wrong, standsOut: by.includes('wentWrong') },
    ...(waited ? [{ words: capital(waitedWords(waited)), standsOut: by.includes('waited') }] : []),
    ...(left ? [{ words: capital(leftWords(left)), standsOut: by.includes('left') }] : []),
  ];
  return lines.sort((a, b) => Number(b.standsOut) - Number(a.standsOut));
}

const MEASURES: Readonly<Record<MostHit['measures'][number], string>> = {
  wentWrong: 'attempts go wrong',
  waited: 'people wait',
  left: 'people leave',
};
const list = new Intl.ListFormat('en-GB');
const comparedWords = (measures: MostHit['measures']) => list.format(measures.map((measure) => MEASURES[measure]));

/** What makes no difference, and by what: "Attempts go wrong and people wait alike by device and version." */
export function ruledOutWords(ruledOut: MostHit['ruledOut'], measures: MostHit['measures']): string {
  const same = ruledOut.filter(({ why }) => why === 'noDifference').map(({ dimension }) => DIMENSION_WORDS[dimension]);
  const single = ruledOut
    .filter(({ why }) => why === 'oneValue')
    .map(({ dimension, value }) => `${DIMENSION_WORDS[dimension]} ${value ?? ''}`);
  const parts = [
    same.length > 0 && `No difference by ${list.format(same)}: ${comparedWords(measures)} alike.`,
    single.length > 0 && `Everyone has ${list.format(single)}.`,
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
