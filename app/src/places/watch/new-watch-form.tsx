import { yupResolver } from '@hookform/resolvers/yup';
import { LONGEST_WATCHED_MS, MOST_VARIABLES, parseVariable } from '@toplens/core/watch';
import { MINUTE_MS } from '@toplens/core/time';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { number, object, string } from 'yup';
import type { Schemas } from '@/data/client';
import { useMakeWatchPoint, type WatchPoint } from '@/data/watch';
import { FormField } from '@/frame/form-field';
import { Submit } from '@/frame/submit';
import { SPACE } from '@/look/tokens';
import { askedOf, serviceWords } from './watch-words';

const LONGEST_MINUTES = LONGEST_WATCHED_MS / MINUTE_MS;
const listed = (text: string): string[] =>
  text
    .split(/[,\n]/)
    .map((one) => one.trim())
    .filter(Boolean);

const wholeNumber = (missing: string, most: number) =>
  string()
    .required(missing)
    .test('number', `A whole number from 1 to ${most.toLocaleString('en')}.`, (text) =>
      number().integer().min(1).max(most).isValidSync(text),
    );

const schema = object({
  component: string().trim().required('Say which service.'),
  file: string()
    .trim()
    .required('Say which file, as the stack shows it.')
    .matches(/[^/\\\s]$/, 'It ends with a name, as src/surcharge.js.'),
  line: wholeNumber('Say which line.', 1_000_000),
  variables: string()
    .required('Say what to read.')
    .test('variables', '', (text, { createError }) => {
      const all = listed(text);
      const wrong = all.find((one) => parseVariable(one) === undefined);
      if (wrong !== undefined)
        return createError({
          message: `“${wrong}” is no variable with its properties, as order.items[0].price. Nothing is called or computed.`,
        });
      return all.length <= MOST_VARIABLES || createError({ message: `At most ${MOST_VARIABLES} at one line.` });
    }),
  why: string().trim().required('Say why: it stands in the records.'),
  minutes: wholeNumber('Say for how long.', LONGEST_MINUTES),
});

/** Asks for a line of running code to be read. */
export function NewWatchForm({
  asked,
  services,
  onMade,
}: {
  asked: ReturnType<typeof askedOf>;
  services: Schemas['WatchPoints']['services'];
  onMade: (point: WatchPoint) => void;
}) {
  const make = useMakeWatchPoint();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { ...asked, variables: '', why: '', minutes: '30' },
  });
  const { control } = form;
  const submit = form.handleSubmit(({ line, variables, minutes, ...rest }) =>
    make.mutate(
      { ...rest, line: Number(line), minutes: Number(minutes), variables: listed(variables) },
      { onSuccess: onMade },
    ),
  );
  return (
    <View style={styles.form}>
      <FormField
        control={control}
        name="component"
        label="Service"
        hint={
          services.length === 0
            ? 'No service asks which lines to watch. It does once it runs with watch.mjs; see the documentation.'
            : `Can be watched now: ${services.map(serviceWords).join('; ')}.`
        }
        testID="watch-component"
      />
      <FormField control={control} name="file" label="File, as the stack shows it" testID="watch-file" />
      <FormField control={control} name="line" label="Line" testID="watch-line" />
      <FormField
        control={control}
        name="variables"
        label="Variables to read"
        hint="With their properties, as order.items[0].price; several with commas. Nothing is called or computed."
        testID="watch-variables"
      />
      <FormField control={control} name="why" label="What it is for" testID="watch-why" />
      <FormField
        control={control}
        name="minutes"
        label="For how many minutes at most"
        onSubmit={() => void submit()}
        testID="watch-minutes"
      />
      <Submit
        doing={make}
        still="Nothing is watched by it."
        onPress={() => void submit()}
        style={styles.button}
        testID="watch-make"
      >
        Watch the line
      </Submit>
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: SPACE.s }, button: { alignSelf: 'flex-start', marginTop: SPACE.s } });
