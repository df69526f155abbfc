import type { Control, FieldValues, Path } from 'react-hook-form';
import { StyleSheet } from 'react-native';
import { BusyButton } from './busy-button';
import { FormField } from './form-field';
import { Trouble } from './trouble';

export type Props<Values extends FieldValues & { who: string }, Context, Sent> = {
  control: Control<Values, Context, Sent>;
  /** what is saved, as tests name it */
  name: string;
  /** on the button */
  words: string;
  saving: { isPending: boolean; error: Error | null };
  onSave: () => void;
};

/** The end of a form that changes a setting: who changes it, what went wrong, and the button. */
export function SaveBar<Values extends FieldValues & { who: string }, Context, Sent>({
  control,
  name,
  words,
  saving,
  onSave,
}: Props<Values, Context, Sent>) {
  return (
    <>
      <FormField control={control} name={'who' as Path<Values>} label="Your name" testID={`${name}-who`} />
      {saving.error && (
        <Trouble error={saving.error} still="Nothing was changed; what you typed is kept." onRetry={onSave} />
      )}
      <BusyButton
        mode="contained"
        busy={saving.isPending}
        onPress={onSave}
        style={styles.button}
        testID={`save-${name}`}
      >
        {words}
      </BusyButton>
    </>
  );
}

const styles = StyleSheet.create({ button: { alignSelf: 'flex-start' } });
