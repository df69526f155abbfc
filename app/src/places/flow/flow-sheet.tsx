import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Button } from 'react-native-paper';
import { object, string } from 'yup';
import type { FlowPage } from '@/data/client';
import { useChangeSetting } from '@/data/queries';
import { Choice } from '@/frame/choice';
import { Field } from '@/frame/field';
import { Sheet } from '@/frame/sheet';
import { Trouble } from '@/frame/trouble';
import { useWho } from '@/frame/who';
import { clock, durationWords } from '@/look/format';

/** "1.2", "1,2" → 1200 ms; empty: no limit; NaN when it is no number. */
export function parseSeconds(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? null : Math.round(Number(plain) * 1000);
}

const number = (what: string, least: number) =>
  string().test('number', `${what}: a number, ${least === 0 ? 'at least 0' : 'more than 0'}.`, (text) => {
    const value = Number((text ?? '').trim().replace(',', '.'));
    return (text ?? '').trim() === '' || (Number.isFinite(value) && (least === 0 ? value >= 0 : value > 0));
  });

const schema = object({
  name: string().trim().max(120, 'At most 120 characters.').default(''),
  limit: number('Limit', 0.001).default(''),
  importance: number('Importance', 0).default(''),
  who: string().trim().required('Say who changes this.'),
});

/** Name, limit and importance of a flow, changed in place. */
export function FlowSheet({ page, onClose }: { page: FlowPage; onClose: () => void }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const [since, setSince] = useState<'now' | 'window'>('window');
  const { row, normal } = page;
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: {
      name: row.name === row.technicalName ? '' : row.name,
      limit: normal.ownersLimitMs === null ? '' : String(normal.ownersLimitMs / 1000),
      importance: String(row.importance),
      who,
    },
  });
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    const importance = values.importance.trim() === '' ? null : Number(values.importance.replace(',', '.'));
    change.mutate(
      {
        who: values.who,
        key: page.key,
        value: { name: values.name === '' ? null : values.name, limitMs: parseSeconds(values.limit), importance },
        // Without a moment it is in force from when the server takes it.
        ...(since === 'window' && { fromMs: page.window.fromMs }),
      },
      { onSuccess: onClose },
    );
  });
  const field = (name: 'name' | 'limit' | 'importance' | 'who', label: string, hint?: string) => (
    <Controller
      control={form.control}
      name={name}
      render={({ field: one, fieldState }) => (
        <Field
          label={label}
          value={one.value}
          onChange={one.onChange}
          onBlur={one.onBlur}
          error={fieldState.error?.message}
          testID={`flow-${name}`}
          {...(hint !== undefined && { hint })}
        />
      )}
    />
  );
  return (
    <Sheet title={row.name} onClose={onClose}>
      {field('name', 'Business name', `Technically: ${row.technicalName}`)}
      {field(
        'limit',
        'Limit in seconds',
        normal.learnedLimitMs === null ? 'Empty: only failures are judged.' : `Empty: the learned ${durationWords(normal.learnedLimitMs)} judges.`,
      )}
      {field('importance', 'Importance', 'Multiplies its harm; 1 is as any other.')}
      <Choice
        label="In force"
        options={[
          { value: 'window', words: `Also for what is looked at`, detail: `since ${clock(page.window.fromMs)}` },
          { value: 'now', words: 'From now on' },
        ]}
        chosen={since}
        onChoose={setSince}
      />
      {field('who', 'Your name')}
      {change.error && <Trouble error={change.error} still="Nothing was changed; what you typed is kept." onRetry={() => void submit()} />}
      <Button mode="contained" loading={change.isPending} disabled={change.isPending} onPress={() => void submit()} testID="save-flow">
        Save
      </Button>
    </Sheet>
  );
}
