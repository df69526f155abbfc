import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { object, string } from 'yup';
import { useKeepNameMapping, useNameMappings } from '@/data/phones';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { pickText } from '@/frame/pick-text';
import { Trouble } from '@/frame/trouble';
import { clock, count } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const schema = object({
  component: string().trim().required('Which component: service.name, as the phone tells it.'),
  version: string().trim().required('Which version: names change with each build.'),
});
const MOST_LISTED = 10;

/** Takes the mapping that R8 or ProGuard wrote beside a build, and lists those that are there. */
export function NameMappingForm() {
  const { data } = useNameMappings();
  const keeping = useKeepNameMapping();
  const [isOpen, setOpen] = useState(false);
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { component: '', version: '' },
  });
  const submit = form.handleSubmit(async (values) => {
    const mapping = await pickText('.txt,.map,text/plain');
    if (mapping !== undefined) keeping.mutate({ ...values, mapping });
  });
  return (
    <View style={styles.box} testID="name-mappings">
      <Words kind="section" level={2}>
        Mappings of names
      </Words>
      {data?.mappings.length === 0 && (
        <Words kind="muted">None so far: stacks of phones are told with the names that the build made short.</Words>
      )}
      {data?.mappings.slice(0, MOST_LISTED).map(({ component, version, uploadedMs }) => (
        <Words key={`${component}|${version}`} kind="small">
          {`${component} · version ${version} · since ${clock(uploadedMs)}`}
        </Words>
      ))}
      {!isOpen && (
        <Button mode="outlined" onPress={() => setOpen(true)} style={styles.button} testID="add-mapping">
          Add a mapping
        </Button>
      )}
      {isOpen && (
        <>
          <FormField control={form.control} name="component" label="Component" testID="mapping-component" />
          <FormField control={form.control} name="version" label="Version" testID="mapping-version" />
          {keeping.error && (
            <Trouble error={keeping.error} still="What you typed is kept." onRetry={() => void submit()} />
          )}
          {keeping.data && (
            <Words role="status">{`Kept: it restores the names of ${count(keeping.data.classes)} classes.`}</Words>
          )}
          <BusyButton
            mode="contained"
            busy={keeping.isPending}
            onPress={() => void submit()}
            style={styles.button}
            testID="keep-mapping"
          >
            Choose the file
          </BusyButton>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs, paddingTop: SPACE.m },
  button: { alignSelf: 'flex-start' },
});
