import { StyleSheet, View } from 'react-native';
import { RangeBar } from '@/charts/range-bar';
import { ShareGrid } from '@/charts/share-grid';
import { ToneSquare } from '@/charts/tone-square';
import { useStanding } from '@/data/promises';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { NotNarrowed } from '@/frame/not-narrowed';
import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { clock, count, durationWords, percent } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import {
  FEWEST_TONED,
  isNotable,
  limitWords,
  nowWords,
  outsideOf,
  peopleWords,
  threeWords,
  toneOf,
  type Activity,
  type Application,
} from './standing-words';

const BAR = 150;

/** Every application in three words, and every activity: whom its limit fails, and where. */
export function StandingPage() {
  const { view } = useView();
  const { data, error, refetch } = useStanding(view);
  return (
    <InnerPage title="Applications" error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Applications and activities
        </Words>
        {!data && !error && <Words kind="muted">Counting attempts …</Words>}
        {data && (
          <>
            <Words kind="muted">{`${clock(data.window.fromMs, data.window.toMs)} to ${clock(data.window.toMs)}. Probes do not count.`}</Words>
            <NotNarrowed what="each application is told as a whole" />
            <View role="list" aria-label="Applications">
              {data.applications.map((one) => (
                <ApplicationLine key={one.application} application={one} />
              ))}
            </View>
            {data.applications.length === 0 && <Words kind="muted">None is known yet.</Words>}
            <Activities activities={data.activities} />
            <BySite activities={data.activities} />
          </>
        )}
      </View>
    </InnerPage>
  );
}

function ApplicationLine({ application }: { application: Application }) {
  const palette = usePalette();
  const isWide = useIsWide();
  const { use } = application;
  return (
    <View
      role="listitem"
      style={[styles.line, isWide && styles.across, { borderTopColor: palette.hairline }]}
      testID={`application-${application.application}`}
    >
      <Door
        path="/flows"
        narrowed={{ application: application.application }}
        style={[styles.door, isWide && styles.name]}
      >
        <Words kind="strong" style={{ color: palette.action }}>
          {application.application}
        </Words>
      </Door>
      {threeWords(application).map(({ name, word, behind, tone }) => (
        <View key={name} style={isWide ? styles.third : styles.told}>
          <View style={styles.word}>
            <ToneSquare tone={tone} />
            <Words kind={tone === undefined ? 'body' : 'strong'}>{word}</Words>
          </View>
          <Words kind="small">{behind}</Words>
          {name === 'Use' && use.high > 0 && (
            <RangeBar value={use.attempts} low={use.low} high={use.high} isOff={tone !== undefined} width={BAR} />
          )}
        </View>
      ))}
    </View>
  );
}

const COLUMNS: readonly Column<Activity>[] = [
  figureColumn('over', 'People over the limit', ({ peopleOver }) => peopleOver, { show: count }),
  figureColumn(
    'share',
    'Share of people over the limit, 0 to 1',
    ({ people, peopleOver }) => (people > 0 ? peopleOver / people : null),
    {
      show: percent,
      isAverage: true,
    },
  ),
  textColumn('name', 'Activity', ({ name }) => name),
  textColumn('application', 'Application', ({ application }) => application),
  figureColumn('people', 'People active', ({ people }) => people, { show: count }),
  figureColumn('outside', 'Attempts outside', ({ outside }) => outside, { show: count }),
  figureColumn('attempts', 'Attempts', ({ attempts }) => attempts, { show: count }),
  figureColumn('now', 'Half took less now, ms', ({ currentMs }) => currentMs, { show: durationWords, isAverage: true }),
  figureColumn('usual', 'Usual, ms', ({ usualMs }) => usualMs, { show: durationWords }),
  figureColumn('learned', 'Learned limit, ms', ({ learnedLimitMs }) => learnedLimitMs, { show: durationWords }),
  figureColumn('agreed', 'Agreed limit, ms', ({ agreedLimitMs }) => agreedLimitMs, { show: durationWords }),
];

function Activities({ activities }: { activities: readonly Activity[] }) {
  const palette = usePalette();
  const isWide = useIsWide();
  const table = useTable(activities, {
    name: 'activities',
    columns: COLUMNS,
    byDefault: '-over',
    countOf: ({ attempts }) => attempts,
  });
  if (activities.length === 0) return null;
  return (
    <View style={styles.gap} testID="activities">
      <Words kind="section" level={2}>
        Activities
      </Words>
      <TableTools table={table} />
      <View role="list" aria-label="Activities">
        {table.rows.map((activity) => (
          <View
            role="listitem"
            key={activity.id}
            style={[styles.line, isWide && styles.across, { borderTopColor: palette.hairline }]}
            testID={`activity-${activity.id}`}
          >
            <Door path={`/flow/${activity.id}`} style={[styles.door, isWide && styles.name]}>
              <Words style={{ color: palette.action }}>{activity.name}</Words>
              <Words kind="small">{activity.application}</Words>
            </Door>
            <View style={isWide ? styles.third : styles.told}>
              <Words kind={isNotable(activity) ? 'strong' : 'body'}>{peopleWords(activity)}</Words>
              <Words kind="small">{outsideOf(activity)}</Words>
            </View>
            <View style={isWide ? styles.third : styles.told}>
              <Words>{nowWords(activity)}</Words>
              <Words kind="small">{limitWords(activity)}</Words>
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

function BySite({ activities }: { activities: Schemas['Standing']['activities'] }) {
  const cells = activities.flatMap(({ id, name, application, sites }) =>
    sites.map(({ site, ...counts }) => ({
      rowId: id,
      row: name,
      owner: application,
      column: site,
      ...counts,
      tone: toneOf(counts),
    })),
  );
  if (cells.length === 0) return null;
  return (
    <View style={styles.gap} testID="activity-sites">
      <Words kind="section" level={2}>
        By activity and site
      </Words>
      <ShareGrid label="Share of attempts in time by activity and site" head="Activity" cells={cells} />
      <Words kind="small">
        {`Share of attempts inside the limit that judges them, and of how many. Toned from 5 % outside, darker from 20 %; fewer than ${FEWEST_TONED} attempts are never toned.`}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.s },
  gap: { gap: SPACE.xs, marginTop: SPACE.l },
  line: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: SPACE.xs },
  across: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  door: { minHeight: TOUCH, justifyContent: 'center' },
  name: { width: 200 },
  third: { flex: 1, minWidth: 0, gap: 2 },
  told: { gap: 2 },
  word: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
});
