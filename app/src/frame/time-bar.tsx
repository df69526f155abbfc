import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { clock, lengthWords } from '@/look/format';
import { SPACE } from '@/look/tokens';
import { useWorstFirst } from '@/data/queries';
import { Chip } from './chip';
import { FocusSheet } from './focus-sheet';
import { Freshness } from './freshness';
import { Mark } from './mark';
import { useClock } from './clock';
import { useShortcuts } from './shortcuts';
import { TimeSheet } from './time-sheet';
import { LENGTHS, useView, type View as Looked } from './view';

/** "Now · last 1 h", or when and how long. */
export function windowWords(view: Looked, nowMs: number): string {
  if (view.from === undefined || view.to === undefined) {
    return `Now · last ${LENGTHS.find(({ minutes }) => minutes === view.last)?.words ?? lengthWords(view.last * 60_000)}`;
  }
  const [fromMs, toMs] = [Date.parse(view.from), Date.parse(view.to)];
  return `Then · ${clock(fromMs, nowMs)} to ${clock(toMs, fromMs)}`;
}

/** The same bar on top of every place: time, and what everything is narrowed to. */
export function TimeBar() {
  const { view, setView } = useView();
  const [open, setOpen] = useState<'time' | 'focus' | undefined>();
  const { data } = useWorstFirst(view);
  const clockMs = useClock();
  const nowMs = data?.freshness.judgedMs ?? clockMs;
  useShortcuts({ t: () => setOpen('time'), f: () => setOpen('focus') });
  const { application, team, ...rest } = view;
  const unfocused = application === undefined && team === undefined;
  return (
    <View>
      <View role="group" aria-label="Time and focus" style={styles.bar}>
        <Mark />
        <Chip
          words={windowWords(view, nowMs)}
          isLive={view.from === undefined}
          onPress={() => setOpen('time')}
          accessibilityLabel={`Time: ${windowWords(view, nowMs)}. Change`}
        />
        {unfocused && <Chip words="All applications" onPress={() => setOpen('focus')} accessibilityLabel="All applications. Narrow" />}
        {application !== undefined && (
          <Chip words={application} removes onPress={() => setView({ ...rest, ...(team && { team }) })} accessibilityLabel={`Only ${application}. Remove`} />
        )}
        {team !== undefined && (
          <Chip
            words={team}
            removes
            onPress={() => setView({ ...rest, ...(application && { application }) })}
            accessibilityLabel={`Only team ${team}. Remove`}
          />
        )}
        {!unfocused && <Chip words="Narrow" onPress={() => setOpen('focus')} />}
      </View>
      {data && <Freshness freshness={data.freshness} isLive={view.from === undefined} />}
      {open === 'time' && <TimeSheet view={view} nowMs={nowMs} onChange={setView} onClose={() => setOpen(undefined)} />}
      {open === 'focus' && (
        <FocusSheet view={view} applications={data?.applications ?? []} teams={data?.teams ?? []} onChange={setView} onClose={() => setOpen(undefined)} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.s, paddingHorizontal: SPACE.l, paddingTop: SPACE.s },
});
