import { useState } from 'react';
import { Button } from 'react-native-paper';
import { isWithTeam } from '@toplens/core/handoffs';
import type { Row } from '@/data/client';
import { useAccept, useSend } from '@/data/handoffs';
import { useDecide } from '@/data/incidents';
import { Field } from '@/frame/field';
import { Sheet } from '@/frame/sheet';
import type { SwipeAction } from '@/frame/swipe-row';
import { useUndoable, type Undoable } from '@/frame/undoable';
import { useMay } from '@/frame/session';
import { useWho } from '@/frame/who';
import { Words } from '@/look/text';
import { keepDraft, readDraft } from '../incident/draft';

const ASIDE_MS = 2 * 3_600_000;

interface Asked {
  /** of the list that is looked at */
  window: { fromMs: number; toMs: number } | undefined;
  /** where nobody is proposed, somebody is chosen */
  onChooseTeam: (incident: number) => void;
}

/** What a row does at a swipe or a key: sent to the proposed team, accepted, set aside; each can be taken back. */
export function useRowActions({ window, onChooseTeam }: Asked) {
  const [who, setWho] = useWho();
  const [maySend, mayAnswer, mayDecide] = [useMay('send'), useMay('answer'), useMay('decide')];
  const send = useSend();
  const accept = useAccept();
  const decide = useDecide();
  const { waiting, ask, undo } = useUndoable();
  const [unnamed, setUnnamed] = useState<(name: string) => Undoable>();
  const all = [send, accept, decide];

  /** What is kept with who did it waits for a name, where none is known. */
  const askAs = (make: (name: string) => Undoable) => (who === '' ? setUnnamed(() => make) : ask(make(who)));

  const forward = (row: Row): SwipeAction | undefined => {
    const { id, handoff, proposedTeam } = row;
    if (handoff?.state === 'sent' && mayAnswer)
      return {
        words: `Accept for ${handoff.team}`,
        act: () =>
          askAs((name) => ({
            id,
            words: `Accepting for ${handoff.team}: ${row.title}`,
            run: () => accept.mutate({ id: handoff.id, who: name }),
          })),
      };
    if (!maySend || (handoff && isWithTeam(handoff.state))) return undefined;
    if (proposedTeam === null || !window) return { words: 'Send', act: () => onChooseTeam(id) };
    return {
      words: `Send to ${proposedTeam}`,
      act: () => {
        const { key, note } = readDraft(id);
        // Something was typed for it: that is not sent unseen.
        if (note !== '') return onChooseTeam(id);
        return ask({
          id,
          words: `Sending to ${proposedTeam}: ${row.title}`,
          run: () =>
            send.mutate(
              { incident: id, team: proposedTeam, note: '', purpose: 'cause', ...window, key },
              { onSuccess: () => keepDraft(id, undefined) },
            ),
        });
      },
    };
  };

  const aside = (row: Row): SwipeAction | undefined =>
    window && mayDecide
      ? {
          words: 'Set aside for two hours',
          act: () =>
            askAs((name) => ({
              id: row.id,
              words: `Setting aside for two hours: ${row.title}`,
              run: () =>
                decide.mutate({
                  id: row.id,
                  what: 'setAside',
                  who: name,
                  reason: 'set aside from the list',
                  untilMs: window.toMs + ASIDE_MS,
                }),
            })),
        }
      : undefined;

  return {
    forward,
    aside,
    waiting,
    undo,
    error: all.map(({ error }) => error).find((error) => error !== null) ?? null,
    reset: () => all.forEach((one) => one.reset()),
    nameSheet: unnamed && (
      <NameSheet
        onClose={() => setUnnamed(undefined)}
        onName={(name) => {
          setWho(name);
          setUnnamed(undefined);
          ask(unnamed(name));
        }}
      />
    ),
  };
}

/** Asked once in a browser: decisions are kept with who made them. */
function NameSheet({ onName, onClose }: { onName: (name: string) => void; onClose: () => void }) {
  const [name, setName] = useState('');
  const given = name.trim();
  return (
    <Sheet title="Who does this?" onClose={onClose}>
      <Words kind="muted">It is kept with your name. This browser remembers it.</Words>
      <Field label="Your name" value={name} onChange={setName} testID="row-who" />
      <Button mode="contained" disabled={given === ''} onPress={() => onName(given)} testID="row-name">
        Go on
      </Button>
    </Sheet>
  );
}
