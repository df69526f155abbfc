import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Field, type Props as FieldProps } from './field';

export type Props<Values extends FieldValues, Context, Sent> = Pick<
  FieldProps,
  'label' | 'hint' | 'multiline' | 'isSecret' | 'autoComplete' | 'onSubmit' | 'testID'
> & {
  control: Control<Values, Context, Sent>;
  name: FieldPath<Values>;
};

/** A text field of a form: what is typed and what is wrong with it are the form's. */
export function FormField<Values extends FieldValues, Context, Sent>({
  control,
  name,
  ...rest
}: Props<Values, Context, Sent>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Field
          {...rest}
          value={field.value}
          onChange={field.onChange}
          onBlur={field.onBlur}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}
