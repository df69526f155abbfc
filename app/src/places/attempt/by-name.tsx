import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { useUnmaskAttempt } from '@/data/attempts';
import type { Schemas } from '@/data/client';
import { Sheet } from '@/frame/sheet';
import { Words } from '@/look/text';
import { LookForm } from '../people/look-form';

type Page = Schemas['AttemptPage'];
export type Props = { page: Page; onUnmasked: (page: Page) => void };

/** Ids, messages and lines of an attempt as they were sent, for who may see persons. */
export function ByName({ page, onUnmasked }: Props) {
  const [isOpen, setOpen] = useState(false);
  if (page.isUnmasked)
    return (
      <Words role="status" testID="by-name">
        Ids, messages and log lines stand here as they were sent. It is recorded who looked, and why.
      </Words>
    );
  return (
    <>
      <Button onPress={() => setOpen(true)} style={styles.button} testID="unmask">
        Show by name
      </Button>
      {isOpen && <UnmaskSheet page={page} onUnmasked={onUnmasked} onClose={() => setOpen(false)} />}
    </>
  );
}

function UnmaskSheet({ page, onUnmasked, onClose }: Props & { onClose: () => void }) {
  const unmasking = useUnmaskAttempt(page.traceId, page.spanId);
  return (
    <Sheet title="Show this attempt by name" onClose={onClose}>
      <Words kind="muted">
        The person’s id, messages and log lines without masks, on this page until it is left. It is recorded who looked,
        when, and why.
      </Words>
      <LookForm
        name="unmask"
        words="Show"
        looking={unmasking}
        still="Nothing was shown; what you typed is kept."
        onLook={(values) =>
          unmasking.mutate(values, {
            onSuccess: (unmasked) => {
              onUnmasked(unmasked);
              onClose();
            },
          })
        }
      />
    </Sheet>
  );
}

const styles = StyleSheet.create({ button: { alignSelf: 'flex-start' } });
