import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';

export type Props = {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  /** what is wrong with it */
  error?: string | undefined;
  /** what helps to fill it in */
  hint?: string;
  multiline?: boolean;
  /** not shown while it is typed */
  isSecret?: boolean;
  /** what a browser may fill in by itself */
  autoComplete?: 'username' | 'current-password' | 'new-password' | 'one-time-code' | 'name';
  /** Enter was pressed */
  onSubmit?: () => void;
  testID?: string;
};

/** A text of several lines is shown as far as so many. */
const MOST_LINES = 14;
const LEAST_LINES = 2;

/** A text field that says what is wrong below itself. */
export function Field({
  label,
  value,
  onChange,
  onBlur,
  error,
  hint,
  multiline = false,
  isSecret = false,
  autoComplete,
  onSubmit,
  testID,
}: Props) {
  return (
    <View>
      <TextInput
        mode="outlined"
        dense
        label={label}
        accessibilityLabel={label}
        value={value}
        onChangeText={onChange}
        multiline={multiline}
        {...(multiline && {
          numberOfLines: Math.min(MOST_LINES, Math.max(LEAST_LINES, value.split('\n').length)),
        })}
        secureTextEntry={isSecret}
        error={error !== undefined}
        {...(onBlur && { onBlur })}
        {...(autoComplete && { autoComplete })}
        {...(onSubmit && { onSubmitEditing: onSubmit })}
        {...(testID && { testID })}
      />
      {(error ?? hint) !== undefined && <HelperText type={error ? 'error' : 'info'}>{error ?? hint}</HelperText>}
    </View>
  );
}
