import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { rollUp, type FlowBucket } from '@toplens/core/flows';
import { createHistogram, encodeHistogram, normalDeviate, recordInPlace, seededRandom } from '@toplens/core/stats';
import { emptyColumns, FAILED, sortedByFlow, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { Segments } from '../../server/src/engine/state/segments';
import { byName } from '../../server/src/by-name';
import { ATTEMPT_NUMBERS, TableRows } from '../../server/src/store/tables';
import { flowText } from '../../server/src/names/flow-text';
import { Database } from '../../server/src/store/database';
import { replaceHour } from '../../server/src/store/roll-ups';

const NOTHING_ELSE = { hours: [], details: [], versions: [], parts: [], changes: [], copies: [] };

export interface DayPlan {
  flows: number;
  attempts: number;
  persons: number;
  /** days of roll-ups before the day */
  historyDays: number;
  /** end of the day */
  toMs: number;
}

const SITES = 9;
const REGIONS = 6;
/** Numbers of names: flows first, then sites, regions, tiers, hosts, versions, promotions; persons far above. */
const siteId = (plan: DayPlan, k: number) => plan.flows + 1 + k;
const regionId = (plan: DayPlan, k: number) => plan.flows + 101 + k;
const tierId = (plan: DayPlan, k: number) => plan.flows + 201 + k;
const hostId = (plan: DayPlan, k: number) => plan.flows + 301 + k;
const versionId = (plan: DayPlan) => plan.flows + 401;

/** How busy a flow is, and how long it takes: a few flows have most of the traffic. */
const weightOf = (flow: number) => 1 / (flow + 3);
const medianOf = (flow: number) => 80 + ((flow * 7919) % 1900);

/** An hour of attempts. Three flows are in trouble in the last two hours of the day. */
export function makeHour(plan: DayPlan, hourMs: number, n: number): AttemptColumns {
  const random = seededRandom(Math.floor(hourMs / HOUR_MS));
  const rows = emptyColumns(n);
  const cumulated: number[] = [];
  let sum = 0;
  for (let flow = 1; flow <= plan.flows; flow++) cumulated.push((sum += weightOf(flow)));
  const inTrouble = hourMs >= plan.toMs - 2 * HOUR_MS;
  for (let i = 0; i < n; i++) {
    const wanted = random() * sum;
    let [low, high] = [0, plan.flows - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((cumulated[middle] as number) < wanted) low = middle + 1;
      else high = middle;
    }
    const flow = low + 1;
    const slow = inTrouble && flow === 5 ? 4 : 1;
    rows.startMs[i] = hourMs + random() * HOUR_MS;
    rows.durationMs[i] = medianOf(flow) * slow * Math.exp(0.3 * normalDeviate(random));
    rows.flow[i] = flow;
    rows.flags[i] = random() < (inTrouble && (flow === 9 || flow === 14) ? 0.3 : 0.003) ? FAILED : 0;
    rows.person[i] = 65_536 + Math.floor(random() * plan.persons);
    rows.session[i] = 1 + Math.floor(random() * 4e9);
    rows.site[i] = siteId(plan, Math.floor(random() * SITES));
    rows.region[i] = regionId(plan, Math.floor(random() * REGIONS));
    rows.tier[i] = tierId(plan, random() < 0.8 ? 0 : random() < 0.8 ? 1 : 2);
    rows.host[i] = hostId(plan, Math.floor(random() * 14));
    rows.version[i] = versionId(plan);
    rows.valueMinor[i] = NaN;
  }
  rows.n = n;
  return rows;
}

function copyOf(rows: AttemptColumns, hourMs: number): TableRows<'attempt'> {
  const copy = new TableRows('attempt');
  const hour = Math.floor(hourMs / HOUR_MS)
    .toString(16)
    .padStart(8, '0');
  for (let i = 0; i < rows.n; i++) {
    const id = i.toString(16).padStart(8, '0');
    copy.add({
      trace_id: `${hour}${id}${id}${hour}`,
      span_id: `${hour}${id}`,
      started_us: Math.round((rows.startMs[i] as number) * 1000),
      duration_us: Math.round((rows.durationMs[i] as number) * 1000),
      ...byName(ATTEMPT_NUMBERS, (name) => rows[name][i] as number),
      component: 0,
      value_minor: null,
      parent_id: '',
      ran_on: 0,
    });
  }
  return copy;
}

/**
 * Makes a data folder as a server would have left it: a day of attempts, its files of columns, and roll-ups of days
 * before.
 */
export async function makeDataFolder(dataDir: string, plan: DayPlan, withTable: boolean): Promise<void> {
  mkdirSync(dataDir, { recursive: true });
  const database = await Database.open(join(dataDir, 'database'), { templateDir: '.cache/toplens' });
  const segments = new Segments(join(dataDir, 'segments'));
  const names: [number, string, string][] = [];
  for (let flow = 1; flow <= plan.flows; flow++)
    names.push([
      flow,
      'flow',
      flowText({ application: `Application ${1 + (flow % 8)}`, technicalName: `GET /flow-${flow}`, kind: 'work' }),
    ]);
  for (let k = 0; k < SITES; k++) names.push([siteId(plan, k), 'site', `Site ${k}`]);
  for (let k = 0; k < REGIONS; k++) names.push([regionId(plan, k), 'region', `Region ${k}`]);
  for (let k = 0; k < 3; k++) names.push([tierId(plan, k), 'tier', `Tier ${k}`]);
  for (let k = 0; k < 14; k++) names.push([hostId(plan, k), 'host', `host-${k}`]);
  names.push([versionId(plan), 'version', '1.0.0']);
  await database.query('INSERT INTO name (id, kind, value) SELECT * FROM unnest($1::int[], $2::text[], $3::text[])', [
    names.map(([id]) => id),
    names.map(([, kind]) => kind),
    names.map(([, , value]) => value),
  ]);
  const fromMs = plan.toMs - DAY_MS;
  for (let hourMs = fromMs - plan.historyDays * DAY_MS; hourMs < fromMs; hourMs += HOUR_MS)
    await database.transaction(replaceHour(hourMs, usualBuckets(plan, hourMs), 0));
  const perHour = Math.round(plan.attempts / 24);
  for (let hourMs = fromMs; hourMs < plan.toMs; hourMs += HOUR_MS) {
    const sorted = sortedByFlow(makeHour(plan, hourMs, perHour));
    segments.write(hourMs, sorted.columns, sorted.ranges);
    await database.transaction(replaceHour(hourMs, rollUp(sorted.columns), 0));
    if (withTable)
      await database.ingest({
        batch: 0,
        mark: undefined,
        attempts: copyOf(sorted.columns, hourMs).finish(),
        attemptCount: perHour,
        ...NOTHING_ELSE,
      });
  }
  if (withTable) {
    // The server asks this table for its newest row at the start.
    await database.exec('ANALYZE attempt');
    await database.checkpoint();
  }
  await database.close();
}

/** Five minutes of a flow come in so many forms: as many as there are, they would be all the work. */
const SHAPES = 12;
const shapes = new Map<number, Uint8Array[]>();

/** Roll-ups of a quiet hour, as the day's attempts would have left them. */
function usualBuckets(plan: DayPlan, hourMs: number): FlowBucket[] {
  const total = Array.from({ length: plan.flows }, (_, i) => weightOf(i + 1)).reduce((sum, weight) => sum + weight, 0);
  const random = seededRandom(Math.floor(hourMs / HOUR_MS) + 7);
  const buckets: FlowBucket[] = [];
  for (let flow = 1; flow <= plan.flows; flow++) {
    const attempts = Math.max(1, Math.round((plan.attempts / 288) * (weightOf(flow) / total)));
    let forms = shapes.get(flow);
    if (!forms)
      shapes.set(flow, (forms = Array.from({ length: SHAPES }, () => usualDurations(flow, attempts, random))));
    for (let k = 0; k < 12; k++)
      buckets.push({
        flow,
        startMs: hourMs + k * 5 * MINUTE_MS,
        attempts: Math.max(0, Math.round(attempts + Math.sqrt(attempts) * normalDeviate(random))),
        failed: binomial(attempts, 0.003, random),
        durations: forms[Math.floor(random() * SHAPES)] as Uint8Array,
        medianMs: medianOf(flow),
        valueMinor: 0,
      });
  }
  return buckets;
}

function usualDurations(flow: number, attempts: number, random: () => number): Uint8Array {
  const histogram = createHistogram();
  for (let i = 0; i < attempts; i++) recordInPlace(histogram, medianOf(flow) * Math.exp(0.3 * normalDeviate(random)));
  return encodeHistogram(histogram);
}

/** How many of n fail, drawn one by one. */
function binomial(n: number, share: number, random: () => number): number {
  let failed = 0;
  for (let i = 0; i < n; i++) if (random() < share) failed++;
  return failed;
}
