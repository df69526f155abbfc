import { Words } from '@/look/text';
import { Choice } from './choice';
import { Sheet } from './sheet';
import type { View } from './view';

export type Props = {
  view: View;
  applications: readonly string[];
  teams: readonly string[];
  onChange: (view: View) => void;
  onClose: () => void;
};

const ALL = '';

/** Narrows everything to one application or team. */
export function FocusSheet({ view, applications, teams, onChange, onClose }: Props) {
  const set = (field: 'application' | 'team') => (value: string) => {
    const { [field]: _dropped, ...rest } = view;
    onChange(value === ALL ? rest : { ...rest, [field]: value });
  };
  const options = (all: string, values: readonly string[]) => [{ value: ALL, words: all }, ...values.map((value) => ({ value, words: value }))];
  return (
    <Sheet title="Narrow to" onClose={onClose}>
      <Words kind="strong">Application</Words>
      <Choice label="Application" options={options('All applications', applications)} chosen={view.application ?? ALL} onChoose={set('application')} />
      <Words kind="strong">Team</Words>
      <Choice label="Team" options={options('All teams', teams)} chosen={view.team ?? ALL} onChoose={set('team')} />
    </Sheet>
  );
}
