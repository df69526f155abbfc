import { STAGES, stageWords } from '@toplens/core/handoffs';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useHandoffTimes } from '@/data/handoffs';
import { Fold } from '@/frame/fold';
import { Strip } from '@/frame/strip';
import { Trouble } from '@/frame/trouble';
import { counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

type Times = Schemas['HandoffTimes'];
type Group = Times['byTeam'][number];

const BY = [
  { value: 'byTeam', words: 'by team' },
  { value: 'byFlow', words: 'by flow' },
  { value: 'byMonth', words: 'by month' },
] as const;
const MONTHS = 6;

const SHORT_WORDS = { detect: 'known', send: 'sent', accept: 'accepted', fix: 'fix', prove: 'proven' } as const;

/** How long it takes until trouble is known, sent, accepted, fixed and proven, over months. */
export function TimesPart() {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const [by, setBy] = useState<(typeof BY)[number]['value']>('byTeam');
  const { data, error, refetch } = useHandoffTimes(MONTHS, isOpen);
  return (
    <Fold words="How long it takes" onOpen={setOpen}>
      {error && !data && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && (
        <View style={styles.part}>
          <Words kind="muted">{`Half of the handoffs of the last ${data.months} months took no longer, each stage from the one before.`}</Words>
          <Strip label="By" options={BY} chosen={by} onChoose={setBy} />
          <View role="list" aria-label="How long it takes">
            {data[by].map((group) => (
              <View role="listitem" key={group.name} style={[styles.row, { borderTopColor: palette.hairline }]}>
                <Words kind="strong">{group.name}</Words>
                <Words kind="small">{countsWords(group)}</Words>
                <Words>{stagesWords(group)}</Words>
              </View>
            ))}
          </View>
        </View>
      )}
    </Fold>
  );
}

/** "12 handoffs, 9 proven, 1 returned" */
export const countsWords = ({ handoffs, proven, returned }: Group): string =>
  [counted(handoffs, 'handoff'), proven > 0 && `${proven} proven`, returned > 0 && `${returned} returned`]
    .filter(Boolean)
    .join(', ');

/** "known 3 min · sent 8 min · accepted 38 s"; what never came so far is left out. */
export const stagesWords = (group: Group): string =>
  STAGES.flatMap((stage) => {
    const ms = group[stage];
    return ms === null ? [] : [`${SHORT_WORDS[stage]} ${stageWords(ms)}`];
  }).join(' · ') || 'nothing is known yet';

const styles = StyleSheet.create({
  part: { gap: SPACE.s },
  row: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: 2 },
});
