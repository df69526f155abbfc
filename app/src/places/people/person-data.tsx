import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useErasePerson, useExportPerson, type PersonLookup } from '@/data/persons';
import { BusyButton } from '@/frame/busy-button';
import { saveFile } from '@/frame/save-file';
import { Sheet } from '@/frame/sheet';
import { Trouble } from '@/frame/trouble';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** What a person may ask for: all that is stored of them, and that nobody can tell any more who they are. */
export function PersonData({ person, lookup }: { person: string; lookup: PersonLookup }) {
  const exporting = useExportPerson();
  const erasing = useErasePerson();
  const [asks, setAsks] = useState(false);
  if (erasing.data)
    return (
      <Words testID="erased">
        {`Erased: nothing tells any more who ${erasing.data.person} was. ${counted(erasing.data.attempts, 'attempt')} ${erasing.data.attempts === 1 ? 'stays' : 'stay'}, of somebody unknown.`}
      </Words>
    );
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        When this person asks
      </Words>
      {exporting.error && (
        <Trouble error={exporting.error} still="Nothing was saved." onRetry={() => exporting.reset()} />
      )}
      <View style={styles.buttons}>
        <BusyButton
          mode="outlined"
          icon="download"
          busy={exporting.isPending}
          onPress={() =>
            exporting.mutate(lookup, { onSuccess: (json) => saveFile(json, 'person.json', 'application/json') })
          }
          testID="export-person"
        >
          Save all that is stored
        </BusyButton>
        <Button mode="outlined" icon="account-off-outline" onPress={() => setAsks(true)} testID="erase-person">
          Erase who this is
        </Button>
      </View>
      {asks && (
        <Sheet title={`Erase who ${person} is`} needs="settings" onClose={() => setAsks(false)}>
          <Words>
            Nobody can tell any more who this is: the id goes, and goes out of every log line, message, stack and page
            that holds it. What was measured stays, as somebody’s who is not known, so incidents and figures stay as
            they are.
          </Words>
          <Words>
            It cannot be undone. Backups made before hold the id until newer ones replace them, and what is sent of this
            person from now on is stored again. It is recorded who erased this, when, and why.
          </Words>
          {erasing.error && (
            <Trouble error={erasing.error} still="Nothing was erased." onRetry={() => erasing.reset()} />
          )}
          <BusyButton
            mode="contained"
            busy={erasing.isPending}
            onPress={() => erasing.mutate(lookup, { onSuccess: () => setAsks(false) })}
            testID="erase-now"
          >
            Erase
          </BusyButton>
        </Sheet>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s, paddingTop: SPACE.m },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});
