import { lazy, Suspense, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useConfirmSecondFactor, useEndSecondFactor, useNewSecondFactor, type OwnAccount } from '@/data/accounts';
import type { Schemas } from '@/data/client';
import { BusyButton } from '@/frame/busy-button';
import { CopyText } from '@/frame/copy-text';
import { Field } from '@/frame/field';
import { Fold } from '@/frame/fold';
import { Sheet } from '@/frame/sheet';
import { Submit } from '@/frame/submit';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const Code = lazy(() => import('react-native-qrcode-svg'));
const CODE_SIDE = 200;

/** A second factor: set up with a phone, shown to work before it is asked for, and taken away again. */
export function SecondFactorPart({ account }: { account: OwnAccount }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Second factor
      </Words>
      {account.hasSecondFactor ? (
        <>
          <Words>{`On. ${counted(account.recoveryCodes, 'recovery code')} left.`}</Words>
          <Fold words="Switch it off">
            <End />
          </Fold>
        </>
      ) : (
        <>
          <Words kind="muted">Off: whoever learns your password is signed in as you.</Words>
          <Button mode="outlined" onPress={() => setOpen(true)} style={styles.button} testID="second-factor">
            Set it up
          </Button>
        </>
      )}
      {isOpen && <SetUp onClose={() => setOpen(false)} />}
    </View>
  );
}

function SetUp({ onClose }: { onClose: () => void }) {
  const make = useNewSecondFactor();
  const confirm = useConfirmSecondFactor();
  if (confirm.data)
    return (
      <Sheet title="Recovery codes" onClose={onClose}>
        <Words>
          Your second factor is on. Each of these codes signs you in once, when your phone is not at hand. They are
          shown this once: keep them where you keep passwords.
        </Words>
        <View role="list" testID="recovery-codes">
          {confirm.data.codes.map((code) => (
            <Words role="listitem" kind="code" selectable key={code}>
              {code}
            </Words>
          ))}
        </View>
        <CopyText text={confirm.data.codes.join('\n')} name="the recovery codes" />
        <Button mode="contained" onPress={onClose} testID="recovery-kept">
          I have kept them
        </Button>
      </Sheet>
    );
  return (
    <Sheet title="Set up a second factor" onClose={onClose}>
      {!make.data && (
        <>
          <Words>
            You need an application on your phone that shows one-time passwords (RFC 6238); any of them does.
          </Words>
          <Submit doing={make} onPress={() => make.mutate()} testID="second-factor-begin">
            Begin
          </Submit>
        </>
      )}
      {make.data && <Confirm made={make.data} confirm={confirm} />}
    </Sheet>
  );
}

function Confirm({
  made: { secret, address },
  confirm,
}: {
  made: Schemas['NewSecondFactor'];
  confirm: ReturnType<typeof useConfirmSecondFactor>;
}) {
  const [code, setCode] = useState('');
  return (
    <>
      <Words>Have your phone read this code, or type the letters below it.</Words>
      {/* Dark on white in both looks: that is what cameras read. */}
      <View role="img" aria-label="Code with the secret, for the phone's camera" style={styles.code}>
        <Suspense fallback={null}>
          <Code value={address} size={CODE_SIDE} quietZone={SPACE.m} />
        </Suspense>
      </View>
      <Words kind="code" selectable testID="second-factor-secret">
        {secret.replaceAll(/(.{4})(?=.)/g, '$1 ')}
      </Words>
      <Field
        label="The six digits that it shows now"
        value={code}
        onChange={setCode}
        autoComplete="one-time-code"
        testID="second-factor-code"
      />
      <View role="status">{confirm.error && <Words role="alert">{confirm.error.message}</Words>}</View>
      <BusyButton
        mode="contained"
        busy={confirm.isPending}
        onPress={() => confirm.mutate({ secret, code })}
        testID="second-factor-confirm"
      >
        Switch it on
      </BusyButton>
    </>
  );
}

function End() {
  const end = useEndSecondFactor();
  const [password, setPassword] = useState('');
  return (
    <View style={styles.part}>
      <Field
        label="Your password"
        value={password}
        onChange={setPassword}
        isSecret
        autoComplete="current-password"
        testID="second-factor-password"
      />
      <View role="status">{end.error && <Words role="alert">{end.error.message}</Words>}</View>
      <BusyButton
        mode="outlined"
        busy={end.isPending}
        onPress={() => end.mutate(password)}
        style={styles.button}
        testID="second-factor-end"
      >
        Switch it off
      </BusyButton>
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  button: { alignSelf: 'flex-start' },
  code: { alignSelf: 'center', backgroundColor: '#fff', minHeight: CODE_SIDE },
});
