import { heaviestComponent, percent } from '@toplens/core/incidents';
import { MINUTE_MS } from '@toplens/core/time';
import { sampleAttempts, spansOf } from '../store/attempts';
import type { StoredIncident } from './incidents';
import type { World } from './world';

const SAMPLES = 40;
/** Of a long incident the first hour is looked at: later, symptoms of other kinds mix in. */
const LOOK_MS = 60 * MINUTE_MS;
const LEAST_SHARE = 0.4;

/**
 * The component that holds most of the time, or most of the failures, of the attempts gone wrong. A first hint for the
 * choice of a team, from the traces of the worst attempts; not yet an origin with reasons.
 */
export async function findComponent(world: World, incident: StoredIncident): Promise<StoredIncident['component']> {
  const root = incident.parts.find((part) => part.signal !== 'missing');
  if (!root) return null;
  const by = root.signal === 'failing' ? 'failures' : 'time';
  const normal = world.history.normalAt(root.flow, root.onsetMs);
  const samples = await sampleAttempts(world.database, {
    flow: root.flow,
    fromMs: root.onsetMs,
    toMs: Math.min(root.endMs, root.onsetMs + LOOK_MS),
    failures: by === 'failures',
    limitMs: normal.limitMs ?? 0,
    most: SAMPLES,
  });
  const traces = await spansOf(world.database, samples.map((sample) => sample.traceId)); // prettier-ignore
  const withInner = [...traces.values()].filter((spans) => spans.length > 1);
  const heaviest = heaviestComponent(withInner, by);
  if (!heaviest || heaviest.share < LEAST_SHARE) return null;
  const what = by === 'time' ? 'of the time' : 'of the failures';
  return { name: heaviest.component, words: `holds ${percent(heaviest.share)} ${what} in ${heaviest.attempts} attempts looked at` };
}
