import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useCrashGroup } from '@/data/phones';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { useView } from '@/frame/view';
import { clock } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { Frames } from './frames';
import { byVersionWords, groupFigures, STATE_WORDS, versionName, whereWords } from './phone-words';

type Page = Schemas['CrashGroupPage'];

const DIMENSION_WORDS: Readonly<Record<Page['where'][number]['dimension'], string>> = {
  version: 'Version',
  device: 'Device',
  carrier: 'Carrier',
  country: 'Country',
  system: 'System',
  screen: 'Screen',
};

const whenWords = ({ group: { application, firstMs, lastMs }, window: { toMs } }: Page): string =>
  `${application}, ${clock(firstMs, toMs)} to ${clock(lastMs, toMs)}.`;

/** Crashes at one place of the code: how many, where more often than elsewhere, and the newest of them. */
export function CrashGroupPage({ crash }: { crash: string }) {
  const { view } = useView();
  const palette = usePalette();
  const isWide = useIsWide();
  const { data, error, refetch } = useCrashGroup(crash, view);
  return (
    <InnerPage
      title={data ? data.group.place || data.group.type : undefined}
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
    >
      {data && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {data.group.place || data.group.type}
          </Words>
          <Words>{`${data.group.type}: ${data.group.message}`}</Words>
          <Words testID="group-figures">{groupFigures(data.group)}</Words>
          <Words kind="muted">
            {[STATE_WORDS[data.group.state], byVersionWords(data.group)].filter(Boolean).join(' ')}
          </Words>
          <Words kind="muted">{whenWords(data)}</Words>
          <View style={isWide ? styles.columns : styles.stack}>
            <View style={isWide ? styles.column : styles.stack}>
              <Words kind="section" level={2}>
                Where in the code
              </Words>
              <Frames frames={data.frames} isRestored={data.group.isRestored} />
              <Words kind="section" level={2}>
                The newest
              </Words>
              {data.newest.map((one) => (
                <Door key={one.id} path={`/crash/${one.id}`} style={styles.door} testID="one-crash">
                  <Words style={{ color: palette.action }}>{clock(one.atMs, data.window.toMs)}</Words>
                  <Words kind="small">
                    {[versionName(one.version), one.device, one.system, one.screen].filter(Boolean).join(' · ')}
                  </Words>
                </Door>
              ))}
            </View>
            <View style={isWide ? styles.column : styles.stack} testID="crash-where">
              <Words kind="section" level={2}>
                Where it happens
              </Words>
              {data.where.map(({ dimension, values }) => (
                <View key={dimension} style={styles.part}>
                  <Words kind="strong">{DIMENSION_WORDS[dimension]}</Words>
                  {values.map((value) => (
                    <View key={value.value} style={styles.value}>
                      <WhereValue dimension={dimension} value={value.value} />
                      <Words kind="small">{whereWords(value, data.group.crashes)}</Words>
                    </View>
                  ))}
                </View>
              ))}
            </View>
          </View>
        </View>
      )}
    </InnerPage>
  );
}

/** A value that launches are told by is a filter; of a screen or a system there is no more to see. */
function WhereValue({ dimension, value }: { dimension: keyof typeof DIMENSION_WORDS; value: string }) {
  const palette = usePalette();
  if (dimension === 'system' || dimension === 'screen') return <Words>{value}</Words>;
  return (
    <Door path="/people/phone" narrowed={{ [dimension === 'country' ? 'region' : dimension]: value }}>
      <Words style={{ color: palette.action }}>{value}</Words>
    </Door>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0, gap: SPACE.s },
  stack: { gap: SPACE.s },
  part: { gap: SPACE.xs, paddingBottom: SPACE.s },
  value: { gap: 2 },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
