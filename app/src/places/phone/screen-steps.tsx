import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { useMoment } from '@/charts/moment';
import { Stepper } from '@/frame/stepper';
import { clockSeconds } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { shapeWords, type SessionPageData } from './session-words';

type Shape = SessionPageData['shapes'][number];

const WIDTH = 180;

/** What the person saw, screen by screen: rectangles of what stood there, and nothing that was written or shown. */
export function ScreenSteps({ shapes, toMs }: { shapes: readonly Shape[]; toMs: number }) {
  const [step, setStep] = useState(shapes.length - 1);
  const { look } = useMoment();
  const at = Math.min(Math.max(0, step), shapes.length - 1);
  const shape = shapes[at];
  if (!shape) return null;
  const go = (to: number) => {
    setStep(to);
    look(shapes[to]?.atMs);
  };
  return (
    <View style={styles.gap} testID="screen-steps">
      <Words kind="section" level={2}>
        What the person saw
      </Words>
      <Words kind="small">Where something stood, by kind. What it said was never sent.</Words>
      <Wireframe shape={shape} />
      <Words role="status" testID="screen-step">
        {`${shape.screen || 'screen not told'}, ${clockSeconds(shape.atMs, toMs)}: ${shapeWords(shape)}. ${at + 1} of ${shapes.length}.`}
      </Words>
      <Stepper at={at} of={shapes.length} onGo={go} before="Before" next="Next" name="screen" />
    </View>
  );
}

/** Pictures are filled, buttons framed in the colour of actions, fields framed, text a bar, lists a dashed frame. */
function Wireframe({ shape }: { shape: Shape }) {
  const palette = usePalette();
  const scale = WIDTH / shape.width;
  const height = shape.height * scale;
  return (
    <Svg
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`${shape.screen || 'Screen'}: ${shapeWords(shape)}`}
      style={{ borderWidth: 1, borderColor: palette.muted, borderRadius: 6, backgroundColor: palette.surface }}
    >
      {shape.parts.map(({ kind, x, y, width, height: high }, i) => (
        <Rect
          key={i}
          x={x * scale}
          y={y * scale}
          width={Math.max(1, width * scale)}
          height={Math.max(1, high * scale)}
          rx={kind === 'button' ? 4 : 0}
          fill={kind === 'text' ? palette.hairline : kind === 'picture' ? palette.band : 'none'}
          stroke={kind === 'button' ? palette.action : kind === 'text' ? 'none' : palette.muted}
          strokeDasharray={kind === 'list' ? '3 3' : undefined}
        />
      ))}
    </Svg>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.s },
});
