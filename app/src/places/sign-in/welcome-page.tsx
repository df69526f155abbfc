import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { object, string } from 'yup';
import { useChoosePassword, useLinkedAccount } from '@/data/session';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { useView } from '@/frame/view';
import { Words } from '@/look/text';
import { Door, styles } from './door';
import { newPassword, NEW_PASSWORD_HINT } from './passwords';

const schema = (isFirst: boolean) =>
  object({
    name: isFirst ? string().trim().required('Say who you are.') : string().default(''),
    mail: isFirst ? string().trim().required('Give your mail address.') : string().default(''),
    password: newPassword,
  });

/** By a link: whoever it is for chooses a password; the first of all says who they are, and administers from then on. */
export function WelcomePage({ token }: { token: string }) {
  const { data, error } = useLinkedAccount(token);
  if (error)
    return (
      <Door title="This link is over">
        <Words role="alert">{error.message}</Words>
      </Door>
    );
  if (!data)
    return (
      <Door title="Welcome">
        <Words kind="muted">Reading the link …</Words>
      </Door>
    );
  return <Welcome token={token} name={data.name} isFirst={data.isFirst} />;
}

function Welcome({ token, name, isFirst }: { token: string; name: string; isFirst: boolean }) {
  const choose = useChoosePassword(token);
  const { go } = useView();
  const form = useForm({
    resolver: yupResolver(schema(isFirst)),
    mode: 'onBlur',
    defaultValues: { name: '', mail: '', password: '' },
  });
  const submit = form.handleSubmit(({ password, ...who }) =>
    choose.mutate({ password, ...(isFirst && who) }, { onSuccess: () => go('/') }),
  );
  return (
    <Door title={isFirst ? 'The first administrator' : `Welcome, ${name}`}>
      <Words kind="muted">
        {isFirst
          ? 'Nobody can sign in yet. From now on you can, and you give others their accounts.'
          : 'Choose the password by which you sign in from now on.'}
      </Words>
      {isFirst && (
        <>
          <FormField control={form.control} name="name" label="Your name" autoComplete="name" testID="welcome-name" />
          <FormField
            control={form.control}
            name="mail"
            label="Mail address"
            autoComplete="username"
            testID="welcome-mail"
          />
        </>
      )}
      <FormField
        control={form.control}
        name="password"
        label="New password"
        hint={NEW_PASSWORD_HINT}
        isSecret
        autoComplete="new-password"
        onSubmit={() => void submit()}
        testID="welcome-password"
      />
      <View role="status">{choose.error && <Words role="alert">{choose.error.message}</Words>}</View>
      <BusyButton
        mode="contained"
        busy={choose.isPending}
        onPress={() => void submit()}
        style={styles.button}
        testID="welcome"
      >
        Go on
      </BusyButton>
    </Door>
  );
}
