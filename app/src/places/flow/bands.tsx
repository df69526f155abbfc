import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import type { FlowPage } from '@/data/client';
import { useView } from '@/frame/view';
import { count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { brushedTo } from './field-part';

type Band = FlowPage['bands'][number];

/** "up to 0.6 s", "0.6 to 1.2 s", "4.8 s and longer", "failed" */
export function bandWords({ fromMs, toMs }: Band): string {
  if (fromMs < 0) return 'failed';
  if (toMs === null) return `longer than ${durationWords(fromMs)}`;
  return fromMs === 0 ? `up to ${durationWords(toMs)}` : `${durationWords(fromMs)} to ${durationWords(toMs)}`;
}

/** How many attempts took how long, in bands around the limit. */
export function Bands({ page }: { page: FlowPage }) {
  const palette = usePalette();
  const { view, setView } = useView();
  const list = ({ fromMs, toMs }: Band) =>
    setView(
      brushedTo(
        view,
        fromMs < 0
          ? { ...page.window, fromDurationMs: 0, toDurationMs: null, only: 'failed' }
          : { ...page.window, fromDurationMs: fromMs, toDurationMs: toMs },
      ),
    );
  const [width, setWidth] = useState(160);
  const total = page.bands.reduce((sum, band) => sum + band.attempts, 0);
  if (total === 0) return null;
  const tone = [palette.surface, palette.surface, palette.harm[1], palette.harm[2], palette.harm[2], palette.harm[3]];
  return (
    <View>
      <Words kind="section" level={2}>
        Response bands
      </Words>
      <View role="table" aria-label="Response bands">
        {page.bands.map((band, i) => (
          <View role="row" key={i} style={styles.row}>
            <View role="cell" style={styles.words}>
              {band.attempts === 0 ? (
                <Words kind="muted">{bandWords(band)}</Words>
              ) : (
                <Pressable
                  role="button"
                  aria-label={
                    band.fromMs < 0 ? 'List attempts that failed' : `List attempts that took ${bandWords(band)}`
                  }
                  onPress={() => list(band)}
                  style={styles.door}
                >
                  <Words style={{ color: palette.action }}>{bandWords(band)}</Words>
                </Pressable>
              )}
            </View>
            <View
              style={styles.bar}
              onLayout={i === 0 ? ({ nativeEvent }) => setWidth(nativeEvent.layout.width) : undefined}
              aria-hidden
            >
              <Svg width={width} height={14}>
                <Rect
                  x={0.5}
                  y={1.5}
                  width={Math.max(0, (band.attempts / total) * (width - 1))}
                  height={11}
                  fill={tone[i] ?? palette.surface}
                  stroke={palette.muted}
                  strokeWidth={0.7}
                />
              </Svg>
            </View>
            <View role="cell" style={styles.count}>
              <Words>{count(band.attempts)}</Words>
            </View>
            <View role="cell" style={styles.share}>
              <Words kind="small">{percent(band.attempts / total)}</Words>
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 28, gap: SPACE.s },
  words: { width: 132 },
  door: { minHeight: 28, justifyContent: 'center' },
  bar: { flex: 1, minWidth: 60 },
  count: { width: 64, alignItems: 'flex-end' },
  share: { width: 52, alignItems: 'flex-end' },
});
