import { Link } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { feedAddress, HAPPENING_KINDS, useHappened, type HappeningKind } from '@/data/happened';
import { InnerPage } from '@/frame/inner-page';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Strip } from '@/frame/strip';
import { useView } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { happenedSentence, KIND_WORDS } from './happened-words';
import { HappeningLines } from './happening-lines';

const ALL = 'all';
const OPTIONS = [
  { value: ALL, words: 'all' },
  ...HAPPENING_KINDS.map((value) => ({ value, words: KIND_WORDS[value] })),
] as const;

/** What happened, in one place: incidents, handoffs, releases, changes; each a door. */
export function HappenedPage() {
  const palette = usePalette();
  const { view } = useView();
  const [chosen, setChosen] = useState<HappeningKind | typeof ALL>(ALL);
  const kind = chosen === ALL ? undefined : chosen;
  const { data, error, refetch } = useHappened(view, kind);
  return (
    <InnerPage title="What happened" error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          What happened
        </Words>
        <NotNarrowed what="what happened is told by application and team" but={['application', 'team']} />
        <Strip label="Kind" options={OPTIONS} chosen={chosen} onChoose={setChosen} />
        {!data && !error && <Words kind="muted">Looking …</Words>}
        {data && (
          <>
            <Words testID="happened-sentence">{happenedSentence(data)}</Words>
            <HappeningLines
              happenings={data.happenings}
              nowMs={data.window.toMs}
              label="What happened, newest first"
              testID="happened"
            />
            <View style={styles.files}>
              <Link href={feedAddress(view, kind, 'json')} target="_blank" style={styles.file}>
                <Words style={{ color: palette.action }}>As JSON Feed</Words>
              </Link>
              <Link href={feedAddress(view, kind, 'ics')} target="_blank" style={styles.file}>
                <Words style={{ color: palette.action }}>As calendar (iCalendar)</Words>
              </Link>
            </View>
          </>
        )}
      </View>
    </InnerPage>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.s, maxWidth: 820 },
  files: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
  file: { minHeight: TOUCH, paddingVertical: SPACE.m },
});
