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

const RATES = [
  ['waiting', 'A minute waited longer than usual'],
  ['failed', 'An attempt that failed or hung for good'],
  ['left', 'A person who left because of it'],
  ['missing', 'An attempt that never came'],
  ['money', 'A unit of money not earned'],
  ['keyMultiplier', 'Key customers count so many times'],
] as const;
type RateName = (typeof RATES)[number][0];

const rate = (least: number) =>
  string()
    .required('Write a number.')
    .test(
      'number',
      `A number, at least ${least}.`,
      (text) => text !== undefined && Number.isFinite(parseDecimal(text)) && parseDecimal(text) >= least,
    );

const schema = object({
  waiting: rate(0),
  failed: rate(0),
  left: rate(0),
  missing: rate(0),
  money: rate(0),
  keyMultiplier: rate(1),
  who: whoChanges,
});

/** What each kind of harm weighs, in minutes. */
export function RatesForm({ settings }: { settings: Settings }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const defaults = Object.fromEntries(RATES.map(([name]) => [name, String(settings.rates[name])])) as Record<
    RateName,
    string
  >;
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: { ...defaults, who } });
  const submit = form.handleSubmit(({ who: by, ...texts }) => {
    setWho(by);
    change.mutate({
      who: by,
      key: 'rates',
      value: Object.fromEntries(RATES.map(([name]) => [name, parseDecimal(texts[name])])),
    });
  });
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Harm rates, in points each
      </Words>
      <Words kind="muted">{`In force from now on; past windows keep what was set then. Key customers: ${settings.keyTiers.length > 0 ? settings.keyTiers.join(', ') : 'no tier'}.`}</Words>
      <View style={styles.fields}>
        {RATES.map(([name, label]) => (
          <View key={name} style={styles.field}>
            <FormField control={form.control} name={name} label={label} testID={`rate-${name}`} />
          </View>
        ))}
      </View>
      <SaveBar control={form.control} name="rates" words="Save rates" saving={change} onSave={() => void submit()} />
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  field: { flexGrow: 1, flexBasis: 300 },
});
