import { BUCKET_MS } from '@toplens/core/flows';
import { harmBill, MADE_GOOD_MS, type BillContext, type HarmBill } from '@toplens/core/incidents';
import { SLOT_MS } from '@toplens/core/normal';
import { FAILED, PROBE, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, overlap, type Window } from '@toplens/core/time';
import type { StoredIncident } from './incidents';
import type { World } from './world';

/** Values and tiers of a flow in the day before an incident. */
interface Usual {
  /** sum of values and number of completions with a value, by flow and tier */
  values: Map<string, { sum: number; n: number }>;
  tiers: Map<number, Map<number, number>>;
}

const usualCache = new Map<number, { onsetMs: number; usual: Promise<Usual> }>();

/** The harm bill of an incident over a window, from the attempts of its flows. */
export async function billOf(world: World, incident: StoredIncident, window: Window): Promise<HarmBill> {
  const flows = new Set(incident.parts.map((part) => part.flow));
  const rows = await world.hours.rows({ fromMs: window.fromMs, toMs: Math.min(window.toMs + MADE_GOOD_MS, world.watermarkMs) }, flows);
  const usual = await usualOf(world, incident, flows);
  const before = await rowsBefore(world, incident, flows);
  const levels = new Map<number, number>();
  const context: BillContext = {
    rows,
    normalAt: (flow, timeMs) => world.history.normalAt(flow, timeMs),
    importanceOf: (flow) => world.names.flow(flow).importance,
    rates: world.settings.rates,
    isKeyTier: (tier) => world.names.isKeyTier(tier),
    expectedValue: (flow, tier) => expectedValue(usual, flow, tier),
    tierShares: (flow) => usual.tiers.get(flow) ?? new Map(),
    usualPeople: (asked, within) => usualPeople(before, incident, new Set(asked), within),
    todaysLevel: (flow, beforeMs) => {
      let level = levels.get(flow);
      if (level === undefined) levels.set(flow, (level = todaysLevel(world, flow, beforeMs)));
      return level;
    },
  };
  return harmBill(incident.parts, window, context);
}

async function usualOf(world: World, incident: StoredIncident, flows: ReadonlySet<number>): Promise<Usual> {
  const cached = usualCache.get(incident.id);
  if (cached && cached.onsetMs === incident.onsetMs) return cached.usual;
  const usual = world.hours.rows({ fromMs: incident.onsetMs - DAY_MS, toMs: incident.onsetMs }, flows).then(learnUsual);
  usualCache.set(incident.id, { onsetMs: incident.onsetMs, usual });
  return usual;
}

function learnUsual(rows: AttemptColumns): Usual {
  const values: Usual['values'] = new Map();
  const tiers: Usual['tiers'] = new Map();
  const counts = new Map<number, number>();
  for (let i = 0; i < rows.n; i++) {
    const flags = rows.flags[i] as number;
    if (flags & PROBE) continue;
    const flow = rows.flow[i] as number;
    const tier = rows.tier[i] as number;
    counts.set(flow, (counts.get(flow) ?? 0) + 1);
    let shares = tiers.get(flow);
    if (!shares) tiers.set(flow, (shares = new Map<number, number>()));
    shares.set(tier, (shares.get(tier) ?? 0) + 1);
    const value = rows.valueMinor[i] as number;
    if (Number.isNaN(value) || flags & FAILED) continue;
    const key = `${flow}:${tier}`;
    const sum = values.get(key) ?? { sum: 0, n: 0 };
    sum.sum += value;
    sum.n++;
    values.set(key, sum);
  }
  for (const [flow, shares] of tiers) for (const [tier, n] of shares) shares.set(tier, n / (counts.get(flow) as number));
  return { values, tiers };
}

/** Mean value of a completion in units of currency; a tier without completions of its own takes none. */
function expectedValue(usual: Usual, flow: number, tier: number): number {
  const known = usual.values.get(`${flow}:${tier}`);
  return known ? known.sum / known.n / 100 : 0;
}

const rowsBefore = (world: World, incident: StoredIncident, flows: ReadonlySet<number>) =>
  incident.parts.every((part) => part.signal === 'missing')
    ? world.hours.rows({ fromMs: incident.onsetMs - 6 * HOUR_MS, toMs: incident.onsetMs }, flows)
    : Promise.resolve(undefined);

const LOOKS = 6;

/** How many different people usually come in a stretch as long as the window: looked up in those just before the trouble. */
function usualPeople(before: AttemptColumns | undefined, incident: StoredIncident, flows: ReadonlySet<number>, window: Window) {
  const lengthMs = window.toMs - window.fromMs;
  const looks = Math.max(1, Math.min(LOOKS, Math.floor((6 * HOUR_MS) / lengthMs)));
  const counts: number[] = [];
  for (let k = 1; k <= looks && before; k++) {
    const toMs = incident.onsetMs - (k - 1) * lengthMs;
    const people = new Set<number>();
    let unknown = 0;
    for (let i = 0; i < before.n; i++) {
      const startMs = before.startMs[i] as number;
      if (startMs < toMs - lengthMs || startMs >= toMs || !flows.has(before.flow[i] as number)) continue;
      const person = before.person[i] as number;
      if (person === 0) unknown++;
      else people.add(person);
    }
    counts.push(people.size + unknown);
  }
  const mean = counts.reduce((sum, n) => sum + n, 0) / Math.max(1, counts.length);
  const variance = counts.reduce((sum, n) => sum + (n - mean) ** 2, 0) / Math.max(1, counts.length - 1);
  return { mean, sd: Math.sqrt(variance / Math.max(1, counts.length) + mean * 0.05) };
}

const LEVEL_LOOK_MS = 2 * HOUR_MS;
const FEWEST_EXPECTED = 30;

/** Today's volume against its expectation in the two hours before; what is in trouble then is passed over. */
function todaysLevel(world: World, flow: number, beforeMs: number): number {
  let expected = 0;
  let came = 0;
  for (let startMs = floorTo(beforeMs - LEVEL_LOOK_MS, BUCKET_MS); startMs + BUCKET_MS <= beforeMs; startMs += BUCKET_MS) {
    if (world.incidents.touches(flow, { fromMs: startMs, toMs: startMs + BUCKET_MS })) continue;
    const normal = world.history.normalAt(flow, startMs);
    const volume = normal.volume[Math.floor((startMs - floorTo(startMs, SLOT_MS)) / BUCKET_MS)] as number;
    if (Number.isNaN(volume)) continue;
    expected += volume;
    came += world.history.bucket(flow, startMs)?.attempts ?? 0;
  }
  if (expected < FEWEST_EXPECTED) return 1;
  return Math.min(1.4, Math.max(0.7, came / expected));
}

/** Part of the incident that lies in the window, at least a minute. */
export function sharedWindow(incident: StoredIncident, window: Window): Window {
  return overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) ?? { fromMs: window.fromMs, toMs: window.fromMs + MINUTE_MS };
}
