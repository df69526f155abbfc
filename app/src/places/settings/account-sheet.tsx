import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { object, string } from 'yup';
import {
  useAccountLink,
  useAddAccount,
  useGive,
  useSignOutOther,
  useTakeSecondFactor,
  type Account,
  type Grant,
} from '@/data/accounts';
import type { Schemas } from '@/data/client';
import { CheckLine } from '@/frame/check-line';
import { FormField } from '@/frame/form-field';
import { Sheet } from '@/frame/sheet';
import { ToldOnce } from '@/frame/told-once';
import { Trouble } from '@/frame/trouble';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { GrantsField } from './grants-field';
import { Submit } from '@/frame/submit';

const schema = object({
  name: string().trim().required('Say who this is.'),
  mail: string().trim().required('Give a mail address: they sign in by it.'),
});

/** A new account: who it is for and what they may do; the link by which they choose a password is told once. */
export function NewAccountSheet({ onClose }: { onClose: () => void }) {
  const add = useAddAccount();
  const [grants, setGrants] = useState<Grant[]>([{ role: 'viewer', of: '', untilMs: null }]);
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: { name: '', mail: '' } });
  const submit = form.handleSubmit((who) => add.mutate({ ...who, grants }));
  if (add.data)
    return (
      <Sheet title="The account is made" onClose={onClose}>
        <Link link={add.data} />
      </Sheet>
    );
  return (
    <Sheet title="A new account" onClose={onClose}>
      <FormField control={form.control} name="name" label="Name" testID="account-name" />
      <FormField control={form.control} name="mail" label="Mail address" testID="account-mail" />
      <GrantsField grants={grants} onChange={setGrants} />
      <Submit doing={add} still="Nothing was made." onPress={() => void submit()} testID="account-add">
        Make the account
      </Submit>
    </Sheet>
  );
}

/** What somebody was given; a new link, signing them out, and the end. */
export function AccountSheet({ account, onClose }: { account: Account; onClose: () => void }) {
  const give = useGive();
  const link = useAccountLink();
  const signOut = useSignOutOther();
  const takeFactor = useTakeSecondFactor();
  const [grants, setGrants] = useState<Grant[]>(account.grants);
  const [isEnded, setEnded] = useState(account.isEnded);
  const submit = () => give.mutate({ id: account.id, grants, isEnded }, { onSuccess: onClose });
  const failed = [link, signOut, takeFactor].find(({ error }) => error !== null);
  return (
    <Sheet title={account.name} onClose={onClose}>
      {account.mail !== '' && <Words kind="muted">{account.mail}</Words>}
      <GrantsField grants={grants} onChange={setGrants} />
      <CheckLine words="Cannot sign in any more" isChosen={isEnded} onToggle={() => setEnded(!isEnded)} />
      <Submit doing={give} still="Nothing was changed." onPress={submit} testID="account-give">
        Save
      </Submit>
      <View style={styles.buttons}>
        {!account.isElsewhere && (
          <Button
            mode="outlined"
            disabled={link.isPending}
            onPress={() => link.mutate(account.id)}
            testID="account-link"
          >
            New link for a password
          </Button>
        )}
        {account.seenMs !== null && (
          <Button mode="outlined" disabled={signOut.isPending} onPress={() => signOut.mutate(account.id)}>
            Sign them out everywhere
          </Button>
        )}
        {account.hasSecondFactor && (
          <Button mode="outlined" disabled={takeFactor.isPending} onPress={() => takeFactor.mutate(account.id)}>
            Take the second factor that is lost
          </Button>
        )}
      </View>
      {failed?.error && <Trouble error={failed.error} onRetry={() => failed.reset()} />}
      {link.data && <Link link={link.data} />}
    </Sheet>
  );
}

const Link = ({ link: { url, endsMs } }: { link: Schemas['AccountLink'] }) => (
  <ToldOnce
    text={url}
    name="the link"
    words={`By this link they choose a password. It opens once, until ${clock(endsMs)}, and is shown this once.`}
    testID="account-url"
  />
);

const styles = StyleSheet.create({
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});
