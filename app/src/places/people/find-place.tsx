import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import { useFindPerson, usePersonLooks } from '@/data/persons';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { lacking, useMay } from '@/frame/session';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { clock, count } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { PeopleFrame } from './people-frame';
import { PersonData } from './person-data';
import { SessionList } from './session-list';
import { lookReason, personKey, useSeesPersons } from './see-persons';

const schema = (isByKey: boolean) =>
  object({
    find: string().trim().required('An id, or an e-mail address.'),
    why: lookReason,
    key: personKey(isByKey),
  });

/** One person: everything that they did, in order. */
export function FindPlace() {
  const { view } = useView();
  const finding = useFindPerson(view);
  const { isByKey, may } = useSeesPersons();
  const mayReadLooks = useMay('records');
  const form = useForm({
    resolver: yupResolver(schema(isByKey)),
    mode: 'onBlur',
    defaultValues: { find: '', why: '', key: '' },
  });
  const submit = form.handleSubmit((values) => finding.mutate(values));
  return (
    <PeopleFrame title="Find a person" maxWidth={760}>
      <Words kind="title" level={1}>
        Find a person
      </Words>
      <Words kind="muted">
        “It did not work at three”: what this one person met. Addresses are looked for by their SHA-256, which is how
        they should be sent. Every look is recorded.
      </Words>
      {may ? (
        <>
          <FormField control={form.control} name="find" label="Id or e-mail address" testID="find-person" />
          <FormField control={form.control} name="why" label="What it is for" testID="find-why" />
          {isByKey && (
            <FormField control={form.control} name="key" label="Your key to see persons" isSecret testID="find-key" />
          )}
          <BusyButton
            mode="contained"
            busy={finding.isPending}
            onPress={() => void submit()}
            style={styles.button}
            testID="find-now"
          >
            Find
          </BusyButton>
        </>
      ) : (
        <Words>{lacking('persons')}</Words>
      )}
      {finding.error && <Trouble error={finding.error} still="What you typed is kept." onRetry={() => void submit()} />}
      {finding.data && <SessionList found={finding.data} />}
      {finding.data && <PersonData key={finding.data.person} person={finding.data.person} lookup={finding.variables} />}
      {mayReadLooks && <Looks />}
    </PeopleFrame>
  );
}

function Looks() {
  const { data } = usePersonLooks();
  if (!data) return null;
  return (
    <View style={styles.looks} testID="person-looks">
      <Words kind="section" level={2}>
        Who looked at persons
      </Words>
      {data.looks.length === 0 && <Words kind="muted">Nobody so far.</Words>}
      {data.looks.map(({ atMs, who, why, what, people }) => (
        <View key={`${atMs}${what}`}>
          <Words>{`${who}: ${why}`}</Words>
          <Words kind="small">{`${clock(atMs)} · ${what} · ${count(people)} ${people === 1 ? 'person' : 'people'}`}</Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  button: { alignSelf: 'flex-start' },
  looks: { gap: SPACE.xs, paddingTop: SPACE.m },
});
