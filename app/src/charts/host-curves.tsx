import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Polyline } from 'react-native-svg';
import type { Schemas } from '@/data/client';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Figure = Schemas['HostFigure'];

const HEIGHT = 64;
const PAD = 3;

/** One figure of several hosts over time: whoever is not as usual thick, all others thin. A dashed line marks the onset. */
export function HostCurves({
  figures,
  window,
  onsetMs,
}: {
  figures: readonly Figure[];
  window: { fromMs: number; toMs: number };
  /** left out where nothing began */
  onsetMs?: number;
}) {
  const palette = usePalette();
  const [width, setWidth] = useState(300);
  const values = figures.flatMap(({ points }) => points.map(({ value }) => value));
  const isShare = figures.every(({ figure }) => SHARES.has(figure));
  const highest = Math.max(isShare ? 0.1 : 1e-9, ...values) * 1.05;
  const most = isShare ? Math.min(1, highest) : highest;
  const x = (ms: number) => ((ms - window.fromMs) / Math.max(1, window.toMs - window.fromMs)) * width;
  const y = (value: number) => HEIGHT - PAD - (value / most) * (HEIGHT - 2 * PAD);
  const drawn = [...figures].sort((a, b) => Number(isOdd(a)) - Number(isOdd(b)));
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.max(80, nativeEvent.layout.width))}>
      <Svg width={width} height={HEIGHT} role="img" aria-label={curvesWords(figures)}>
        <Line x1={0} x2={width} y1={HEIGHT - PAD} y2={HEIGHT - PAD} stroke={palette.hairline} strokeWidth={1} />
        {onsetMs !== undefined && <Line x1={x(onsetMs)} x2={x(onsetMs)} y1={0} y2={HEIGHT} stroke={palette.muted} strokeWidth={1} strokeDasharray="3 3" />}
        {drawn.map((figure) => (
          <Polyline
            key={`${figure.host}|${figure.component}`}
            points={figure.points.map(({ atMs, value }) => `${x(atMs + 30_000).toFixed(1)},${y(value).toFixed(1)}`).join(' ')}
            fill="none"
            stroke={isOdd(figure) ? palette.harm[3] : palette.muted}
            strokeWidth={isOdd(figure) ? 2 : 1}
          />
        ))}
      </Svg>
      <View style={styles.legend}>
        <Words kind="small">{`0 to ${isShare ? `${Math.round(most * 100)} %` : `${Number(most.toPrecision(2)).toLocaleString('en-GB')}${UNITS[figures[0]?.figure ?? ''] ?? ''}`}`}</Words>
      </View>
    </View>
  );
}

const UNITS: Readonly<Record<string, string>> = { network: ' B/s', networkErrors: ' a second', eventLoop: ' ms' };
const SHARES: ReadonlySet<string> = new Set(['cpu', 'memory', 'heap', 'gc', 'disk', 'fileSystem', 'pool']);
const isOdd = ({ verdict }: Figure) => verdict === 'raised' || verdict === 'full' || verdict === 'lowered';
const nameOf = ({ component, host }: Figure) => [component, host].filter(Boolean).join(' on ');

/** The curves in words, for those who do not see them. */
export function curvesWords(figures: readonly Figure[]): string {
  const odd = figures.filter(isOdd).map(nameOf);
  const others = figures.length - odd.length;
  if (odd.length === 0) return `${figures.length} curves, none stands out`;
  return `${odd.join(', ')} ${odd.length === 1 ? 'stands' : 'stand'} out${others > 0 ? ` of ${figures.length}` : ''}`;
}

const styles = StyleSheet.create({ legend: { flexDirection: 'row', justifyContent: 'space-between', paddingTop: SPACE.xs / 2 } });
