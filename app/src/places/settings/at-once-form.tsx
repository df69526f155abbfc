import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import type { Settings } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { parseDecimal } from '@/frame/decimal';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { useWho, whoChanges } from '@/frame/who';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const LONGEST_S = 10;
const isSeconds = (text = '') => {
  const seconds = parseDecimal(text);
  return text.trim() !== '' && seconds >= 0 && seconds <= LONGEST_S;
};

const schema = object({
  atOnce: string().required('Write a number.').test('seconds', `Seconds, from 0 to ${LONGEST_S}.`, isSeconds),
  who: whoChanges,
});

/** Below what nobody feels that it became slower. */
export function AtOnceForm({ settings }: { settings: Settings }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { atOnce: String(settings.file.atOnceMs / 1000), who },
  });
  const submit = form.handleSubmit(({ who: by, atOnce }) => {
    setWho(by);
    change.mutate({ who: by, key: 'atOnceMs', value: Math.round(parseDecimal(atOnce) * 1000) });
  });
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Answered at once
      </Words>
      <Words kind="muted">
        Where people wait, nothing that is answered sooner is late, however quick it usually is. A limit that an owner
        set goes before.
      </Words>
      <FormField control={form.control} name="atOnce" label="Seconds" testID="at-once" />
      <SaveBar control={form.control} name="at-once" words="Save" saving={change} onSave={() => void submit()} />
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.s } });
