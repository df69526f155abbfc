import { View } from 'react-native';
import { useBeside } from '@/data/attempts';
import { Trouble } from '@/frame/trouble';
import { count, durationWords } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** What else the store was asked while a statement ran, heaviest first. */
export function Beside({ traceId, spanId }: { traceId: string; spanId: string }) {
  const { data, error, refetch } = useBeside(traceId, spanId);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Words kind="muted">Looking what else ran then …</Words>;
  return (
    <View style={{ gap: SPACE.xs }} testID="beside">
      <Words kind="strong">{`What else ran on ${data.component} then`}</Words>
      {data.others.length === 0 && (
        <Words kind="muted">
          Nothing that is kept: no other statement overlapped with these {durationWords(data.durationMs)}.
        </Words>
      )}
      {data.others.map(({ statement, calls, overlapMs, longestMs }) => (
        <View key={statement}>
          <Words kind="code" numberOfLines={2}>
            {statement}
          </Words>
          <Words kind="small">{`${count(calls)} ${calls === 1 ? 'call' : 'calls'}, ${durationWords(overlapMs)} of it meanwhile; longest ${durationWords(longestMs)}`}</Words>
        </View>
      ))}
    </View>
  );
}
