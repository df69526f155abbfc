import type { Control, FieldValues, Path } from 'react-hook-form';
import { FormField } from './form-field';
import { useSession } from './session';

/** Asks a visitor who they are; of who is signed in that is known. */
export function WhoField<Values extends FieldValues & { who: string }, Context, Sent>({
  control,
  testID,
}: {
  control: Control<Values, Context, Sent>;
  testID: string;
}) {
  const { who } = useSession();
  if (who !== null) return null;
  return <FormField control={control} name={'who' as Path<Values>} label="Your name" testID={testID} />;
}
