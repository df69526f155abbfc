import { Link } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ToneSquare } from '@/charts/tone-square';
import { PHONE_NARROWING, usePhone } from '@/data/phones';
import { useServerState } from '@/data/server';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { NotNarrowed } from '@/frame/not-narrowed';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { narrowedOf, useView } from '@/frame/view';
import { clock, count, counted, durationWords, percent, sizeWords } from '@/look/format';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { PeopleFrame } from '../people/people-frame';
import { Addresses } from './addresses';
import { PhoneCountries } from './phone-countries';
import { Sessions } from './sessions';
import { VersionSpread } from './version-spread';
import {
  byVersionWords,
  crashFreeWords,
  crashRateWords,
  demandWords,
  groupFigures,
  standsOutWords,
  startWords,
  STATE_WORDS,
  versionName,
  type Group,
  type Version,
} from './phone-words';

type Phone = Schemas['Phone'];

/** Applications in people's hands: their versions side by side, and where they crash. */
export function PhonePlace() {
  const { view } = useView();
  const { data, error, refetch } = usePhone(view);
  const [address, setAddress] = useState<string>();
  return (
    <PeopleFrame
      title="Phone"
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
      maxWidth={1100}
    >
      <Words kind="title" level={1}>
        Phone
      </Words>
      <NotNarrowed
        what="launches and crashes are told by application, version, device, carrier and country"
        but={PHONE_NARROWING}
      />
      {data && (
        <>
          <Words testID="phone-sentence">{phoneSentence(data, Object.keys(narrowedOf(view)).length > 0)}</Words>
          <TryRound />
          {data.isCut && <Words kind="muted">There were more crashes: the newest 20,000 are counted.</Words>}
          {data.applications.map((one) => (
            <View key={one.application}>
              <Versions application={one} />
              <PhoneCountries application={one} />
            </View>
          ))}
          <Groups groups={data.groups} nowMs={data.window.toMs} />
          <Addresses chosen={address} onChoose={setAddress} />
          <Sessions address={address} onClear={() => setAddress(undefined)} />
        </>
      )}
    </PeopleFrame>
  );
}

/** In the demo alone: an application that a visitor can make crash. */
function TryRound() {
  const palette = usePalette();
  const { data } = useServerState();
  if (!data?.roundUrl) return null;
  return (
    <Link href={data.roundUrl} target="_blank" style={{ color: palette.action }} testID="try-round">
      <Words style={{ color: palette.action }}>Open Round in a browser, press Crash, and find it here.</Words>
    </Link>
  );
}

export function phoneSentence({ applications, groups }: Phone, isNarrowed = false): string {
  const launches = applications.reduce((sum, one) => sum + one.launches, 0);
  const crashes = groups.reduce((sum, one) => sum + one.crashes, 0);
  if (launches === 0 && crashes === 0 && isNarrowed)
    return 'No data for this filter: nothing that it leaves told of a launch in this time.';
  if (launches === 0 && crashes === 0)
    return 'No data: no application on a phone told of a launch in this time, so no crash is known. That is not the same as none.';
  const launched = launches === 0 ? 'Launches are not told' : counted(launches, 'launch', 'launches');
  const places = groups.length === 1 ? 'one place' : `${count(groups.length)} places`;
  return crashes === 0
    ? `${launched}, and no crash among them.`
    : `${launched}; ${counted(crashes, 'crash', 'crashes')} at ${places} of the code.`;
}

const VERSION_COLUMNS: readonly Column<Version>[] = [
  {
    key: 'first',
    words: 'First seen',
    label: 'First seen',
    show: ({ firstMs }) => (firstMs === null ? '–' : clock(firstMs)),
    value: ({ firstMs }) => firstMs,
    save: ({ firstMs }) => (firstMs === null ? null : new Date(firstMs).toISOString()),
  },
  textColumn('version', 'Version', ({ version }) => versionName(version)),
  figureColumn('launches', 'Launches', ({ launches }) => launches, { show: count }),
  figureColumn('share', 'Share of launches, 0 to 1', ({ shareOfLaunches }) => shareOfLaunches, { show: percent }),
  figureColumn('crashes', 'Crashes', ({ crashes }) => crashes, { show: count }),
  figureColumn('rate', 'Crashes by launches, 0 to 1', ({ crashRate }) => crashRate?.estimate ?? null, {
    show: percent,
    isAverage: true,
  }),
  figureColumn('people', 'People', ({ people }) => people, { show: count }),
  figureColumn('crashed', 'People whom it crashed for', ({ peopleCrashed }) => peopleCrashed, { show: count }),
  figureColumn('cold', 'Cold start, median, ms', ({ cold }) => cold?.medianMs ?? null, {
    show: durationWords,
    isAverage: true,
  }),
  figureColumn('cold95', 'Cold start, 95th percentile, ms', ({ cold }) => cold?.p95Ms ?? null, {
    show: durationWords,
    isAverage: true,
  }),
  figureColumn('requests', 'Requests', ({ requests }) => requests, { show: count }),
  figureColumn(
    'requestsFailed',
    'Share of requests that failed, 0 to 1',
    ({ requests, requestsFailed }) => (requests > 0 ? requestsFailed / requests : null),
    { show: percent, isAverage: true },
  ),
  figureColumn('request', 'Request, median, ms', ({ requestMedianMs }) => requestMedianMs, {
    show: durationWords,
    isAverage: true,
  }),
  figureColumn('errors', 'Errors', ({ errors }) => errors, { show: count }),
  figureColumn('sessions', 'Sessions that tell of these', ({ sessions }) => sessions, { show: count }),
  figureColumn('cpu', 'Processor, median, 0 to 1', ({ cpu }) => cpu, { show: percent, isAverage: true }),
  figureColumn('memory', 'Memory, median, bytes', ({ memory }) => memory, { show: sizeWords, isAverage: true }),
  figureColumn('warm', 'Warm start, median, ms', ({ warm }) => warm?.medianMs ?? null, {
    show: durationWords,
    isAverage: true,
  }),
];

