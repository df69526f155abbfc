import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { foldedFrames, frameWords, type Frame } from './phone-words';

/** The frames of a crash: own code stands out, runs of other code are folded. */
export function Frames({ frames, isRestored }: { frames: readonly Frame[]; isRestored: boolean }) {
  const [opened, setOpened] = useState<ReadonlySet<number>>(new Set());
  const palette = usePalette();
  if (frames.length === 0) return <Words kind="muted">The phone told no stack that can be read.</Words>;
  return (
    <View style={styles.box} testID="frames">
      {foldedFrames(frames).map((line, i) =>
        'frame' in line ? (
          <Words key={i} kind="code" style={{ color: palette.ink }}>
            {frameWords(line.frame)}
          </Words>
        ) : opened.has(i) ? (
          line.others.map((frame, k) => (
            <Words key={`${i}-${k}`} kind="code" style={{ color: palette.muted }}>
              {frameWords(frame)}
            </Words>
          ))
        ) : (
          <Pressable key={i} role="button" onPress={() => setOpened(new Set([...opened, i]))} style={styles.fold}>
            <Words kind="small" style={{ color: palette.action }}>
              {`${counted(line.others.length, 'call')} of the platform and of libraries`}
            </Words>
          </Pressable>
        ),
      )}
      {!isRestored && (
        <Words kind="small">
          As the phone told it: no mapping and no source map of this version is known. Settings takes them.
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 2, paddingVertical: SPACE.xs },
  fold: { minHeight: TOUCH, justifyContent: 'center' },
});
