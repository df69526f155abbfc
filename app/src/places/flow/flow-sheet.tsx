import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { FlowPage } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { parseDecimal } from '@/frame/decimal';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Sheet } from '@/frame/sheet';
import { fromOf, SinceChoice, type Since } from '@/frame/since-choice';
import { useWho, whoChanges } from '@/frame/who';
import { durationWords } from '@/look/format';
import { parseSiteLimits, siteLimitsText } from './site-limits';

/** "1.2", "1,2" → 1200 ms; empty: no limit; NaN when it is no number. */
export function parseSeconds(text: string): number | null {
  return text.trim() === '' ? null : Math.round(parseDecimal(text) * 1000);
}

const number = (what: string, least: number) =>
  string().test('number', `${what}: a number, ${least === 0 ? 'at least 0' : 'more than 0'}.`, (text) => {
    const value = parseDecimal(text ?? '');
    return (text ?? '').trim() === '' || (Number.isFinite(value) && (least === 0 ? value >= 0 : value > 0));
  });

const schemaFor = (sites: readonly string[]) =>
  object({
    name: string().trim().max(120, 'At most 120 characters.').default(''),
    limit: number('Limit', 0.001).default(''),
    siteLimits: string()
      .default('')
      .test((text, { createError }) => {
        const parsed = parseSiteLimits(text, sites);
        return 'limits' in parsed || createError({ message: parsed.error });
      }),
    importance: number('Importance', 0).default(''),
    who: whoChanges,
  });

/** Name, limit and importance of a flow, changed in place. */
export function FlowSheet({ page, onClose }: { page: FlowPage; onClose: () => void }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const [since, setSince] = useState<Since>('window');
  const { row, normal } = page;
  const form = useForm({
    resolver: yupResolver(schemaFor(page.sites)),
    mode: 'onBlur',
    defaultValues: {
      name: row.name === row.technicalName ? '' : row.name,
      limit: normal.ownersLimitMs === null ? '' : String(normal.ownersLimitMs / 1000),
      siteLimits: siteLimitsText(page.ownersSiteLimits),
      importance: String(row.importance),
      who,
    },
  });
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    const siteLimits = parseSiteLimits(values.siteLimits, page.sites);
    const importance = values.importance.trim() === '' ? null : parseDecimal(values.importance);
    change.mutate(
      {
        who: values.who,
        key: page.key,
        value: {
          name: values.name === '' ? null : values.name,
          limitMs: parseSeconds(values.limit),
          ...('limits' in siteLimits && { siteLimitsMs: siteLimits.limits }),
          importance,
        },
        ...fromOf(since, page.window.fromMs),
      },
      { onSuccess: onClose },
    );
  });
  return (
    <Sheet title={row.name} onClose={onClose}>
      <FormField
        control={form.control}
        name="name"
        label="Business name"
        hint={`Technically: ${row.technicalName}`}
        testID="flow-name"
      />
      <FormField
        control={form.control}
        name="limit"
        label="Limit in seconds"
        hint={
          normal.learnedLimitMs === null
            ? 'Empty: only failures are judged.'
            : `Empty: the learned ${durationWords(normal.learnedLimitMs)} judges.`
        }
        testID="flow-limit"
      />
      {page.sites.length > 0 && (
        <FormField
          control={form.control}
          name="siteLimits"
          label="Limits of single sites"
          hint={`A line each, as “${page.sites[0]}: 2.5” (seconds). Elsewhere the limit above judges.`}
          multiline
          testID="flow-site-limits"
        />
      )}
      <FormField
        control={form.control}
        name="importance"
        label="Importance"
        hint="Multiplies its harm; 1 is as any other."
        testID="flow-importance"
      />
      <SinceChoice fromMs={page.window.fromMs} chosen={since} onChoose={setSince} />
      <SaveBar control={form.control} name="flow" words="Save" saving={change} onSave={() => void submit()} />
    </Sheet>
  );
}
