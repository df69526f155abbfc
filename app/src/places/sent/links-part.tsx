import { StyleSheet, View } from 'react-native';
import type { Handoff } from '@/data/client';
import { useMakeLink, useRevokeLink } from '@/data/handoffs';
import { Needs } from '@/frame/session';
import { SharedLinks } from '@/frame/shared-links';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const KINDS = [
  { value: 'brief', words: 'to read' },
  { value: 'answer', words: 'to read and answer' },
] as const;

/** Pages of the brief for people who have no login. */
export function LinksPart({ handoff }: { handoff: Handoff }) {
  const make = useMakeLink(handoff.id);
  const revoke = useRevokeLink(handoff.id);
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        A page for people without a login
      </Words>
      <Words kind="muted">The brief without persons. Whoever has the link can open it until it ends.</Words>
      <Needs right="share">
        <SharedLinks
          label="What the link is for"
          options={KINDS}
          links={handoff.links}
          make={{ ...make, mutate: ({ what: kind, days }) => make.mutate({ kind, days }) }}
          made={make.data?.url}
          revoke={{ ...revoke, mutate: (link) => revoke.mutate(link) }}
        />
      </Needs>
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: SPACE.s } });
