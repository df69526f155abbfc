import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View as Box } from 'react-native';
import type { Schemas } from '@/data/client';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { Choice } from './choice';
import { Field } from './field';
import { Sheet } from './sheet';
import { without, type Narrowing, type View } from './view';

type Known = Pick<Schemas['WorstFirst'], 'applications' | 'teams' | 'flows' | 'dimensions' | 'remaining'>;

export type Props = {
  view: View;
  known: Known;
  onChange: (view: View) => void;
  onClose: () => void;
};

const ALL = '';
const FEW = 14;

const TITLES: Record<Narrowing, string> = {
  application: 'Application',
  flow: 'Flow',
  team: 'Team',
  site: 'Site',
  region: 'Region',
  tier: 'Customer tier',
  promotion: 'Promotion',
  version: 'Version',
  host: 'Host',
};

/** Narrows everything to an application, flow, team, or any value; filters stack. */
export function FocusSheet({ view, known, onChange, onClose }: Props) {
  const palette = usePalette();
  const flows = known.flows.filter((flow) => view.application === undefined || flow.application === view.application);
  const kinds: { name: Narrowing; options: { value: string; words: string }[] }[] = [
    { name: 'application', options: known.applications.map((value) => ({ value, words: value })) },
    { name: 'flow', options: flows.map(({ id, name }) => ({ value: String(id), words: name })) },
    { name: 'team', options: known.teams.map((value) => ({ value, words: value })) },
    ...known.dimensions.map(({ dimension, values }) => ({ name: dimension, options: values.map((value) => ({ value, words: value })) })),
  ];
  const [kind, setKind] = useState<Narrowing>('application');
  const [wanted, setWanted] = useState('');
  const { options } = kinds.find(({ name }) => name === kind) ?? { options: [] };
  const shown = options.filter(({ words }) => words.toLowerCase().includes(wanted.toLowerCase())).slice(0, 40);
  return (
    <Sheet title="Narrow to" onClose={onClose}>
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        role="radiogroup"
        aria-label="By what"
        style={styles.strip}
        contentContainerStyle={styles.kinds}
      >
        {kinds.map(({ name }) => (
          <Pressable
            key={name}
            role="radio"
            aria-checked={name === kind}
            onPress={() => {
              setKind(name);
              setWanted('');
            }}
            style={[styles.kind, { borderBottomColor: name === kind ? palette.action : 'transparent' }]}
          >
            <Words kind={name === kind ? 'strong' : 'muted'}>{`${TITLES[name]}${view[name] ? ' ·' : ''}`}</Words>
          </Pressable>
        ))}
      </ScrollView>
      {options.length > FEW && <Field label={`Find a ${TITLES[kind].toLowerCase()}`} value={wanted} onChange={setWanted} />}
      <Choice
        label={TITLES[kind]}
        options={[{ value: ALL, words: `Any ${TITLES[kind].toLowerCase()}` }, ...shown]}
        chosen={view[kind] ?? ALL}
        onChoose={(value) => onChange(value === ALL ? without(view, kind) : { ...view, [kind]: value })}
      />
      {known.remaining && (
        <Box role="status">
          <Words kind="muted">{remainingWords(known.remaining)}</Words>
        </Box>
      )}
    </Sheet>
  );
}

export const remainingWords = ({ sessions, attempts }: { sessions: number; attempts: number }): string =>
  sessions === 0 ? 'Nothing remains: these filters leave no session.' : `${count(sessions)} sessions with ${count(attempts)} attempts remain.`;

const styles = StyleSheet.create({
  strip: { flexGrow: 0 },
  kinds: { gap: SPACE.l },
  kind: { minHeight: TOUCH, justifyContent: 'center', borderBottomWidth: 2 },
});
