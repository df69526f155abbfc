import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { object, string } from 'yup';
import { useGiveCode, useGoToProvider, useSignIn, type SessionState } from '@/data/session';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { Words } from '@/look/text';
import { Door, styles } from './door';

const schema = object({
  mail: string().trim().required('Give your mail address.'),
  password: string().required('Give your password.'),
});

/** What whoever is not signed in sees at every address; behind it they are where they wanted to go. */
export function SignInPage({ state }: { state: SessionState }) {
  return state.awaitsSecondFactor ? <Code /> : <Password provider={state.provider} />;
}

function Password({ provider }: { provider: string | null }) {
  const signIn = useSignIn();
  const goThere = useGoToProvider();
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { mail: '', password: '' } });
  const submit = form.handleSubmit((values) => signIn.mutate(values));
  return (
    <Door title="Sign in">
      {provider !== null && (
        <>
          <BusyButton mode="contained" busy={goThere.isPending} onPress={() => goThere.mutate()} testID="provider">
            {`Sign in with ${provider}`}
          </BusyButton>
          {goThere.error && <Words role="alert">{goThere.error.message}</Words>}
          <Words kind="muted">Or with an account of Top Lens:</Words>
        </>
      )}
      <FormField
        control={form.control}
        name="mail"
        label="Mail address"
        autoComplete="username"
        onSubmit={() => void submit()}
        testID="sign-in-mail"
      />
      <FormField
        control={form.control}
        name="password"
        label="Password"
        isSecret
        autoComplete="current-password"
        onSubmit={() => void submit()}
        testID="sign-in-password"
      />
      <View role="status">{signIn.error && <Words role="alert">{signIn.error.message}</Words>}</View>
      <BusyButton
        mode={provider === null ? 'contained' : 'outlined'}
        busy={signIn.isPending}
        onPress={() => void submit()}
        style={styles.button}
        testID="sign-in"
      >
        Sign in
      </BusyButton>
      <Words kind="small">Without an account, or with a password that is lost: ask an administrator of Top Lens.</Words>
    </Door>
  );
}

const codeSchema = object({ code: string().trim().required('Give the code that your phone shows.') });

function Code() {
  const give = useGiveCode();
  const form = useForm({ resolver: yupResolver(codeSchema), defaultValues: { code: '' } });
  const submit = form.handleSubmit(({ code }) => give.mutate(code));
  return (
    <Door title="Your second factor">
      <FormField
        control={form.control}
        name="code"
        label="Code"
        hint="The six digits that your phone shows now, or one of your recovery codes."
        autoComplete="one-time-code"
        onSubmit={() => void submit()}
        testID="sign-in-code"
      />
      <View role="status">{give.error && <Words role="alert">{give.error.message}</Words>}</View>
      <BusyButton
        mode="contained"
        busy={give.isPending}
        onPress={() => void submit()}
        style={styles.button}
        testID="give-code"
      >
        Go on
      </BusyButton>
    </Door>
  );
}
