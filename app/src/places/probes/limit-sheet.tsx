import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { Schemas } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { parseDecimal } from '@/frame/decimal';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Sheet } from '@/frame/sheet';
import { useWho, whoChanges } from '@/frame/who';
import { Words } from '@/look/text';
import type { StepLine } from './probe-words';

type File = Schemas['SettingsFile'];
type Limit = File['probes'][number]['limits'][number];

const MOST_S = 30;
const seconds = (what: string) =>
  string()
    .required(`${what}: seconds, more than 0.`)
    .test('seconds', `${what}: seconds, more than 0 and at most ${MOST_S}.`, (text) => {
      const value = parseDecimal(text ?? '');
      return value > 0 && value <= MOST_S;
    });

const schema = object({
  slow: seconds('Slow from'),
  broken: seconds('Broken from').test('later', 'Broken is later than slow.', (text, { parent }) => {
    const { slow } = parent as { slow: string };
    return !(parseDecimal(text ?? '') <= parseDecimal(slow));
  }),
  who: whoChanges,
});

/** The probes of a settings file with one limit set anew: of a step at a site. */
export function withLimit(file: File, { probe, limit }: { probe: string; limit: Limit }): File['probes'] {
  const isSame = ({ step, site }: Limit) => step === limit.step && site === limit.site;
  return file.probes.map((one) =>
    one.name === probe ? { ...one, limits: [...one.limits.filter((other) => !isSame(other)), limit] } : one,
  );
}

/** From when on a step is slow, and from when on as good as broken, at one site: changed in place. */
export function LimitSheet({
  probe,
  step,
  file,
  onClose,
}: {
  probe: string;
  step: StepLine;
  file: File;
  onClose: () => void;
}) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: {
      slow: step.slowMs === null ? '' : String(step.slowMs / 1000),
      broken: step.brokenMs === null ? '' : String(step.brokenMs / 1000),
      who,
    },
  });
  const submit = form.handleSubmit(({ slow, broken, who: by }) => {
    setWho(by);
    const limit = {
      step: step.step,
      site: step.site,
      slowMs: Math.round(parseDecimal(slow) * 1000),
      brokenMs: Math.round(parseDecimal(broken) * 1000),
    };
    change.mutate({ who: by, key: 'probes', value: withLimit(file, { probe, limit }) }, { onSuccess: onClose });
  });
  return (
    <Sheet title={`${step.step} at ${step.site}`} onClose={onClose}>
      <Words kind="muted">
        {step.isOwnLimit
          ? 'These limits are of this site alone.'
          : 'What you save holds for this site alone; the other sites keep theirs.'}
      </Words>
      <FormField control={form.control} name="slow" label="Slow from, seconds" testID="limit-slow" />
      <FormField control={form.control} name="broken" label="Broken from, seconds" testID="limit-broken" />
      <SaveBar control={form.control} name="limit" words="Save" saving={change} onSave={() => void submit()} />
    </Sheet>
  );
}
