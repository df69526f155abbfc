import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Handoff, Schemas } from '@/data/client';
import { useMakeLink, useRevokeLink } from '@/data/handoffs';
import { useClock } from '@/frame/clock';
import { CopyText } from '@/frame/copy-text';
import { Strip } from '@/frame/strip';
import { Trouble } from '@/frame/trouble';
import { clock, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Link = Schemas['SharedLink'];

const KINDS = [
  { value: 'brief', words: 'to read' },
  { value: 'answer', words: 'to read and answer' },
] as const;
const DAYS = [
  { value: '1', words: '1 day' },
  { value: '7', words: '7 days' },
  { value: '30', words: '30 days' },
] as const;

/** Pages of the brief for people who have no login: made here, told once, revoked here. */
export function LinksPart({ handoff }: { handoff: Handoff }) {
  const palette = usePalette();
  const [kind, setKind] = useState<Link['kind']>('brief');
  const [days, setDays] = useState<(typeof DAYS)[number]['value']>('7');
  const nowMs = useClock();
  const make = useMakeLink(handoff.id);
  const revoke = useRevokeLink(handoff.id);
  return (
    <View style={styles.part} testID="links">
      <Words kind="section" level={2}>
        A page for people without a login
      </Words>
      <Words kind="muted">The brief without persons. Whoever has the link can open it until it ends.</Words>
      <Strip label="What the link is for" options={KINDS} chosen={kind} onChoose={setKind} />
      <Strip label="How long it opens" options={DAYS} chosen={days} onChoose={setDays} />
      <Button
        mode="outlined"
        style={styles.button}
        disabled={make.isPending}
        onPress={() => make.mutate({ kind, days: Number(days) })}
        testID="make-link"
      >
        Make a link
      </Button>
      {make.error && <Trouble error={make.error} onRetry={() => make.reset()} />}
      {make.data?.url && (
        <View style={[styles.made, { borderColor: palette.hairline }]}>
          <Words selectable testID="made-link">
            {make.data.url}
          </Words>
          <Words kind="small">It is shown this once: its secret is not kept here.</Words>
          <CopyText text={make.data.url} name="the link" />
        </View>
      )}
      {revoke.error && <Trouble error={revoke.error} onRetry={() => revoke.reset()} />}
      <View role="list" aria-label="Links">
        {handoff.links.map((link) => (
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

const isOpen = ({ revokedAt, endsAt }: Link, nowMs: number) => revokedAt === null && Date.parse(endsAt) > nowMs;

/** "To read, until 9 Mar 09:20, opened 3 times" */
export function linkWords(link: Link, nowMs: number): string {
  const kind = link.kind === 'brief' ? 'To read' : 'To read and answer';
  const end =
    link.revokedAt !== null
      ? `revoked ${clock(Date.parse(link.revokedAt), nowMs)}`
      : `${isOpen(link, nowMs) ? 'until' : 'ended'} ${clock(Date.parse(link.endsAt), nowMs)}`;
  return `${kind}, ${end}, opened ${counted(link.uses, 'time')}`;
}

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  button: { alignSelf: 'flex-start' },
  made: { borderWidth: 1, borderRadius: 4, padding: SPACE.m, gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, minHeight: 44 },
  words: { flex: 1, minWidth: 0 },
});
