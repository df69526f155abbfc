import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import { useUploadEvents } from '@/data/telemetry';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { pickText } from '@/frame/pick-text';
import { Trouble } from '@/frame/trouble';
import { counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const schema = object({ key: string().trim().default('') });

/** Takes business events (orders, payments) from a CSV file: the whole file, or nothing of it. */
export function EventsForm() {
  const palette = usePalette();
  const uploading = useUploadEvents();
  const [trouble, setTrouble] = useState('');
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { key: '' } });
  const submit = form.handleSubmit(async ({ key }) => {
    setTrouble('');
    try {
      const csv = await pickText('.csv,text/csv');
      if (csv !== undefined) uploading.mutate({ csv, key });
    } catch (error) {
      setTrouble(`This file cannot be read: ${(error as Error).message}.`);
    }
  });
  return (
    <View style={styles.box} testID="events-upload">
      <Words kind="section" level={2}>
        Business events from a file
      </Words>
      <Words kind="muted">
        CSV; its first row names the columns. Needed: time (with its zone) and name. Known as well: id, amount,
        currency, application, component, person, session, tier, region, site, promotion, item, version. Sent again, a
        row counts once.
      </Words>
      <FormField
        control={form.control}
        name="key"
        label="Your ingest key, where this server asks for one"
        isSecret
        testID="events-key"
      />
      <BusyButton
        mode="outlined"
        icon="upload"
        busy={uploading.isPending}
        onPress={() => void submit()}
        style={styles.button}
        testID="pick-events"
      >
        Choose a CSV file
      </BusyButton>
      {trouble !== '' && (
        <Words role="alert" style={{ color: palette.harm[3] }}>
          {trouble}
        </Words>
      )}
      {uploading.error && (
        <Trouble
          error={uploading.error}
          still="Nothing of the file was taken: mend it and choose it again."
          onRetry={() => void submit()}
        />
      )}
      <View role="status">{uploading.data && <Words>{takenWords(uploading.data)}</Words>}</View>
    </View>
  );
}

/** "1,204 events taken. 3 were refused: data.amount: …" */
export function takenWords({
  taken,
  rejected,
  reasons,
}: {
  taken: number;
  rejected: number;
  reasons?: string;
}): string {
  const refused = rejected === 0 ? '' : ` ${counted(rejected, 'was', 'were')} refused${reasons ? `: ${reasons}` : ''}.`;
  return `${counted(taken, 'event')} taken.${refused}`;
}

const styles = StyleSheet.create({ box: { gap: SPACE.s }, button: { alignSelf: 'flex-start' } });
