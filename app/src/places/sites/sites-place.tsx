import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ShareGrid } from '@/charts/share-grid';
import { SITES_NARROWING, useSites } from '@/data/sites';
import { Door } from '@/frame/door';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Strip } from '@/frame/strip';
import { narrowedOf, useView, WORK_DIMENSIONS, type WorkDimension } from '@/frame/view';
import { clock } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { PeopleFrame } from '../people/people-frame';
import { ChangePart } from './change-part';
import { LinkedLists } from './linked-lists';
import { OneScale } from './one-scale';
import { PersonPart } from './person-part';
import { RemotePart } from './remote-part';
import { BY_WORDS, FEWEST_TONED, offFigures, sitesSentence, timeOf, toneOf, type Off, type Sites } from './sites-words';

const BY = WORK_DIMENSIONS.map((value) => ({ value, words: `by ${BY_WORDS[value][0]}` }));

/** People at work: is it the person, the line, the server or the application? */
export function SitesPlace() {
  const { view, setView } = useView();
  const { data, error, refetch } = useSites(view);
  const by = view.workBy ?? 'site';
  const choose = (next: WorkDimension) => {
    const { workBy: _by, ...rest } = view;
    setView(next === 'site' ? rest : { ...rest, workBy: next });
  };
  return (
    <PeopleFrame
      title="Sites"
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
      maxWidth={1100}
    >
      <Words kind="title" level={1}>
        Sites
      </Words>
      <NotNarrowed
        what="people at work are told apart by application, flow, device, site, department, role, station and server"
        but={SITES_NARROWING}
      />
      {!data && !error && <Words kind="muted">Comparing people at work …</Words>}
      {data && (
        <>
          <Words testID="sites-sentence">{sitesSentence(data, Object.keys(narrowedOf(view)).length > 0)}</Words>
          <Words kind="muted">{`${clock(data.window.fromMs)} to ${clock(data.window.toMs)}. What is slow is compared with what is usual for each activity, and people with those like them.`}</Words>
          <WhatIsOff off={data.off} />
          {view.host !== undefined && <PersonPart />}
          <Strip label="Told apart" options={BY} chosen={by} onChoose={choose} />
          <OneScale groups={data.groups} by={data.by} />
          <Grid sites={data} />
          <LinkedLists sites={data} />
          <RemotePart />
          <ChangePart sites={data} />
        </>
      )}
    </PeopleFrame>
  );
}

function WhatIsOff({ off }: { off: readonly Off[] }) {
  const palette = usePalette();
  if (off.length === 0) return null;
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        What is off
      </Words>
      <View role="list" aria-label="What is off" testID="sites-off">
        {off.map((one) => (
          <View
            role="listitem"
            key={`${one.application} ${one.layer} ${one.name}`}
            style={[styles.line, { borderTopColor: palette.hairline }]}
          >
            <Words kind="strong">{one.words}</Words>
            <Words kind="small">
              {[
                one.layer === 'device' ? `${one.name}, ${one.group}` : '',
                offFigures(one),
                one.team === null ? 'no team owns it yet' : `for ${one.team}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Words>
            {(one.layer === 'line' || one.layer === 'server') && (
              <Door
                path="/people/sites"
                narrowed={{ [one.layer === 'line' ? 'site' : 'server']: one.name }}
                style={styles.door}
              >
                <Words style={{ color: palette.action }}>{`Look at ${one.name} alone`}</Words>
              </Door>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

/** Each activity in each group, turned round at a tap. */
function Grid({ sites: { activities, groups, cells, by } }: { sites: Sites }) {
  const [isTurned, setTurned] = useState(false);
  const [isTime, setTime] = useState(false);
  if (cells.length === 0) return null;
  const [one] = BY_WORDS[by];
  const places = new Map(groups.map(({ group }, i) => [group, i]));
  const names = new Map(activities.map(({ id, name, application }) => [id, { name, application }]));
  const shown = cells
    .map((cell) => {
      const { id, group, attempts: valid, good } = cell;
      const { name = '', application = '' } = names.get(id) ?? {};
      const { tone, ...told } = isTime ? timeOf(cell) : { tone: toneOf(cell) };
      const shown = { valid, good, tone, ...(isTime && { told: told as { value: string; detail: string } }) };
      return isTurned
        ? { rowId: places.get(group) ?? -1, row: group, owner: '', column: name, ...shown }
        : { rowId: id, row: name, owner: application, column: group, ...shown };
    })
    .sort((a, b) => a.rowId - b.rowId);
  return (
    <View style={styles.gap} testID="sites-grid">
      <Words kind="section" level={2}>
        {isTurned ? `${one[0]?.toUpperCase()}${one.slice(1)} by activity` : `Activity by ${one}`}
      </Words>
      <Strip
        label="Rows"
        options={[
          { value: 'activities', words: 'activities down' },
          { value: 'groups', words: `${BY_WORDS[by][1]} down` },
        ]}
        chosen={isTurned ? 'groups' : 'activities'}
        onChoose={(value) => setTurned(value === 'groups')}
      />
      <Strip
        label="What is told"
        options={[
          { value: 'share', words: 'in time' },
          { value: 'time', words: 'how long' },
        ]}
        chosen={isTime ? 'time' : 'share'}
        onChoose={(value) => setTime(value === 'time')}
      />
      <ShareGrid
        label={`${isTime ? 'Median time' : 'Share of attempts in time'} by activity and ${one}`}
        head={isTurned ? one : 'Activity'}
        cells={shown}
      />
      <Words kind="small">
        {isTime
          ? `Half took less; below it against what is usual for the activity, and attempts. Toned from 1.15× the usual, darker from 1.5×; fewer than ${FEWEST_TONED} attempts are never toned.`
          : `Share of attempts inside the limit that judges them, and of how many. Toned from 5 % outside, darker from 20 %; fewer than ${FEWEST_TONED} attempts are never toned.`}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  line: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: 2 },
  door: { minHeight: TOUCH, justifyContent: 'center', alignSelf: 'flex-start' },
});
