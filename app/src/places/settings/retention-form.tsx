import { yupResolver } from '@hookform/resolvers/yup';
import { KEPT_KINDS, LONGEST_KEPT_DAYS, SHORTEST_KEPT_DAYS, type KeptKind } from '@toplens/core/telemetry';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import type { Settings } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { parseDecimal } from '@/frame/decimal';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { useWho, whoChanges } from '@/frame/who';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const LABELS: Readonly<Record<KeptKind, string>> = {
  attempts: 'Attempts, probes, changes: days',
  traces: 'Spans inside attempts, failures: days',
  logs: 'Log lines: days',
  metrics: 'Metrics: days',
  pageLoads: 'Page loads, script errors: days',
  crashes: 'Crashes: days',
  phoneSessions: 'Sessions on phones: days',
};

const days = string()
  .default('')
  .test('days', `Days, from ${SHORTEST_KEPT_DAYS} to ${LONGEST_KEPT_DAYS}, or nothing.`, (text = '') => {
    const value = parseDecimal(text);
    return text.trim() === '' || (value >= SHORTEST_KEPT_DAYS && value <= LONGEST_KEPT_DAYS);
  });
const schema = object({
  ...(Object.fromEntries(KEPT_KINDS.map((kind) => [kind, days])) as Record<KeptKind, typeof days>),
  who: whoChanges,
});

const round = (value: number): number => Math.round(value * 100) / 100;

/** For how long each kind of telemetry is kept. */
export function RetentionForm({ settings }: { settings: Settings }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const { retention } = settings.file;
  const usual = settings.installation.keptDays;
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: {
      ...(Object.fromEntries(KEPT_KINDS.map((kind) => [kind, retention[kind]?.toString() ?? ''])) as Record<
        KeptKind,
        string
      >),
      who,
    },
  });
  const submit = form.handleSubmit(({ who: by, ...texts }) => {
    setWho(by);
    const value = Object.fromEntries(
      KEPT_KINDS.map((kind) => [kind, texts[kind].trim() === '' ? null : parseDecimal(texts[kind])]),
    );
    change.mutate({ who: by, key: 'retention', value });
  });
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        How long data is kept
      </Words>
      <Words kind="muted">
        What is older is dropped every six hours, and at once when one of these is made shorter. What is learned from it
        stays: usual times, counts by hour, incidents. An empty field is as the installation says.
      </Words>
      <View style={styles.fields}>
        {KEPT_KINDS.map((kind) => (
          <View key={kind} style={styles.field}>
            <FormField
              control={form.control}
              name={kind}
              label={LABELS[kind]}
              hint={`By the installation: ${counted(round(usual[kind]), 'day')}.`}
              testID={`retention-${kind}`}
            />
          </View>
        ))}
      </View>
      <SaveBar control={form.control} name="retention" words="Save" saving={change} onSave={() => void submit()} />
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  field: { flexGrow: 1, flexBasis: 300 },
});
