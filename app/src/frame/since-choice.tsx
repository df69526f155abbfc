import { clock } from '@/look/format';
import { Choice } from './choice';

/** From when on a change is in force: what is looked at keeps its old names and limits, or takes the new ones. */
export type Since = 'window' | 'now';

export function SinceChoice({
  fromMs,
  chosen,
  onChoose,
}: {
  /** begin of what is looked at */
  fromMs: number;
  chosen: Since;
  onChoose: (since: Since) => void;
}) {
  return (
    <Choice
      label="In force"
      options={[
        { value: 'window', words: 'Also for what is looked at', detail: `since ${clock(fromMs)}` },
        { value: 'now', words: 'From now on' },
      ]}
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

/** Without a moment a change is in force from when the server takes it. */
export const fromOf = (since: Since, fromMs: number): { fromMs?: number } => (since === 'window' ? { fromMs } : {});
