import { useState } from 'react';
import { View as Box } from 'react-native';
import type { Schemas } from '@/data/client';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { Choice } from './choice';
import { Field } from './field';
import { Sheet } from './sheet';
import { Strip } from './strip';
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

export const TITLES: Record<Narrowing, string> = {
  application: 'Application',
  flow: 'Flow',
  team: 'Team',
  site: 'Site',
  region: 'Country',
  tier: 'Customer tier',
  promotion: 'Promotion',
  version: 'Version',
  host: 'Host',
  device: 'Device',
  browser: 'Browser',
  system: 'System',
  carrier: 'Carrier',
  department: 'Department',
  role: 'Role',
  station: 'Station',
  server: 'Server',
};

/** Filters everything to an application, flow, team, or any value; filters stack. */
export function FocusSheet({ view, known, onChange, onClose }: Props) {
  const flows = known.flows.filter((flow) => view.application === undefined || flow.application === view.application);
  const kinds: { name: Narrowing; options: { value: string; words: string }[] }[] = [
    { name: 'application', options: known.applications.map((value) => ({ value, words: value })) },
    { name: 'flow', options: flows.map(({ id, name }) => ({ value: String(id), words: name })) },
    { name: 'team', options: known.teams.map((value) => ({ value, words: value })) },
    ...known.dimensions.map(({ dimension, values }) => ({
      name: dimension,
      options: values.map((value) => ({ value, words: value })),
    })),
  ];
  const [kind, setKind] = useState<Narrowing>('application');
  const [wanted, setWanted] = useState('');
  const { options } = kinds.find(({ name }) => name === kind) ?? { options: [] };
  const shown = options.filter(({ words }) => words.toLowerCase().includes(wanted.toLowerCase())).slice(0, 40);
  return (
    <Sheet title="Filter" onClose={onClose}>
      <Strip
        label="By what"
        options={kinds.map(({ name }) => ({ value: name, words: `${TITLES[name]}${view[name] ? ' ·' : ''}` }))}
        chosen={kind}
        onChoose={(name) => {
          setKind(name);
          setWanted('');
        }}
      />
      {options.length > FEW && (
        <Field label={`Find a ${TITLES[kind].toLowerCase()}`} value={wanted} onChange={setWanted} />
      )}
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
  sessions === 0
    ? 'No data for this filter: it leaves no session.'
    : `${counted(sessions, 'session')} with ${counted(attempts, 'attempt')} ${sessions === 1 ? 'remains' : 'remain'}.`;
