import { yupResolver } from '@hookform/resolvers/yup';
import { PRIORITIES } from '@toplens/core/incidents';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import type { Settings } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { useWho, whoChanges } from '@/frame/who';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const LONGEST = 44_640;
const minutes = (least = 0, most = LONGEST) =>
  string()
    .required('Write a number of minutes.')
    .test(
      'minutes',
      `Whole minutes, from ${least} to ${most}.`,
      (text = '') => /^\d+$/.test(text.trim()) && Number(text) >= least && Number(text) <= most,
    );

const FIELDS = PRIORITIES.flatMap(
  (priority) =>
    [
      { name: `${priority}accept`, label: `${priority}: until it is accepted, minutes`, priority, stage: 'accept' },
      { name: `${priority}fix`, label: `${priority}: from then on until a fix, minutes`, priority, stage: 'fix' },
    ] as const,
);

const WATCH_FIELDS = [
  { name: 'settle', label: 'A fix reaches everybody within, minutes' },
  { name: 'calm', label: 'Proven after, at the earliest, minutes' },
] as const;

const schema = object({
  ...(Object.fromEntries(FIELDS.map(({ name }) => [name, minutes()])) as Record<
    (typeof FIELDS)[number]['name'],
    ReturnType<typeof minutes>
  >),
  settle: minutes(0, 1_440),
  calm: minutes(5, 1_440),
  who: whoChanges,
});

/** How long a handoff may wait, and how a reported fix is watched. */
export function HandoffsForm({ settings }: { settings: Settings }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const { mayWait, settleMinutes, calmMinutes } = settings.file.handoffs;
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: {
      ...(Object.fromEntries(
        FIELDS.map(({ name, priority, stage }) => [name, String(mayWait[priority][stage])]),
      ) as Record<(typeof FIELDS)[number]['name'], string>),
      settle: String(settleMinutes),
      calm: String(calmMinutes),
      who,
    },
  });
  const submit = form.handleSubmit(({ who: by, settle, calm, ...texts }) => {
    setWho(by);
    change.mutate({
      who: by,
      key: 'handoffs',
      value: {
        mayWait: Object.fromEntries(
          PRIORITIES.map((priority) => [
            priority,
            { accept: Number(texts[`${priority}accept`]), fix: Number(texts[`${priority}fix`]) },
          ]),
        ),
        settleMinutes: Number(settle),
        calmMinutes: Number(calm),
      },
    });
  });
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Handoffs: how long they may wait
      </Words>
      <Words kind="muted">
        By the priority of the incident. What waits longer stands first under Sent. After a reported fix the
        incident&apos;s own figures are watched.
      </Words>
      <View style={styles.fields}>
        {[...FIELDS, ...WATCH_FIELDS].map(({ name, label }) => (
          <View key={name} style={styles.field}>
            <FormField control={form.control} name={name} label={label} testID={`handoffs-${name}`} />
          </View>
        ))}
      </View>
      <SaveBar control={form.control} name="handoffs" words="Save" saving={change} onSave={() => void submit()} />
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  field: { flexGrow: 1, flexBasis: 300 },
});
