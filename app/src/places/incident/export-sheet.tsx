import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { Button } from 'react-native-paper';
import { object } from 'yup';
import { useExportHurt } from '@/data/incidents';
import { FormField } from '@/frame/form-field';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { Words } from '@/look/text';
import { lookReason, personKey } from '../people/see-persons';

const schema = object({ why: lookReason, key: personKey });

/** The people hit, by name: needs a right and a reason, both of which are recorded. */
export function ExportSheet({ incidentId, onClose }: { incidentId: number; onClose: () => void }) {
  const { view } = useView();
  const exporting = useExportHurt(incidentId, view);
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: { why: '', key: '' } });
  const submit = form.handleSubmit((values) =>
    exporting.mutate(values, {
      onSuccess: (csv) => {
        saveFile(csv, `incident-${incidentId}-people.csv`, 'text/csv;charset=utf-8');
        onClose();
      },
    }),
  );
  return (
    <Sheet title="Save the list by name" onClose={onClose}>
      <Words kind="muted">Who was hurt, with their ids, as CSV. It is recorded who saved it, when, and why.</Words>
      <FormField control={form.control} name="why" label="What it is for" testID="export-why" />
      <FormField control={form.control} name="key" label="Your key to see persons" isSecret testID="export-key" />
      {exporting.error && (
        <Trouble
          error={exporting.error}
          still="Nothing was saved; what you typed is kept."
          onRetry={() => void submit()}
        />
      )}
      <Button
        mode="contained"
        loading={exporting.isPending}
        disabled={exporting.isPending}
        onPress={() => void submit()}
        testID="export-now"
      >
        Save
      </Button>
    </Sheet>
  );
}
