import { StyleSheet, View } from 'react-native';
import type { FlowPage } from '@/data/client';
import { useRegion } from '@/data/flows';
import { parseRegion } from '@/frame/region';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock, count, counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { SampleList } from '../incident/sample-list';
import { broughtWords, SHOWN } from './field-part';

/** How often something happened, and what it brought: it lasts no time, so that nothing is told of durations. */
export function EventPart({ page }: { page: FlowPage }) {
  const { view } = useView();
  const asked = parseRegion(view.brushed);
  const region = asked ?? { ...page.window, fromDurationMs: 0, toDurationMs: null, only: 'succeeded' as const };
  const { data: found, error, refetch } = useRegion(page.row.id, view, region);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!found) return null;
  const { fromMs, toMs } = found.window;
  const shown = found.samples.slice(0, SHOWN);
  return (
    <View style={styles.box} testID="event-part">
      <Words kind="section" level={2}>
        When it happened
      </Words>
      <Words testID="region-words">
        {found.attempts === 0
          ? 'Not once in this window.'
          : `${counted(found.attempts, 'time')} from ${clock(fromMs, toMs)} to ${clock(toMs, toMs)}${found.attempts > shown.length ? `; the ${count(shown.length)} ${broughtWords(shown, 'earliest')}:` : ':'}`}
      </Words>
      {shown.length > 0 && <SampleList samples={shown} nowMs={toMs} currency={found.currency} isOfEvent />}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs } });
