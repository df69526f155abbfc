import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import type { Incident } from '@/data/client';
import { useDecide, type Decision } from '@/data/incidents';
import { CheckLine } from '@/frame/check-line';
import { Choice } from '@/frame/choice';
import { FormField } from '@/frame/form-field';
import { Sheet } from '@/frame/sheet';
import { Submit } from '@/frame/submit';
import { parseLocal, toLocal } from '@/frame/time-sheet';
import { useView } from '@/frame/view';
import { useWho } from '@/frame/who';
import { WhoField } from '@/frame/who-field';
import { zoneName } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

export type DecideOn = 'setAside' | 'join' | 'split';

export type Props = {
  incident: Incident;
  on: DecideOn;
  onClose: () => void;
};

const TITLES: Record<DecideOn, string> = { setAside: 'Set aside', join: 'Merge with another', split: 'Split off' };
const HOUR_MS = 3_600_000;

const schema = object({
  who: string().trim().required('Say who decides this.'),
  reason: string().default(''),
  until: string().default(''),
});

/** What a person decides about an incident, kept with who and when. */
export function DecideSheet({ incident, on, onClose }: Props) {
  const decide = useDecide();
  const { go } = useView();
  const [who, setWho] = useWho();
  const [into, setInto] = useState<string | undefined>();
  const [flows, setFlows] = useState<ReadonlySet<number>>(new Set());
  const [missing, setMissing] = useState<string | undefined>();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { who, reason: '', until: toLocal(incident.window.toMs + 2 * HOUR_MS) },
  });
  const submit = form.handleSubmit((values) => {
    const decision = decisionOf(on, { ...values, into, flows });
    setMissing(typeof decision === 'string' ? decision : undefined);
    if (typeof decision === 'string') return;
    setWho(values.who);
    decide.mutate(
      { id: incident.id, ...decision },
      {
        onSuccess: ({ id }) => {
          onClose();
          if (id !== incident.id) go(`/incident/${id}`);
        },
      },
    );
  });
  const parts = [...new Map(incident.parts.map((part) => [part.flowId, part.flow]))];
  return (
    <Sheet title={TITLES[on]} needs="decide" onClose={onClose}>
      <Words kind="strong">{incident.title}</Words>
      {on === 'join' && incident.nearby.length === 0 && (
        <Words kind="muted">No other incident lies near it in time.</Words>
      )}
      {on === 'join' && (
        <Choice
          label="Into which incident"
          options={incident.nearby.map(({ id, title }) => ({ value: String(id), words: title }))}
          chosen={into}
          onChoose={setInto}
        />
      )}
      {on === 'split' && (
        <View role="group" aria-label="What is split off">
          {parts.map(([id, name]) => (
            <CheckLine key={id} words={name} isChosen={flows.has(id)} onToggle={() => setFlows(toggled(flows, id))} />
          ))}
        </View>
      )}
      {on === 'setAside' && (
        <>
          <FormField control={form.control} name="reason" label="Why" testID="reason" />
          <FormField
            control={form.control}
            name="until"
            label={`Until (${zoneName()})`}
            hint="Then it comes back into the list by itself."
          />
        </>
      )}
      <WhoField control={form.control} testID="who" />
      {missing !== undefined && <Words role="alert">{missing}</Words>}
      <Submit
        doing={decide}
        still="Nothing was changed."
        onPress={() => void submit()}
        testID="decide"
        style={styles.button}
      >
        {TITLES[on]}
      </Submit>
    </Sheet>
  );
}

function toggled(chosen: ReadonlySet<number>, id: number): ReadonlySet<number> {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** The decision, or what is missing for it. */
export function decisionOf(
  on: DecideOn,
  given: { who: string; reason: string; until: string; into: string | undefined; flows: ReadonlySet<number> },
): Decision | string {
  const who = given.who.trim();
  if (on === 'join')
    return given.into === undefined
      ? 'Choose the incident that it belongs to.'
      : { who, what: 'join', into: Number(given.into) };
  if (on === 'split')
    return given.flows.size === 0 ? 'Choose what is split off.' : { who, what: 'split', flows: [...given.flows] };
  if (given.reason.trim() === '') return 'Say why it is set aside.';
  const untilMs = parseLocal(given.until);
  if (Number.isNaN(untilMs)) return 'Write the end as year-month-day hour:minute.';
  return { who, what: 'setAside', reason: given.reason.trim(), untilMs };
}

const styles = StyleSheet.create({
  button: { marginTop: SPACE.s },
});
