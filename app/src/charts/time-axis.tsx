import { StyleSheet, View } from 'react-native';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
import { timeTicks } from './band-shape';

/** Clock times under a drawing that is so wide; the words of the drawing say the same to those who do not see it. */
export function TimeAxis({ fromMs, toMs, width }: { fromMs: number; toMs: number; width: number }) {
  return (
    <View style={styles.axis} aria-hidden>
      {timeTicks(fromMs, toMs, width > 500 ? 6 : 3).map((tick) => (
        <Words
          key={tick}
          kind="small"
          style={[
            styles.tick,
            { left: Math.min(width - 44, Math.max(0, ((tick - fromMs) / (toMs - fromMs)) * width - 20)) },
          ]}
        >
          {clock(tick, toMs)}
        </Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ axis: { height: 20 }, tick: { position: 'absolute', top: 2 } });
