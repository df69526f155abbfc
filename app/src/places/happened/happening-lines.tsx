import { StyleSheet, View } from 'react-native';
import type { Happening } from '@/data/happened';
import { Door } from '@/frame/door';
import { useDoorsLead } from '@/frame/doors-lead';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { KIND_WORDS } from './happened-words';

/** What happened, a line each, behind its door. */
export function HappeningLines({
  happenings,
  nowMs,
  label,
  testID,
}: {
  happenings: readonly Happening[];
  nowMs: number;
  label: string;
  testID?: string;
}) {
  const palette = usePalette();
  const lead = useDoorsLead();
  return (
    <View role="list" aria-label={label} testID={testID}>
      {happenings.map((one) => (
        <View role="listitem" key={one.id} style={[styles.line, { borderTopColor: palette.hairline }]}>
          <Door path={one.path} style={styles.door}>
            <Words style={lead && { color: palette.action }}>{one.title}</Words>
            <Words kind="small">
              {[clock(one.atMs, nowMs), KIND_WORDS[one.kind], one.application, one.team].filter(Boolean).join(' · ')}
            </Words>
          </Door>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs, gap: 2 },
});
