import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import { useChangePassword } from '@/data/accounts';
import { BusyButton } from '@/frame/busy-button';
import { Fold } from '@/frame/fold';
import { FormField } from '@/frame/form-field';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { newPassword, NEW_PASSWORD_HINT } from '../sign-in/passwords';

const schema = object({ current: string().required('Give the password that holds.'), next: newPassword });
const EMPTY = { current: '', next: '' };

export function PasswordForm() {
  const change = useChangePassword();
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: EMPTY });
  const submit = form.handleSubmit((values) => change.mutate(values, { onSuccess: () => form.reset(EMPTY) }));
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Password
      </Words>
      <Fold words="Change it">
        <View style={styles.part}>
          <FormField
            control={form.control}
            name="current"
            label="The password that holds"
            isSecret
            autoComplete="current-password"
            testID="password-current"
          />
          <FormField
            control={form.control}
            name="next"
            label="New password"
            hint={NEW_PASSWORD_HINT}
            isSecret
            autoComplete="new-password"
            testID="password-next"
          />
          <View role="status">
            {change.error && <Words role="alert">{change.error.message}</Words>}
            {change.isSuccess && <Words>It is changed. You are signed out everywhere else.</Words>}
          </View>
          <BusyButton
            mode="outlined"
            busy={change.isPending}
            onPress={() => void submit()}
            style={styles.button}
            testID="change-password"
          >
            Change it
          </BusyButton>
        </View>
      </Fold>
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: SPACE.s }, button: { alignSelf: 'flex-start' } });
