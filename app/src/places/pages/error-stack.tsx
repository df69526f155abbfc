import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Frame = Schemas['StackFrame'];

const MOST_FRAMES = 6;

/** "weightText, parcel-label.ts:8:26" */
export const frameWords = ({ file, line, column, method }: Frame): string =>
  [method, [file.replace(/^https?:\/\/[^/]+/, ''), line, column].filter(Boolean).join(':')].filter(Boolean).join(', ');

/** An error with the places it went through, readable where a source map is known. */
export function ErrorStack({
  error: { type, message, frames, isMapped },
}: {
  error: { type: string; message: string; frames: Frame[]; isMapped: boolean };
}) {
  return (
    <View style={styles.box}>
      <Words kind="strong">{`${type}: ${message}`}</Words>
      {frames.slice(0, MOST_FRAMES).map((frame, i) => (
        <Words key={i} kind="code">
          {frameWords(frame)}
        </Words>
      ))}
      {frames.length > MOST_FRAMES && <Words kind="small">{`${frames.length - MOST_FRAMES} more places`}</Words>}
      {!isMapped && frames.length > 0 && (
        <Words kind="small">As the browser reported it: no source map of this script and version is known.</Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: 2, paddingVertical: SPACE.xs } });
