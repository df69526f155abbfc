import { percent, type StoredIncident } from '@toplens/core/incidents';
import { heaviestComponent } from '@toplens/core/traces';
import type { Deviation } from '@toplens/core/normal';
import { MINUTE_MS } from '@toplens/core/time';
import { spansOf } from '../store/attempts';
import { worstAttempts } from './samples';
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
  return root ? componentOf(world, root) : null;
}

/** Looked up once for each deviation and each ten minutes that it goes on. */
const known = new Map<string, StoredIncident['component']>();

export async function componentOf(world: World, root: Deviation): Promise<StoredIncident['component']> {
  const toMs = Math.min(root.endMs, root.onsetMs + LOOK_MS);
  const key = `${root.flow}:${root.signal}:${root.onsetMs}:${Math.floor(toMs / (10 * MINUTE_MS))}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const component = await lookUp(world, root, toMs);
  if (known.size > 2_000) known.clear();
  // Spans of the newest attempts may still be on their way.
  if (component !== null || world.watermarkMs - toMs > 10 * MINUTE_MS) known.set(key, component);
  return component;
}

async function lookUp(world: World, root: Deviation, toMs: number): Promise<StoredIncident['component']> {
  const by = root.signal === 'failing' ? 'failures' : 'time';
  const samples = await worstAttempts(world, {
    flow: root.flow,
    window: { fromMs: root.onsetMs, toMs },
    failures: by === 'failures',
    onlyLate: true,
    most: SAMPLES,
  });
  const traces = await spansOf(world.database, samples.map((sample) => sample.traceId)); // prettier-ignore
  const withInner = [...traces.values()].filter((spans) => spans.length > 1);
  const heaviest = heaviestComponent(withInner, by);
  if (!heaviest || heaviest.share < LEAST_SHARE) return null;
  const what = by === 'time' ? 'of the time' : 'of the failures';
  return { name: heaviest.component, words: `holds ${percent(heaviest.share)} ${what} in ${heaviest.attempts} attempts looked at`, share: heaviest.share };
}
