import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWorstFirst } from '@/data/incidents';
import { clock, lengthWords, zoneName } from '@/look/format';
import { useIsWide } from '@/look/look';
import { SPACE } from '@/look/tokens';
import { Words } from '@/look/text';
import { AgainstSheet } from './against-sheet';
import { Chip } from './chip';
import { CopyLink } from './copy-link';
import { useClock } from './clock';
import { FocusSheet, remainingWords, TITLES } from './focus-sheet';
import { Freshness } from './freshness';
import { Mark } from './mark';
import { useShortcuts } from './shortcuts';
import { TimeSheet } from './time-sheet';
import { LENGTHS, NARROWING, useView, without, type Narrowing, type View as Looked } from './view';

/** "Now · last 1 h", or when and how long. */
export function windowWords(view: Looked, nowMs: number): string {
  if (view.from === undefined || view.to === undefined) {
    return `Now · last ${LENGTHS.find(({ minutes }) => minutes === view.last)?.words ?? lengthWords(view.last * 60_000)}`;
  }
  const [fromMs, toMs] = [Date.parse(view.from), Date.parse(view.to)];
  return `Past · ${clock(fromMs, nowMs)} to ${clock(toMs, fromMs)}`;
}

const AGAINST_CHIP = {
  week: 'Compared with last week',
  day: 'Compared with the day before',
  before: 'Compared with just before',
  release: 'Compared with before a release',
} as const;

const NO_KNOWN = { applications: [], teams: [], flows: [], dimensions: [], remaining: null };

/** The same bar on top of every place: time, with what it is compared, and what everything is narrowed to. */
export function TimeBar() {
  const { view, setView } = useView();
  const [open, setOpen] = useState<'time' | 'focus' | 'against' | undefined>();
  const { data } = useWorstFirst(view);
  const clockMs = useClock();
  const isWide = useIsWide();
  const judgedMs = data?.freshness.judgedMs;
  const nowMs = judgedMs ?? clockMs;
  useShortcuts({ t: () => setOpen('time'), f: () => setOpen('focus'), c: () => setOpen('against') });
  const narrowed = NARROWING.filter((name) => view[name] !== undefined);
  const filterWords = (name: Narrowing) =>
    `${TITLES[name].toLowerCase()} ${
      name === 'flow'
        ? (data?.flows.find(({ id }) => String(id) === view.flow)?.name ?? 'not known')
        : (view[name] as string)
    }`;
  const close = () => setOpen(undefined);
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
        <Chip
          words={view.against ? AGAINST_CHIP[view.against] : 'Compare'}
          onPress={() => setOpen('against')}
          accessibilityLabel={view.against ? `${AGAINST_CHIP[view.against]}. Change` : 'Compare with another time'}
        />
        {narrowed.map((name) => (
          <Chip
            key={name}
            words={filterWords(name)}
            removes
            onPress={() => setView(without(view, name))}
            accessibilityLabel={`Filter ${filterWords(name)}. Remove`}
          />
        ))}
        <Chip
          words={narrowed.length > 0 || !isWide ? 'Filter' : 'All applications'}
          onPress={() => setOpen('focus')}
          accessibilityLabel={narrowed.length > 0 ? 'Add a filter' : 'All applications. Filter'}
        />
        {data && <CopyLink view={view} window={data.window} />}
        <Words kind="small" testID="data-until">
          {judgedMs === null || judgedMs === undefined
            ? `No data yet · times in ${zoneName(nowMs)}`
            : `Data up to ${clock(judgedMs, clockMs)} · times in ${zoneName(nowMs)}`}
        </Words>
      </View>
      {data?.remaining && narrowed.length > 0 && (
        <Words kind="small" style={styles.remaining} testID="remaining">
          {remainingWords(data.remaining)}
        </Words>
      )}
      {data && <Freshness freshness={data.freshness} isLive={view.from === undefined} />}
      {open === 'time' && <TimeSheet view={view} nowMs={nowMs} onChange={setView} onClose={close} />}
      {open === 'focus' && <FocusSheet view={view} known={data ?? NO_KNOWN} onChange={setView} onClose={close} />}
      {open === 'against' && <AgainstSheet view={view} onChange={setView} onClose={close} />}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: SPACE.s,
    paddingHorizontal: SPACE.l,
    paddingTop: SPACE.s,
  },
  remaining: { paddingHorizontal: SPACE.l },
});
