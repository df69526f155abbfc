import { StyleSheet, View } from 'react-native';
import { useIsWide } from '@/look/look';
import { SPACE } from '@/look/tokens';
import { pointsOf, UsageCurve, type Props as CurveProps } from './usage-curve';

export type Props = Pick<CurveProps, 'format' | 'window'> & {
  steps: { startMs: number; stepMs: number };
  curves: readonly { name: string; values: readonly (number | null)[] }[];
};

/** Series that are compared: on one scale, side by side where there is room. */
export function CurvesBeside({ curves, steps, format, window }: Props) {
  const isWide = useIsWide();
  const least = Math.max(1, ...curves.flatMap(({ values }) => values.map((value) => value ?? 0)));
  return (
    <View style={isWide ? styles.beside : styles.below}>
      {curves.map(({ name, values }) => (
        <View key={name} style={isWide ? styles.half : undefined}>
          <UsageCurve name={name} points={pointsOf(steps, values)} least={least} format={format} window={window} />
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', columnGap: SPACE.l },
  below: { gap: SPACE.s },
  half: { flex: 1, minWidth: 0 },
});
