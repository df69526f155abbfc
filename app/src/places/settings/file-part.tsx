import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { object } from 'yup';
import { useExportSettings, useImportSettings } from '@/data/settings';
import { BusyButton } from '@/frame/busy-button';
import { pickText } from '@/frame/pick-text';
import { SaveBar } from '@/frame/save-bar';
import { saveFile } from '@/frame/save-file';
import { Trouble } from '@/frame/trouble';
import { useWho, whoChanges } from '@/frame/who';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const schema = object({ who: whoChanges });

/** All settings out as one file, and in again. */
export function FilePart() {
  const exporting = useExportSettings();
  const importing = useImportSettings();
  const [picked, setPicked] = useState<unknown>();
  const [said, setSaid] = useState('');
  const [who, setWho] = useWho();
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: { who } });
  const save = () =>
    exporting.mutate(undefined, {
      onSuccess: (file) => {
        saveFile(JSON.stringify(file, null, 2), 'top-lens-settings.json', 'application/json');
        setSaid('Saved.');
      },
    });
  const pick = async () => {
    setSaid('');
    try {
      const text = await pickText('.json,application/json');
      if (text !== undefined) setPicked(JSON.parse(text));
    } catch (error) {
      setSaid(`This file holds no settings: ${(error as Error).message}`);
    }
  };
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    importing.mutate(
      { who: values.who, settings: picked },
      {
        onSuccess: () => {
          setPicked(undefined);
          setSaid('Imported. It can be undone below, under “Who changed what”.');
        },
      },
    );
  });
  return (
    <View style={styles.box} testID="settings-file">
      <Words kind="section" level={2}>
        All settings as one file
      </Words>
      <Words kind="muted">
        JSON, with what flows and journeys were given on their own pages. Its form: /api/settings/file/schema.
      </Words>
      <View style={styles.buttons}>
        <BusyButton mode="outlined" icon="download" busy={exporting.isPending} onPress={save} testID="export-settings">
          Save as a file
        </BusyButton>
        <Button mode="outlined" icon="upload" onPress={() => void pick()} testID="pick-settings">
          Import a file
        </Button>
      </View>
      {exporting.error && <Trouble error={exporting.error} onRetry={save} />}
      <View role="status">{said !== '' && <Words>{said}</Words>}</View>
      {picked !== undefined && (
        <>
          <Words>It takes the place of all settings, from now on. It is one change, which can be undone.</Words>
          <SaveBar
            control={form.control}
            name="import"
            words="Import it"
            saving={importing}
            onSave={() => void submit()}
          />
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});