/** Versions of one application, the newest first, with what stands out beyond chance. */
function Versions({ application }: { application: Phone['applications'][number] }) {
  const palette = usePalette();
  const isWide = useIsWide();
  const table = useTable(application.versions, {
    name: `versions-${application.application}`,
    columns: VERSION_COLUMNS,
    byDefault: '-first',
    countOf: ({ launches }) => launches,
  });
  if (application.versions.length === 0) return null;
  return (
    <View style={styles.gap} testID={`versions-${application.application}`}>
      <Words kind="section" level={2}>{`${application.application}, by version`}</Words>
      {application.versions.length > 1 && (
        <>
          <VersionSpread spread={application.spread} />
          <TableTools table={table} unit="launch" />
        </>
      )}
      <View role="list" aria-label={`Versions of ${application.application}`}>
        {table.rows.map((version) => {
          const standsOut = standsOutWords(version);
          const isWorse = version.standsOut.some((one) => one.isWorse);
          return (
            <View
              role="listitem"
              key={version.version}
              style={[styles.line, isWide && styles.across, { borderTopColor: palette.hairline }]}
              testID={`version-${version.version}`}
            >
              <View style={isWide && styles.name}>
                {version.version === '' ? (
                  <Words kind="strong">{versionName('')}</Words>
                ) : (
                  <Door path="/people/phone" narrowed={{ version: version.version }}>
                    <Words kind="strong" style={{ color: palette.action }}>
                      {version.version}
                    </Words>
                  </Door>
                )}
                <Words kind="small">
                  {[
                    `${percent(version.shareOfLaunches)} of launches`,
                    version.firstMs !== null && `since ${clock(version.firstMs)}`,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </Words>
              </View>
              <View style={isWide ? styles.third : styles.told}>
                <Words>{crashRateWords(version)}</Words>
                <Words kind="small">{crashFreeWords(version)}</Words>
              </View>
              <View style={isWide ? styles.third : styles.told}>
                <Words>{startWords(version)}</Words>
                {demandWords(version) !== '' && <Words kind="small">{demandWords(version)}</Words>}
                {standsOut.length > 0 && (
                  <View style={styles.word}>
                    <ToneSquare tone={isWorse ? 1 : undefined} />
                    <Words kind={isWorse ? 'strong' : 'small'} style={styles.fill}>
                      {standsOut.join('; ')}
                    </Words>
                  </View>
                )}
              </View>
            </View>
          );
        })}
      </View>
    </View>
  );
}

const GROUP_COLUMNS: readonly Column<Group>[] = [
  figureColumn('people', 'People', ({ people }) => people, { show: count }),
  figureColumn('crashes', 'Crashes', ({ crashes }) => crashes, { show: count }),
  figureColumn('share', 'Share of launches, 0 to 1', ({ shareOfLaunches }) => shareOfLaunches, { show: percent }),
  figureColumn('devices', 'Device models', ({ devices }) => devices, { show: count }),
  textColumn('place', 'Place in the code', ({ place }) => place),
  textColumn('type', 'Type', ({ type }) => type),
  textColumn('message', 'Message', ({ message }) => message),
  textColumn('state', 'New or gone', ({ state }) => state),
  timeColumn('first', 'First seen', ({ firstMs }) => firstMs),
  timeColumn('last', 'Last seen', ({ lastMs }) => lastMs),
];

/** Crashes in groups of one place in the code, by people met. */
function Groups({ groups, nowMs }: { groups: readonly Group[]; nowMs: number }) {
  const palette = usePalette();
  const table = useTable(groups, { name: 'crashes', columns: GROUP_COLUMNS, byDefault: '-people' });
  if (groups.length === 0) return null;
  return (
    <View style={styles.gap} testID="crash-groups">
      <Words kind="section" level={2}>
        Crashes
      </Words>
      {groups.length > 1 && <TableTools table={table} />}
      <View role="list" aria-label="Crashes">
        {table.rows.map((group) => (
          <View role="listitem" key={group.id} style={[styles.line, { borderTopColor: palette.hairline }]}>
            <Door path={`/crash-group/${group.sample}`} style={styles.door} testID="crash-group">
              <Words kind="strong" style={{ color: palette.action }}>
                {group.place || group.type}
              </Words>
              <Words>{`${group.type}: ${group.message}`}</Words>
              <Words>{groupFigures(group)}</Words>
              <Words kind="small">
                {[
                  STATE_WORDS[group.state],
                  `${byVersionWords(group)}.`,
                  `${group.application}, ${clock(group.firstMs, nowMs)} to ${clock(group.lastMs, nowMs)}`,
                ]
                  .filter(Boolean)
                  .join(' ')}
              </Words>
            </Door>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: SPACE.xs },
  across: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  name: { width: 200 },
  third: { flex: 1, minWidth: 0, gap: 2 },
  told: { gap: 2 },
  word: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  fill: { flex: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', gap: 2 },
});
