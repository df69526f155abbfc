import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useAccounts, type Account } from '@/data/accounts';
import { grantLine } from '@/frame/grant-words';
import { useMay } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { AccountSheet, NewAccountSheet } from './account-sheet';

/** People who sign in, and what they were given; for those who give it. */
export function AccountsPart() {
  return useMay('accounts') ? <People /> : null;
}

function People() {
  const palette = usePalette();
  const { data, error, refetch } = useAccounts();
  const [open, setOpen] = useState<number | 'new'>();
  const accounts = data?.accounts ?? [];
  const opened = accounts.find(({ id }) => id === open);
  return (
    <View style={styles.part} testID="accounts">
      <Words kind="section" level={2}>
        People who sign in
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && accounts.length === 0 && <Words kind="muted">Nobody has an account yet.</Words>}
      <View role="list" aria-label="Accounts, by name">
        {accounts.map((account) => (
          <View role="listitem" key={account.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <View style={styles.words}>
              <Words>{account.name}</Words>
              <Words kind="small">{accountWords(account)}</Words>
            </View>
            <Button
              onPress={() => setOpen(account.id)}
              accessibilityLabel={`Change ${account.name}`}
              testID={`account-${account.name}`}
            >
              Change
            </Button>
          </View>
        ))}
      </View>
      <Button mode="outlined" icon="plus" onPress={() => setOpen('new')} style={styles.button} testID="account-new">
        Give somebody an account
      </Button>
      {open === 'new' && <NewAccountSheet onClose={() => setOpen(undefined)} />}
      {opened && <AccountSheet account={opened} onClose={() => setOpen(undefined)} />}
    </View>
  );
}

/** "Support · second factor · seen 09:14" */
export const accountWords = (account: Account): string =>
  [
    account.grants.map(grantLine).join(', ') || 'No role: sees nothing',
    account.isEnded && 'ended',
    account.isElsewhere && 'signs in at a provider',
    account.hasSecondFactor && 'second factor',
    !account.hasPassword && !account.isElsewhere && 'has chosen no password yet',
    account.seenMs !== null && `seen ${clock(account.seenMs)}`,
  ]
    .filter(Boolean)
    .join(' · ');

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, paddingVertical: SPACE.xs, gap: SPACE.s },
  words: { flex: 1, minWidth: 0 },
  button: { alignSelf: 'flex-start' },
});
