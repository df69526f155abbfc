import { useExportHurt } from '@/data/incidents';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { useView } from '@/frame/view';
import { Words } from '@/look/text';
import { LookForm } from '../people/look-form';

/** The people hit, by name: needs a right and a reason, both of which are recorded. */
export function ExportSheet({ incidentId, onClose }: { incidentId: number; onClose: () => void }) {
  const { view } = useView();
  const exporting = useExportHurt(incidentId, view);
  return (
    <Sheet title="Save the list by name" onClose={onClose}>
      <Words kind="muted">Who was hurt, with their ids, as CSV. It is recorded who saved it, when, and why.</Words>
      <LookForm
        name="export"
        words="Save"
        looking={exporting}
        still="Nothing was saved; what you typed is kept."
        onLook={(values) =>
          exporting.mutate(values, {
            onSuccess: (csv) => {
              saveFile(csv, `incident-${incidentId}-people.csv`, 'text/csv;charset=utf-8');
              onClose();
            },
          })
        }
      />
    </Sheet>
  );
}
