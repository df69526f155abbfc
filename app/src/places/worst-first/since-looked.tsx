import { StyleSheet } from 'react-native';
import { useHappenedSince, type Happening } from '@/data/happened';
import { Door } from '@/frame/door';
import { useLastLook } from '@/frame/last-look';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
import { usePalette } from '@/look/look';
import { SPACE, TOUCH } from '@/look/tokens';

/** What changed since one last looked: "Since 09:10: 1 new, 2 over, 1 proven." */
export function SinceLooked() {
  const palette = usePalette();
  const [sinceMs] = useLastLook();
  const { data } = useHappenedSince(sinceMs);
  if (sinceMs === undefined || !data) return null;
  const words = sinceWords(data.happenings, sinceMs, data.window.toMs);
  return (
    <Door path="/happened" style={styles.door} testID="since-looked">
      <Words style={{ color: palette.action }}>{words}</Words>
    </Door>
  );
}

const TOLD = {
  opened: 'new',
  over: 'over',
  proven: 'proven',
  promise: 'budgets of promises spent',
  crash: 'new crashes',
  handoff: 'handoffs moved on',
  change: 'changes',
  release: 'releases',
} as const;
const ONE: Record<keyof typeof TOLD, string> = {
  ...TOLD,
  promise: 'budget of a promise spent',
  crash: 'new crash',
  handoff: 'handoff moved on',
  change: 'change',
  release: 'release',
};

export function sinceWords(happenings: readonly Happening[], sinceMs: number, nowMs: number): string {
  const counts = (Object.keys(TOLD) as (keyof typeof TOLD)[]).flatMap((kind) => {
    const some = happenings.filter((one) => one.kind === kind);
    // A handoff takes several steps on its way.
    const n = kind === 'handoff' ? new Set(some.map(({ path }) => path)).size : some.length;
    return n === 0 ? [] : [`${n} ${n === 1 ? ONE[kind] : TOLD[kind]}`];
  });
  return `Since ${clock(sinceMs, nowMs)}: ${counts.length === 0 ? 'nothing new' : counts.join(', ')}.`;
}

const styles = StyleSheet.create({
  door: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: SPACE.l },
});
