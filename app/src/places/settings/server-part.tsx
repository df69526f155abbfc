import { StyleSheet, View } from 'react-native';
import { useServerState } from '@/data/server';
import { namesWords, PART_WORDS, type PartName } from '@/frame/server-words';
import { Trouble } from '@/frame/trouble';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { NamedRow } from './named-row';

const STATES = { ok: 'works', degraded: 'needs a look', down: 'not working' } as const;

/** How the parts of the server are, for who runs it. */
export function ServerPart() {
  const palette = usePalette();
  const { data, error, refetch } = useServerState();
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        This server
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && (
        <View role="list">
          {(Object.keys(PART_WORDS) as PartName[]).map((name) => {
            const { state, words, sinceMs } = data.parts[name];
            return (
              <NamedRow key={name} name={PART_WORDS[name]}>
                <Words style={{ color: state === 'ok' ? palette.ink : palette.harm[3] }}>
                  {state === 'ok' ? STATES.ok : `${STATES[state]} since ${clock(sinceMs, data.nowMs)}`}
                </Words>
                {words !== '' && <Words kind="small">{words}</Words>}
              </NamedRow>
            );
          })}
        </View>
      )}
      {data && <Words kind="muted">{`Top Lens ${data.version}`}</Words>}
      {data?.gatheredNames.map((gathered) => (
        <Words key={gathered.kind} kind="muted">
          {namesWords(gathered)}
        </Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ gap: { gap: SPACE.xs } });
