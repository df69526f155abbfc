import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { Schemas } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Sheet } from '@/frame/sheet';
import { fromOf, SinceChoice, type Since } from '@/frame/since-choice';
import { useWho, whoChanges } from '@/frame/who';

const schema = object({ name: string().trim().max(120, 'At most 120 characters.').default(''), who: whoChanges });

/** What people call a journey. A named one stays in the list, whether it is found anew or not. */
export function JourneySheet({ journey, onClose }: { journey: Schemas['Journey']; onClose: () => void }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { name: journey.isNamed ? journey.name : '', who },
  });
  const [since, setSince] = useState<Since>('window');
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    change.mutate(
      {
        who: values.who,
        key: journey.key,
        value: values.name === '' ? null : { name: values.name },
        ...fromOf(since, journey.window.fromMs),
      },
      { onSuccess: onClose },
    );
  });
  return (
    <Sheet title={journey.name} onClose={onClose}>
      <FormField
        control={form.control}
        name="name"
        label="Name of the journey"
        hint="Named, it is kept in the list. Empty: it is shown as long as people walk it."
        testID="journey-name"
      />
      <SinceChoice fromMs={journey.window.fromMs} chosen={since} onChoose={setSince} />
      <SaveBar
        control={form.control}
        name="journey"
        needs="judge"
        words="Save"
        saving={change}
        onSave={() => void submit()}
      />
    </Sheet>
  );
}
