import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { object, string } from 'yup';
import { useKeepSourceMap, useSourceMaps } from '@/data/pages';
import { FormField } from '@/frame/form-field';
import { Submit } from '@/frame/submit';
import { pickText } from '@/frame/pick-text';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const schema = object({
  component: string().trim().required('Which component: its name in the key of the page.'),
  version: string().trim().default(''),
  file: string()
    .trim()
    .required('The script that the map belongs to, as app.min.js.')
    .matches(/^[^/?#]+$/, 'The name alone, without a path.'),
});
const MOST_LISTED = 10;

/** Takes a source map, and lists those that are there. */
export function SourceMapForm() {
  const palette = usePalette();
  const { data } = useSourceMaps();
  const keeping = useKeepSourceMap();
  const [isOpen, setOpen] = useState(false);
  const [trouble, setTrouble] = useState('');
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { component: '', version: '', file: '' },
  });
  const submit = form.handleSubmit(async (values) => {
    setTrouble('');
    try {
      const text = await pickText('.map,application/json');
      if (text !== undefined) keeping.mutate({ ...values, map: JSON.parse(text) as Record<string, unknown> });
    } catch (error) {
      setTrouble(`This file is no source map: ${(error as Error).message}`);
    }
  });
  return (
    <View style={styles.box} testID="source-maps">
      <Words kind="section" level={2}>
        Source maps
      </Words>
      {data?.maps.length === 0 && (
        <Words kind="muted">None so far: places are told as they stand in the minified script.</Words>
      )}
      {data?.maps.slice(0, MOST_LISTED).map(({ component, version, file, uploadedMs }) => (
        <Words key={[component, version, file].join('|')} kind="small">
          {[file, component, version && `version ${version}`, `since ${clock(uploadedMs)}`].filter(Boolean).join(' · ')}
        </Words>
      ))}
      {!isOpen && (
        <Button mode="outlined" onPress={() => setOpen(true)} style={styles.button} testID="add-map">
          Add a source map
        </Button>
      )}
      {isOpen && (
        <>
          <FormField control={form.control} name="component" label="Component" testID="map-component" />
          <FormField control={form.control} name="version" label="Version, as the page tells it" testID="map-version" />
          <FormField control={form.control} name="file" label="Script" testID="map-file" />
          {trouble !== '' && (
            <Words role="alert" style={{ color: palette.harm[3] }}>
              {trouble}
            </Words>
          )}
          <Submit
            doing={keeping}
            still="What you typed is kept."
            onPress={() => void submit()}
            style={styles.button}
            testID="keep-map"
          >
            Choose the file
          </Submit>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs, paddingTop: SPACE.m },
  button: { alignSelf: 'flex-start' },
});
