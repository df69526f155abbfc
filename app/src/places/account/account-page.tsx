import { StyleSheet, View } from 'react-native';
import { useOwnAccount, useSignOutElsewhere, type OwnAccount } from '@/data/accounts';
import { useSignOut } from '@/data/session';
import { BusyButton } from '@/frame/busy-button';
import { grantLine } from '@/frame/grant-words';
import { InnerPage } from '@/frame/inner-page';
import { useSession } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { clock, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { Door } from '../sign-in/door';
import { PasswordForm } from './password-form';
import { SecondFactorPart } from './second-factor-part';
import { VisitPart } from './visit-part';

/** Who looks: what they may do, how they sign in, and where they are signed in. */
export function AccountPage() {
  const { who, mustSetUpFactor } = useSession();
  const { data, error, refetch } = useOwnAccount(who !== null);
  // In front of all places: nothing else may be asked for yet, not even how fresh the data is.
  if (mustSetUpFactor)
    return (
      <Door title="Set up a second factor">
        <Words testID="must-set-up">
          Whoever may do what you may signs in with a second factor here. Until you have one, you see your own account
          alone.
        </Words>
        {error && <Trouble error={error} onRetry={() => void refetch()} />}
        {data && <Own account={data} />}
      </Door>
    );
  return (
    <InnerPage title="You" error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          {who?.name ?? 'A visitor of the demo'}
        </Words>
        {who === null && (
          <Words kind="muted">
            You look at the demo without being signed in, and may do everything but see persons by name. What you change
            is kept with the name that you say.
          </Words>
        )}
        {data && <Own account={data} />}
        <VisitPart />
      </View>
    </InnerPage>
  );
}

function Own({ account }: { account: OwnAccount }) {
  const signOut = useSignOut();
  return (
    <>
      <View style={styles.part}>
        {account.mail !== '' && <Words>{account.mail}</Words>}
        <Words kind="section" level={2}>
          What you are here
        </Words>
        {account.grants.length === 0 && (
          <Words>Nothing yet: an administrator gives you a role. Until then you see your own account alone.</Words>
        )}
        <View role="list">
          {account.grants.map((grant) => (
            <Words role="listitem" key={grantLine(grant)}>
              {grantLine(grant)}
            </Words>
          ))}
        </View>
        <BusyButton
          mode="outlined"
          busy={signOut.isPending}
          onPress={() => signOut.mutate()}
          style={styles.button}
          testID="sign-out"
        >
          Sign out
        </BusyButton>
        {signOut.error && <Trouble error={signOut.error} onRetry={() => signOut.mutate()} />}
      </View>
      {account.hasPassword && (
        <>
          <SecondFactorPart account={account} />
          <PasswordForm />
        </>
      )}
      <Sessions sessions={account.sessions} />
    </>
  );
}

function Sessions({ sessions }: Pick<OwnAccount, 'sessions'>) {
  const palette = usePalette();
  const end = useSignOutElsewhere();
  const others = sessions.filter(({ isThis }) => !isThis).length;
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Where you are signed in
      </Words>
      <View role="list">
        {sessions.map((one) => (
          <View role="listitem" key={one.madeMs} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Words kind={one.isThis ? 'strong' : 'body'}>
              {[one.isThis && 'Here', one.browser || 'A browser that says nothing of itself']
                .filter(Boolean)
                .join(': ')}
            </Words>
            <Words kind="small">{`From ${one.address}, since ${clock(one.madeMs)}, seen ${clock(one.seenMs)}`}</Words>
          </View>
        ))}
      </View>
      {end.error && <Trouble error={end.error} onRetry={() => end.mutate(undefined)} />}
      {others > 0 && (
        <BusyButton
          mode="outlined"
          busy={end.isPending}
          onPress={() => end.mutate(undefined)}
          style={styles.button}
          testID="sign-out-elsewhere"
        >
          {`Sign out of the ${counted(others, 'other browser')}`}
        </BusyButton>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, gap: SPACE.xl, maxWidth: 720 },
  part: { gap: SPACE.s },
  button: { alignSelf: 'flex-start' },
  row: { borderTopWidth: 1, paddingVertical: SPACE.xs },
});
