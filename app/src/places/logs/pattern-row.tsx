import { rateWords } from '@toplens/core/words';
import { StyleSheet, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { clock, count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Pattern = Schemas['LogPattern'];

/** A pattern with how often it came; opens to some of its lines. */
export function PatternRow({
  pattern,
  nowMs,
  isChosen,
  onPress,
}: {
  pattern: Pattern;
  nowMs: number;
  isChosen: boolean;
  onPress: () => void;
}) {
  const palette = usePalette();
  return (
    <TouchableRipple
      onPress={onPress}
      role="button"
      aria-expanded={isChosen}
      style={[styles.row, { borderTopColor: palette.hairline }]}
      testID="log-pattern"
    >
      <View>
        <Words kind="code">{pattern.text}</Words>
        <Words kind="small">{patternWords(pattern, nowMs)}</Words>
      </View>
    </TouchableRipple>
  );
}

/** "error · 212 lines, 8.5 a minute, usually 0.1 · slots · since 11:02" */
export function patternWords(
  { severity, now, nowRate, usualRate, isNew, components, firstMs, before }: Pattern,
  nowMs: number,
): string {
  const often =
    now === 0
      ? `none, usually ${rateWords(usualRate)} a minute`
      : isNew
        ? `${lines(now)}, never before`
        : `${lines(now)}, ${rateWords(nowRate)} a minute, usually ${rateWords(usualRate)}`;
  return [
    severity,
    often,
    components.join(', '),
    firstMs !== null && (isNew || before === 0) && `since ${clock(firstMs, nowMs)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const lines = (n: number) => (n === 1 ? '1 line' : `${count(n)} lines`);

const styles = StyleSheet.create({
  row: { minHeight: 44, justifyContent: 'center', paddingVertical: SPACE.xs, borderTopWidth: 1 },
});
