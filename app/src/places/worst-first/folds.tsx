import { useState } from 'react';
import { StyleSheet } from 'react-native';
import type { Schemas, WorstFirst } from '@/data/client';
import { useChanges } from '@/data/incidents';
import { Door } from '@/frame/door';
import { Fold } from '@/frame/fold';
import type { View as LookedAt } from '@/frame/view';
import { clock, lengthWords } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

type PartWarning = Schemas['PartWarning'];

function pathOf({
  flow,
  component,
  probe,
}: Pick<PartWarning, 'flow' | 'component' | 'probe'>): '/estate' | `/${'flow' | 'component' | 'probe'}/${string}` {
  if (probe !== null) return `/probe/${encodeURIComponent(probe.name)}`;
  if (flow !== null) return `/flow/${flow}`;
  return component === '' ? '/estate' : `/component/${encodeURIComponent(component)}`;
}

/**
 * What no user feels yet: deviations that hurt nobody, flows that answer too quickly, and hosts that are not as usual,
 * with what they may become.
 */
export function EarlyWarnings({
  warnings,
  others,
  nowMs,
}: {
  warnings: WorstFirst['earlyWarnings'];
  others: readonly PartWarning[];
  nowMs: number;
}) {
  const all = warnings.length + others.length;
  if (all === 0) return null;
  return (
    <Fold style={styles.fold} words={`Early warnings: nobody hurt yet (${all})`}>
      {warnings.map((notice) => (
        <Door key={notice.id} path={`/incident/${notice.id}`} style={styles.row}>
          <Words>{notice.title}</Words>
          <Words kind="small">{`${notice.application} · since ${clock(notice.onsetMs, nowMs)}. ${notice.mayBecome}`}</Words>
        </Door>
      ))}
      {others.map(({ flow, component, probe, host, title, mayBecome, team, sinceMs }) => (
        <Door
          key={`${title}-${component}-${host}`}
          path={pathOf({ flow, component, probe })}
          {...(probe !== null && { narrowed: { site: probe.site } })}
          style={styles.row}
          testID="early-warning"
        >
          <Words>{title}</Words>
          <Words kind="small">
            {[sinceMs !== null && `Since ${clock(sinceMs, nowMs)}`, mayBecome, team].filter(Boolean).join(' · ')}
          </Words>
        </Door>
      ))}
    </Fold>
  );
}

/** Set aside by somebody: out of the rank until its time is over. */
export function SetAside({ setAside, nowMs }: { setAside: WorstFirst['setAside']; nowMs: number }) {
  if (setAside.length === 0) return null;
  return (
    <Fold style={styles.fold} words={`Set aside ${setAside.length}`}>
      {setAside.map((one) => (
        <Door key={one.id} path={`/incident/${one.id}`} style={styles.row}>
          <Words>{one.title}</Words>
          <Words kind="small">{`${one.by} until ${clock(one.untilMs, nowMs)}: ${one.reason}`}</Words>
        </Door>
      ))}
    </Fold>
  );
}

/** Change without any rule: the end of the window against the time before it, asked for when it is opened. */
export function Changes({ view }: { view: LookedAt }) {
  const [isShown, setShown] = useState(false);
  const { data, error } = useChanges(view, isShown);
  return (
    <Fold style={styles.fold} words="Changed suddenly" onOpen={setShown}>
      {error && <Words kind="small">{error.message}</Words>}
      {data && (
        <Words kind="small" style={styles.said}>
          {`${clock(data.window.fromMs)} to ${clock(data.window.toMs)}, against the ${lengthWords(data.before.toMs - data.before.fromMs)} before. ${data.changes.length === 0 ? 'Nothing: every flow and component does what it did then.' : 'Beyond chance:'}`}
        </Words>
      )}
      {data?.changes.map((change) =>
        change.id === null ? (
          <Door
            key={`${change.kind}-${change.name}-${change.measure}`}
            path={`/component/${encodeURIComponent(change.name)}`}
            style={styles.row}
          >
            <Words>{`${change.name}: ${change.words}`}</Words>
            <Words kind="small">{change.kind}</Words>
          </Door>
        ) : (
          <Door key={`${change.kind}-${change.id}-${change.measure}`} path={`/flow/${change.id}`} style={styles.row}>
            <Words>{`${change.name}: ${change.words}`}</Words>
            <Words kind="small">{change.kind}</Words>
          </Door>
        ),
      )}
    </Fold>
  );
}

const styles = StyleSheet.create({
  fold: { paddingHorizontal: SPACE.l },
  said: { paddingLeft: SPACE.l, paddingVertical: SPACE.xs },
  row: { minHeight: TOUCH, justifyContent: 'center', paddingLeft: SPACE.l },
});
