import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useRevokeSenderKey, useSenderKeys, type SenderKey } from '@/data/sender-keys';
import { useMay } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { KIND_WORDS, NewKeySheet, ReplaceSheet } from './key-sheets';

/** Keys of what sends telemetry: made, replaced and revoked while it flows; for those who give them. */
export function KeysPart() {
  return useMay('accounts') ? <Keys /> : null;
}

function Keys() {
  const palette = usePalette();
  const { data, error, refetch } = useSenderKeys();
  const revoke = useRevokeSenderKey();
  const [open, setOpen] = useState<number | 'new'>();
  const keys = data?.keys ?? [];
  const opened = keys.find(({ id }) => id === open);
  return (
    <View style={styles.part} testID="keys">
      <Words kind="section" level={2}>
        Keys of what sends
      </Words>
      <Words kind="muted">
        Those that were set at the start of the server stand below, under “Data in”, and hold besides these.
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {revoke.error && <Trouble error={revoke.error} onRetry={() => revoke.reset()} />}
      {data && keys.length === 0 && <Words kind="muted">None was made here yet.</Words>}
      <View role="list" aria-label="Keys">
        {keys.map((key) => (
          <View role="listitem" key={key.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <View style={styles.words}>
              <Words>{`${key.name} · ${KIND_WORDS[key.kind]}`}</Words>
              <Words kind="small">{keyWords(key)}</Words>
            </View>
            {!key.isRevoked && (
              <View style={styles.buttons}>
                <Button
                  onPress={() => setOpen(key.id)}
                  accessibilityLabel={`Replace the secret of ${key.name}`}
                  testID={`key-replace-${key.name}`}
                >
                  Replace
                </Button>
                <Button
                  disabled={revoke.isPending}
                  onPress={() => revoke.mutate(key.id)}
                  accessibilityLabel={`Revoke the key of ${key.name}`}
                  testID={`key-revoke-${key.name}`}
                >
                  Revoke
                </Button>
              </View>
            )}
          </View>
        ))}
      </View>
      <Button mode="outlined" icon="plus" onPress={() => setOpen('new')} style={styles.button} testID="key-new">
        Make a key
      </Button>
      {open === 'new' && <NewKeySheet onClose={() => setOpen(undefined)} />}
      {opened && <ReplaceSheet senderKey={opened} onClose={() => setOpen(undefined)} />}
    </View>
  );
}

/** "Used 09:14 · from https://portal.example · the secret before it holds until 2 Dec 09:00" */
export function keyWords({ isRevoked, usedMs, origins, secrets, madeBy, madeMs }: SenderKey): string {
  const ending = secrets.find(({ endsMs }) => endsMs !== null);
  return [
    isRevoked && 'revoked',
    usedMs === null ? 'never used' : `used ${clock(usedMs)}`,
    origins.length > 0 && `from ${origins.join(', ')}`,
    ending?.endsMs &&
      `the secret before it holds until ${clock(ending.endsMs)}${ending.usedMs === null ? '' : `, used ${clock(ending.usedMs)}`}`,
    `made ${clock(madeMs)} by ${madeBy}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', borderTopWidth: 1, paddingVertical: SPACE.xs },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 220, minWidth: 0 },
  buttons: { flexDirection: 'row' },
  button: { alignSelf: 'flex-start' },
});
