import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { clock, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { useClock } from './clock';
import { Strip } from './strip';
import { ToldOnce } from './told-once';
import { Trouble } from './trouble';

export type SharedLink = Schemas['SharedLink'];

const DAYS = [
  { value: '1', words: '1 day' },
  { value: '7', words: '7 days' },
  { value: '30', words: '30 days' },
] as const;

interface Changing<Asked> {
  mutate: (asked: Asked) => void;
  reset: () => void;
  isPending: boolean;
  error: Error | null;
}

export type Props<What extends string> = {
  /** what can be shared */
  label: string;
  options: readonly { value: What; words: string }[];
  links: readonly SharedLink[];
  make: Changing<{ what: What; days: number }>;
  /** the link that was just made */
  made: string | null | undefined;
  revoke: Changing<string>;
};

/** Pages for people who have no login: made here, told once, revoked here. */
export function SharedLinks<What extends string>({ label, options, links, make, made, revoke }: Props<What>) {
  const palette = usePalette();
  const [what, setWhat] = useState<What>();
  const [days, setDays] = useState<(typeof DAYS)[number]['value']>('7');
  const nowMs = useClock();
  const chosen = what ?? options[0]?.value;
  if (chosen === undefined) return null;
  return (
    <View style={styles.part} testID="links">
      <Strip label={label} options={options} chosen={chosen} onChoose={setWhat} />
      <Strip label="How long it opens" options={DAYS} chosen={days} onChoose={setDays} />
      <Button
        mode="outlined"
        style={styles.button}
        disabled={make.isPending}
        onPress={() => make.mutate({ what: chosen, days: Number(days) })}
        testID="make-link"
      >
        Make a link
      </Button>
      {make.error && <Trouble error={make.error} onRetry={() => make.reset()} />}
      {made && (
        <ToldOnce
          text={made}
          name="the link"
          words="It is shown this once: its secret is not kept here."
          testID="made-link"
        />
      )}
      {revoke.error && <Trouble error={revoke.error} onRetry={() => revoke.reset()} />}
      <View role="list" aria-label="Links">
        {links.map((link) => (
          <View role="listitem" key={link.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Words style={styles.words}>{linkWords(link, nowMs)}</Words>
            {isOpen(link, nowMs) && (
              <Button onPress={() => revoke.mutate(link.id)} disabled={revoke.isPending} testID="revoke-link">
                Revoke
              </Button>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

const isOpen = ({ revokedAt, endsAt }: SharedLink, nowMs: number) => revokedAt === null && Date.parse(endsAt) > nowMs;

const KIND_WORDS: Readonly<Record<SharedLink['kind'], string>> = {
  brief: 'To read',
  answer: 'To read and answer',
  board: 'The whole board',
  tile: 'One tile',
};

/** "To read, until 9 Mar 09:20, opened 3 times" */
export function linkWords(link: SharedLink, nowMs: number): string {
  const kind = link.about === '' ? KIND_WORDS[link.kind] : `“${link.about}”`;
  const end =
    link.revokedAt !== null
      ? `revoked ${clock(Date.parse(link.revokedAt), nowMs)}`
      : `${isOpen(link, nowMs) ? 'until' : 'ended'} ${clock(Date.parse(link.endsAt), nowMs)}`;
  return `${kind}, ${end}, opened ${counted(link.uses, 'time')}`;
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  button: { alignSelf: 'flex-start' },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, minHeight: 44 },
  words: { flex: 1, minWidth: 0 },
});
