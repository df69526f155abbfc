import { rateWords } from '@toplens/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import Svg, { Line, Rect } from 'react-native-svg';
import type { Incident, Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { NotNarrowed } from '@/frame/not-narrowed';
import { clock, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { isQuiet } from '../flows/quiet';
import { spanWords } from '../attempt/rows';
import { hasNoTrace } from './sample-list';

type Origin = Schemas['Origin'];

const AXIS = 96;
/** Before the onset so much is shown, of what the ladder covers. */
const LEAD = 0.2;
const INDENT = 12;
const FEW_SHARED = 4;

/**
 * Where the trouble comes from: the proposed component with its reasons, and the way down with the moment each rung
 * left its usual.
 */
export function LikelyOrigin({ incident }: { incident: Incident }) {
  const { origin } = incident;
  return (
    <View style={styles.box} testID="likely-origin">
      <Words kind="section" level={2}>
        Likely origin
      </Words>
      <NotNarrowed what="traces of the whole incident are compared" />
      {origin ? (
        <Found origin={origin} incident={incident} />
      ) : (
        <>
          {incident.outage && incident.outage.path.length > 0 ? (
            <Lost outage={incident.outage} />
          ) : (
            <Words kind="muted">
              {incident.outage
                ? 'No trace of a usual attempt is kept, so nothing tells which components serve it.'
                : incident.samples.length > 0 && incident.samples.every(hasNoTrace)
                  ? 'No spans came with these attempts, so no trace can tell.'
                  : 'The inner spans of these attempts are not kept, so their traces cannot tell.'}
            </Words>
          )}
        </>
      )}
    </View>
  );
}

const SERVING_WORDS = { silent: 'silent', less: 'less than usual', usual: 'as usual' } as const;

/** Where attempts that never came may have been lost: what usually serves them, and what it did meanwhile. */
function Lost({ outage }: { outage: NonNullable<Incident['outage']> }) {
  const palette = usePalette();
  return (
    <View testID="outage">
      {outage.words.map((words) => (
        <Words key={words}>{words}</Words>
      ))}
      {outage.changes.map((words) => (
        <Words key={words} testID="changed-before">{`Changed on the way: ${words}.`}</Words>
      ))}
      <View role="list" aria-label="Components that usually serve it">
        {outage.path.map(({ component, depth, usualPerMinute, nowPerMinute, state }) => (
          <View role="listitem" key={component} style={{ paddingLeft: Math.min(6, Math.round(depth)) * SPACE.m }}>
            <Door path={`/component/${encodeURIComponent(component)}`} style={styles.first}>
              <Words style={{ color: palette.action }}>{component}</Words>
              <Words kind="small">{`${SERVING_WORDS[state]}: ${rateWords(nowPerMinute)} a minute, usually ${rateWords(usualPerMinute)}`}</Words>
            </Door>
          </View>
        ))}
      </View>
    </View>
  );
}

function Found({ origin, incident }: { origin: Origin; incident: Incident }) {
  const [areAllShown, setAllShown] = useState(false);
  const palette = usePalette();
  const [first, ...others] = origin.candidates;
  const looked = `${origin.bad} attempts gone wrong beside ${origin.usual} usual ones`;
  if (!first) return <Words kind="muted">{`No component stands out in ${looked}.`}</Words>;
  return (
    <>
      <View style={[styles.card, { borderColor: palette.hairline, backgroundColor: palette.surface }]}>
        <Door path={`/component/${encodeURIComponent(first.component)}`} style={styles.first}>
          <Words kind="strong" testID="origin-first" style={{ color: palette.action }}>
            {first.component}
          </Words>
        </Door>
        {first.reasons.map((reason) => (
          <Words key={reason}>{`– ${reason}`}</Words>
        ))}
        <Words kind="small">
          {[
            first.team && `belongs to ${first.team}`,
            origin.trust !== null &&
              `in tests with known causes, a result this clear was right in ${percent(origin.trust)}`,
            looked,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Words>
        {origin.second && (
          <Words kind="strong">{`At the same time ${origin.second}: it explains attempts that ${first.component} does not.`}</Words>
        )}
      </View>
      {origin.changes
        .filter((words) => !first.reasons.includes(words))
        .map((words) => (
          <Words key={words} testID="changed-before">{`Changed on the way: ${words}.`}</Words>
        ))}
      <Ladder origin={origin} incident={incident} first={first.component} />
      {origin.shared.length > 0 && <Words kind="muted">{sharedWords(first.component, origin.shared)}</Words>}
      {others.length > 0 && (
        <Button onPress={() => setAllShown(!areAllShown)} style={styles.more}>
          {areAllShown
            ? 'Only the first'
            : `${others.length} further ${others.length === 1 ? 'candidate' : 'candidates'}`}
        </Button>
      )}
      {areAllShown &&
        others.map(({ component, reasons, score }) => (
          <View key={component}>
            <Words kind="strong">{`${component}, score ${score.toFixed(2)}`}</Words>
            <Words kind="muted">{reasons.join(' · ') || 'little speaks for it'}</Words>
          </View>
        ))}
    </>
  );
}

/** Who else depends on it, those in trouble by name. */
export function sharedWords(component: string, shared: Origin['shared']): string {
  const troubled = shared.filter(({ level }) => !isQuiet(level));
  const calm = shared.length - troubled.length;
  const named = troubled
    .slice(0, FEW_SHARED)
    .map(({ name, application, level }) => `${name} of ${application} (${level})`);
  if (troubled.length > FEW_SHARED) named.push(`${troubled.length - FEW_SHARED} more in trouble`);
  if (calm > 0)
    named.push(`${calm} ${troubled.length > 0 ? 'that are' : `other ${calm === 1 ? 'flow' : 'flows'}, all`} calm`);
  return `${component} also serves ${named.join(', ')}.`;
}

/**
 * Components as rungs, deepest at the bottom: usual outlined, now filled, and a mark where each first left its usual.
 */
function Ladder({ origin, incident, first }: { origin: Origin; incident: Incident; first: string }) {
  const palette = usePalette();
  const onsets = origin.rungs.flatMap(({ onsetMs }) => onsetMs ?? []);
  const toMs = Math.max(incident.onsetMs + 60_000, ...onsets) + 5 * 60_000;
  const fromMs = Math.min(incident.onsetMs, ...onsets) - Math.max(60_000, LEAD * (toMs - incident.onsetMs));
  const x = (ms: number) => ((ms - fromMs) / (toMs - fromMs)) * AXIS;
  const most = Math.max(1, ...origin.rungs.flatMap(({ usualUs, nowUs }) => [usualUs, nowUs]));
  const bar = (us: number) => Math.max(1, (us / most) * (AXIS - 1));
  return (
    <View role="table" aria-label="The way down">
      <View role="row" style={styles.rung}>
        <View role="columnheader" style={styles.name}>
          <Words kind="small">component, deepest last</Words>
        </View>
        <View role="columnheader" style={styles.axis}>
          <Words kind="small">usual over now</Words>
        </View>
        <View role="columnheader" style={styles.axis}>
          <Words kind="small">since</Words>
        </View>
      </View>
      {origin.rungs.map((rung) => {
        const isFirst = rung.component === first;
        const words = `${spanWords(rung.usualUs)} → ${spanWords(rung.nowUs)}${rung.failing > 0 ? `, fails in ${rung.failing}` : ''}`;
        return (
          <View
            role="row"
            key={rung.component}
            style={[styles.rung, { borderTopColor: palette.hairline }, isFirst && { backgroundColor: palette.surface }]}
          >
            <View role="cell" style={[styles.name, { paddingLeft: Math.min(6, rung.depth) * INDENT }]}>
              <Words kind={isFirst ? 'strong' : 'body'} numberOfLines={2}>
                {rung.component}
              </Words>
            </View>
            <View role="cell" style={styles.axis}>
              <Svg width={AXIS} height={16} aria-hidden>
                <Rect
                  x={0.5}
                  y={0.5}
                  width={bar(rung.usualUs)}
                  height={6}
                  fill={palette.paper}
                  stroke={palette.muted}
                  strokeWidth={0.8}
                />
                <Rect
                  x={0.5}
                  y={8.5}
                  width={bar(rung.nowUs)}
                  height={7}
                  fill={isFirst ? palette.harm[3] : palette.muted}
                />
              </Svg>
              <Words kind="small">{words}</Words>
            </View>
            <View role="cell" style={styles.axis}>
              <Svg width={AXIS} height={16} aria-hidden>
                <Line x1={0} x2={AXIS} y1={8} y2={8} stroke={palette.hairline} strokeWidth={1} />
                <Line
                  x1={x(incident.onsetMs)}
                  x2={x(incident.onsetMs)}
                  y1={1}
                  y2={15}
                  stroke={palette.muted}
                  strokeWidth={1}
                  strokeDasharray="2 2"
                />
                {rung.onsetMs !== null && (
                  <Rect
                    x={x(rung.onsetMs) - 2}
                    y={2}
                    width={4}
                    height={12}
                    fill={isFirst ? palette.harm[3] : palette.harm[2]}
                  />
                )}
              </Svg>
              <Words kind="small">
                {rung.onsetMs === null ? 'as usual' : clock(rung.onsetMs, incident.window.toMs)}
              </Words>
            </View>
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  card: { borderWidth: 1, borderRadius: 4, padding: SPACE.m, gap: 2 },
  first: { minHeight: 44, justifyContent: 'center' },
  rung: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: 44,
    paddingVertical: SPACE.xs,
    borderTopWidth: 1,
    borderTopColor: 'transparent',
  },
  name: { flex: 1, minWidth: 0 },
  axis: { width: AXIS + 12 },
  more: { alignSelf: 'flex-start' },
});
