import type { Right } from '@toplens/core/access';
import type { Control, FieldValues } from 'react-hook-form';
import { StyleSheet } from 'react-native';
import { Needs } from './session';
import { Submit } from './submit';
import { WhoField } from './who-field';

export type Props<Values extends FieldValues & { who: string }, Context, Sent> = {
  control: Control<Values, Context, Sent>;
  /** what is saved, as tests name it */
  name: string;
  /** on the button */
  words: string;
  saving: { isPending: boolean; error: Error | null };
  onSave: () => void;
  /** the right that it needs; all settings when left out */
  needs?: Right;
};

/** The end of a form that changes a setting: who changes it, what went wrong, and the button. */
export function SaveBar<Values extends FieldValues & { who: string }, Context, Sent>({
  control,
  name,
  words,
  saving,
  onSave,
  needs = 'settings',
}: Props<Values, Context, Sent>) {
  return (
    <Needs right={needs}>
      <WhoField control={control} testID={`${name}-who`} />
      <Submit
        doing={saving}
        still="Nothing was changed; what you typed is kept."
        onPress={onSave}
        style={styles.button}
        testID={`save-${name}`}
      >
        {words}
      </Submit>
    </Needs>
  );
}

const styles = StyleSheet.create({ button: { alignSelf: 'flex-start' } });
