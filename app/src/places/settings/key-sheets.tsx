import { SENDER_KINDS, type SenderKind } from '@toplens/core/access';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { useMakeSenderKey, useReplaceSecret, type SenderKey } from '@/data/sender-keys';
import { FormField } from '@/frame/form-field';
import { Sheet } from '@/frame/sheet';
import { Strip } from '@/frame/strip';
import { Submit } from '@/frame/submit';
import { ToldOnce } from '@/frame/told-once';
import { Words } from '@/look/text';

export const KIND_WORDS: Readonly<Record<SenderKind, string>> = {
  service: 'services',
  page: 'pages',
  phone: 'phones',
};
const KINDS = SENDER_KINDS.map((value) => ({ value, words: KIND_WORDS[value] }));
const NAME_HINT: Readonly<Record<SenderKind, string>> = {
  service: 'Whose it is, for example the part of the organisation that sends with it.',
  page: 'The component of the pages: with this key they tell of nothing else.',
  phone: 'The component of the application on phones: with this key it tells of nothing else.',
};

const listed = (text: string): string[] => text.split(/[\s,]+/).filter(Boolean);
const isOrigin = (text: string): boolean => URL.canParse(text) && new URL(text).origin === text;

const schema = (kind: SenderKind) =>
  object({
    name: string().trim().required('Say what sends with it.'),
    origins:
      kind === 'page'
        ? string()
            .required('Say where the pages come from.')
            .test('origins', 'Addresses as https://portal.example, one a line.', (text) => listed(text).every(isOrigin))
        : string().default(''),
  });

export function NewKeySheet({ onClose }: { onClose: () => void }) {
  const make = useMakeSenderKey();
  const [kind, setKind] = useState<SenderKind>('service');
  const form = useForm({
    resolver: yupResolver(schema(kind)),
    mode: 'onBlur',
    defaultValues: { name: '', origins: '' },
  });
  const submit = form.handleSubmit(({ name, origins }) =>
    make.mutate({ kind, name, origins: kind === 'page' ? listed(origins) : [] }),
  );
  return (
    <Sheet title={make.data ? 'The key is made' : 'A new key'} onClose={onClose}>
      {make.data ? (
        <Secret secret={make.data.secret} />
      ) : (
        <>
          <Words>What sends with it:</Words>
          <Strip label="What sends with it" options={KINDS} chosen={kind} onChoose={setKind} />
          <FormField control={form.control} name="name" label="Name" hint={NAME_HINT[kind]} testID="key-name" />
          {kind === 'page' && (
            <FormField
              control={form.control}
              name="origins"
              label="Where the pages come from"
              hint="Addresses as https://portal.example, one a line."
              multiline
              testID="key-origins"
            />
          )}
          <Submit doing={make} still="Nothing was made." onPress={() => void submit()} testID="key-make">
            Make the key
          </Submit>
        </>
      )}
    </Sheet>
  );
}

const OVERLAPS = [
  { value: '0', words: 'not at all' },
  { value: '1', words: '1 hour' },
  { value: '24', words: '1 day' },
  { value: '168', words: '7 days' },
] as const;

/** Another secret for a key, while what sends goes on with the one that it has. */
export function ReplaceSheet({ senderKey: { id, name }, onClose }: { senderKey: SenderKey; onClose: () => void }) {
  const replace = useReplaceSecret();
  const [hours, setHours] = useState<(typeof OVERLAPS)[number]['value']>('24');
  const submit = () => replace.mutate({ id, overlapHours: Number(hours) });
  return (
    <Sheet title={`Another secret for ${name}`} onClose={onClose}>
      {replace.data ? (
        <Secret secret={replace.data.secret} />
      ) : (
        <>
          <Words>So long the secret that it has now is taken as well:</Words>
          <Strip
            label="So long the one before it holds as well"
            options={OVERLAPS}
            chosen={hours}
            onChoose={setHours}
          />
          <Submit doing={replace} still="Nothing was changed." onPress={submit} testID="key-replace-now">
            Make another secret
          </Submit>
        </>
      )}
    </Sheet>
  );
}

const Secret = ({ secret }: { secret: string }) => (
  <ToldOnce
    text={secret}
    name="the secret"
    words="It is shown this once: what is kept of it opens nothing. It is sent as “authorization: Bearer …” or “toplens-key: …”."
    isCode
    testID="key-secret"
  />
);
