import { stepName } from '@toplens/core/traces';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { FlowPage, Schemas } from '@/data/client';
import { useSteps } from '@/data/flows';
import { useChangeSetting } from '@/data/settings';
import { parseDecimal } from '@/frame/decimal';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Sheet } from '@/frame/sheet';
import { fromOf, SinceChoice, type Since } from '@/frame/since-choice';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { useWho, whoChanges } from '@/frame/who';
import { durationWords } from '@/look/format';
import { Words } from '@/look/text';
import { limitsText, parseLimits } from './limits-text';

/** "1.2", "1,2" → 1200 ms; empty: no limit; NaN when it is no number. */
export function parseSeconds(text: string): number | null {
  return text.trim() === '' ? null : Math.round(parseDecimal(text) * 1000);
}

const number = (what: string, least: number) =>
  string().test('number', `${what}: a number, ${least === 0 ? 'at least 0' : 'more than 0'}.`, (text) => {
    const value = parseDecimal(text ?? '');
    return (text ?? '').trim() === '' || (Number.isFinite(value) && (least === 0 ? value >= 0 : value > 0));
  });

const limitsOf = (known: readonly string[], unit: string) =>
  string()
    .default('')
    .test((text, { createError }) => {
      const parsed = parseLimits(text, known, unit);
      return 'limits' in parsed || createError({ message: parsed.error });
    });

const schemaFor = (sites: readonly string[], steps: readonly string[]) =>
  object({
    name: string().trim().max(120, 'At most 120 characters.').default(''),
    limit: number('Limit', 0.001).default(''),
    siteLimits: limitsOf(sites, 'site'),
    stepLimits: limitsOf(steps, 'step'),
    importance: number('Importance', 0).default(''),
    who: whoChanges,
  });

/** Name, limit and importance of a flow, changed in place. */
export function FlowSheet({ page, onClose }: { page: FlowPage; onClose: () => void }) {
  const { view } = useView();
  const { data: told, error, refetch } = useSteps(page.row.id, view);
  if (told) return <FlowForm page={page} told={told} onClose={onClose} />;
  return (
    <Sheet title={page.row.name} onClose={onClose}>
      {error ? (
        <Trouble error={error} onRetry={() => void refetch()} />
      ) : (
        <Words kind="muted">Looking up its steps …</Words>
      )}
    </Sheet>
  );
}

function FlowForm({ page, told, onClose }: { page: FlowPage; told: Schemas['Steps']; onClose: () => void }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const [since, setSince] = useState<Since>('window');
  const { row, normal } = page;
  const steps = [...new Set([...told.steps.map(stepName), ...told.limits.map(({ step }) => step)])];
  const form = useForm({
    resolver: yupResolver(schemaFor(page.sites, steps)),
    mode: 'onBlur',
    defaultValues: {
      name: row.name === row.technicalName ? '' : row.name,
      limit: normal.ownersLimitMs === null ? '' : String(normal.ownersLimitMs / 1000),
      siteLimits: limitsText(page.ownersSiteLimits.map(({ site, limitMs }) => ({ name: site, limitMs }))),
      stepLimits: limitsText(told.limits.map(({ step, limitMs }) => ({ name: step, limitMs }))),
      importance: String(row.importance),
      who,
    },
  });
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    const siteLimits = parseLimits(values.siteLimits, page.sites, 'site');
    const stepLimits = parseLimits(values.stepLimits, steps, 'step');
    const importance = values.importance.trim() === '' ? null : parseDecimal(values.importance);
    change.mutate(
      {
        who: values.who,
        key: page.key,
        value: {
          name: values.name === '' ? null : values.name,
          limitMs: parseSeconds(values.limit),
          ...('limits' in siteLimits && { siteLimitsMs: siteLimits.limits }),
          ...('limits' in stepLimits && { stepLimitsMs: stepLimits.limits }),
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
      {steps.length > 0 && (
        <FormField
          control={form.control}
          name="stepLimits"
          label="Limits of steps inside it"
          hint={`A line each, as “${steps[0]}: 2.5” (seconds). Elsewhere the learned limit judges.`}
          multiline
          testID="flow-step-limits"
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
      <SaveBar
        control={form.control}
        name="flow"
        needs="judge"
        words="Save"
        saving={change}
        onSave={() => void submit()}
      />
    </Sheet>
  );
}
