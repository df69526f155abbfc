import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { object } from 'yup';
import { FormField } from '@/frame/form-field';
import { Submit } from '@/frame/submit';
import { lacking } from '@/frame/session';
import { Words } from '@/look/text';
import { lookReason, personKey, useSeesPersons } from './see-persons';

export type Props = {
  /** begins the names of its fields for tests */
  name: string;
  words: string;
  looking: { isPending: boolean; error: Error | null };
  /** what is still true when it failed */
  still: string;
  onLook: (values: { why: string; key: string }) => void;
};

/** Asks for the right to see persons, and what for: both are recorded. */
export function LookForm({ name, words, looking, still, onLook }: Props) {
  const { isByKey, may } = useSeesPersons();
  const schema = object({ why: lookReason, key: personKey(isByKey) });
  const form = useForm({ resolver: yupResolver(schema), mode: 'onBlur', defaultValues: { why: '', key: '' } });
  const submit = form.handleSubmit(onLook);
  if (!may) return <Words>{lacking('persons')}</Words>;
  return (
    <>
      <FormField control={form.control} name="why" label="What it is for" testID={`${name}-why`} />
      {isByKey && (
        <FormField control={form.control} name="key" label="Your key to see persons" isSecret testID={`${name}-key`} />
      )}
      <Submit doing={looking} still={still} onPress={() => void submit()} testID={`${name}-now`}>
        {words}
      </Submit>
    </>
  );
}
