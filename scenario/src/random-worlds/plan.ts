import { normalDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@toplens/core/time';

/** A flow of an invented world. Durations are medians in milliseconds with the spread of their logarithm. */
export interface WorldFlow {
  id: number;
  app: number;
  medianMs: number;
  spread: number;
  /** share of attempts that take two to six times as long for no reason */
  tail: number;
  failures: number;
  /** mean value of a completion, units of currency; 0 for most */
  value: number;
  hosts: number;
}

/** People's way through some flows, with the share that goes on to each after the one before. */
export interface WorldJourney {
  app: number;
  steps: { flow: number; goOn: number }[];
  /** sessions a minute when it is busiest */
  perMinute: number;
  /** telemetry names the session */
  hasSessions: boolean;
  thinkMs: number;
}

export type TroubleKind = 'slow' | 'failing' | 'hanging' | 'outage';

export interface PlannedTrouble {
  number: number;
  kind: TroubleKind;
  flows: number[];
  fromMs: number;
  toMs: number;
  /** durations times this, for 'slow' */
  factor: number;
  /** the same by flow, where a flow spends only a part of its time in what is slow */
  factors?: Readonly<Record<number, number>>;
  /** share of the attempts in the slice that are touched */
  share: number;
  slice: { dimension: 'site' | 'promotion' | 'version' | 'host'; value: number } | undefined;
  /** chance that somebody who met it leaves because of it */
  leave: number;
}

/** What looks like something and hurts nobody. */
export interface Harmless {
  kind: 'release' | 'surge' | 'deadHost' | 'probes' | 'batch';
  flow: number;
  fromMs: number;
  toMs: number;
  factor: number;
}

export interface WorldPlan {
  seed: number;
  shape: string;
  firstMs: number;
  /** begin of the day with planted trouble, the last one */
  dayMs: number;
  toMs: number;
  flows: WorldFlow[];
  journeys: WorldJourney[];
  persons: number;
  weekend: number;
  /** share of the busiest traffic in the quietest hour */
  night: number;
  /** growth of the load from one day to the next */
  drift: number;
  dayNoise: number;
  burstiness: number;
  troubles: PlannedTrouble[];
  harmless: Harmless[];
  /** machine of a flow’s n-th host, by `flow:n` */
  hostOf: Readonly<Record<string, number>>;
}

export const SITES = 8;
export const KEY_TIER = 3;
const MONDAY = Date.UTC(2026, 0, 5);

const SHAPES = [
  { name: 'few busy flows', apps: 1, journeys: [1, 2], rate: [25, 70], extra: 2, noise: 1 },
  { name: 'many flows', apps: 3, journeys: [2, 3], rate: [4, 14], extra: 2, noise: 1 },
  { name: 'tiny flows', apps: 3, journeys: [3, 3], rate: [0.2, 1.5], extra: 3, noise: 1 },
  { name: 'noisy', apps: 2, journeys: [2, 2], rate: [10, 34], extra: 2, noise: 2.2 },
  { name: 'drifting load', apps: 2, journeys: [1, 2], rate: [14, 40], extra: 2, noise: 1 },
] as const;

type Shape = (typeof SHAPES)[number];
export type ShapeName = Shape['name'];

/** A world that the seed alone decides. */
export function planWorld(seed: number, shapeName?: ShapeName): WorldPlan {
  const random = seededRandom(seed * 7919 + 17);
  const ofSeed = SHAPES[seed % SHAPES.length] as Shape;
  const shape: Shape = SHAPES.find(({ name }) => name === shapeName) ?? ofSeed;
  const between = (low: number, high: number) => low + (high - low) * random();
  const logBetween = (low: number, high: number) => Math.exp(between(Math.log(low), Math.log(high)));
  // Every fourth world knows three earlier weeks, the others fewer.
  const days = random() < 0.25 ? 23 : 10 + Math.floor(random() * 5);
  const firstMs = MONDAY + Math.floor(random() * 7) * DAY_MS;
  const dayMs = firstMs + (days - 1) * DAY_MS;
  const flows: WorldFlow[] = [];
  const journeys: WorldJourney[] = [];
  const addFlow = (app: number, value = 0): number => {
    const id = flows.length + 1;
    flows.push({
      id,
      app,
      medianMs: logBetween(80, 2500),
      spread: between(0.2, 0.45),
      tail: between(0.001, 0.006) * shape.noise,
      failures: logBetween(0.0008, 0.008) * shape.noise,
      value,
      hosts: 2 + Math.floor(random() * 3),
    });
    return id;
  };
  for (let app = 1; app <= shape.apps; app++) {
    for (let j = 0; j < between(shape.journeys[0], shape.journeys[1] + 1) - 1; j++) {
      const length = 2 + Math.floor(random() * 4);
      const paid = random() < 0.7 ? length - 1 : -1;
      const steps = Array.from({ length }, (_, k) => ({
        flow: addFlow(app, k === paid ? logBetween(4, 60) : 0),
        goOn: k === 0 ? 1 : between(0.6, 0.97),
      }));
      journeys.push({
        app,
        steps,
        perMinute: logBetween(shape.rate[0], shape.rate[1]),
        hasSessions: true,
        thinkMs: between(8_000, 30_000),
      });
    }
    for (let e = 0; e < shape.extra; e++)
      journeys.push({
        app,
        steps: [{ flow: addFlow(app, random() < 0.2 ? logBetween(4, 30) : 0), goOn: 1 }],
        perMinute: logBetween(shape.rate[0], shape.rate[1]),
        hasSessions: random() < 0.5,
        thinkMs: 15_000,
      });
  }
  const plan: WorldPlan = {
    seed,
    shape: shape.name,
    firstMs,
    dayMs,
    toMs: dayMs + DAY_MS,
    flows,
    journeys,
    persons: Math.round(logBetween(3_000, 60_000)),
    weekend: between(0.35, 1),
    night: between(0.05, 0.3),
    drift: shape.name === 'drifting load' ? between(-0.015, 0.03) : between(-0.003, 0.004),
    dayNoise: between(0.02, 0.06),
    burstiness: between(0, 0.25) * shape.noise,
    troubles: [],
    harmless: [],
    hostOf: {},
  };
  plantTroubles(plan, random);
  plantHarmless(plan, random);
  plan.hostOf = hostNumbers(flows);
  for (const { flows: touched, slice } of plan.troubles)
    if (slice?.dimension === 'host') slice.value = plan.hostOf[`${touched[0]}:${slice.value}`] as number;
  return plan;
}

function plantTroubles(plan: WorldPlan, random: Random): void {
  const between = (low: number, high: number) => low + (high - low) * random();
  const logBetween = (low: number, high: number) => Math.exp(between(Math.log(low), Math.log(high)));
  const n = 2 + Math.floor(random() * 4);
  const taken = new Set<number>();
  let atMs = plan.dayMs + between(7, 9) * HOUR_MS;
  for (let number = 1; number <= n; number++) {
    const free = plan.flows.filter((flow) => !taken.has(flow.id));
    const flow = free[Math.floor(random() * free.length)];
    if (!flow) return;
    const draw = random();
    const kind: TroubleKind = draw < 0.42 ? 'slow' : draw < 0.76 ? 'failing' : draw < 0.88 ? 'hanging' : 'outage';
    const lengthMs = (kind === 'outage' ? between(8, 40) : between(20, 150)) * MINUTE_MS;
    const app = plan.flows.filter((other) => other.app === flow.app).map((other) => other.id);
    const wholeSite = kind === 'slow' && random() < 0.2;
    const slice = wholeSite
      ? ({ dimension: 'site', value: 1 + Math.floor(random() * SITES) } as const)
      : kind === 'outage' || random() < 0.5
        ? undefined
        : sliceOf(flow, random);
    const touched = kind === 'outage' || wholeSite ? app : [flow.id];
    if (touched.some((id) => taken.has(id))) continue;
    for (const id of kind === 'outage' || wholeSite ? app : journeyOf(plan, flow.id)) taken.add(id);
    plan.troubles.push({
      number,
      kind,
      flows: touched,
      fromMs: Math.round(atMs),
      toMs: Math.round(Math.min(atMs + lengthMs, plan.toMs - 30 * MINUTE_MS)),
      factor: logBetween(2, 15),
      share:
        kind === 'slow'
          ? 1
          : kind === 'hanging'
            ? between(0.05, 0.4)
            : kind === 'outage'
              ? between(0.75, 1)
              : slice
                ? between(0.5, 1)
                : between(0.04, 0.9),
      slice,
      leave: random() < 0.3 ? 0 : between(0.1, 0.5),
    });
    // One in three begins while another goes on.
    atMs += random() < 0.33 ? between(2, 20) * MINUTE_MS : between(60, 180) * MINUTE_MS;
    if (atMs > plan.dayMs + 21 * HOUR_MS) return;
  }
}

/** Each flow has machines of its own. */
export const hostNumbers = (flows: readonly WorldFlow[]): Record<string, number> =>
  Object.fromEntries(
    flows.flatMap(({ id, hosts }) => Array.from({ length: hosts }, (_, i) => [`${id}:${i + 1}`, 10 * id + i + 1])),
  );

/** Flows that people pass on the same way: their troubles would explain one another. */
const journeyOf = (plan: WorldPlan, flow: number): number[] =>
  plan.journeys
    .filter((journey) => journey.steps.some((step) => step.flow === flow))
    .flatMap((journey) => journey.steps.map((step) => step.flow));

function sliceOf(flow: WorldFlow, random: Random): NonNullable<PlannedTrouble['slice']> {
  const draw = random();
  if (draw < 0.4) return { dimension: 'site', value: 1 + Math.floor(random() * SITES) };
  if (draw < 0.75) return { dimension: 'promotion', value: 1 };
  return { dimension: 'host', value: 1 + Math.floor(random() * flow.hosts) };
}

function plantHarmless(plan: WorldPlan, random: Random): void {
  const kinds: Harmless['kind'][] = ['release', 'surge', 'deadHost', 'probes', 'batch'];
  for (const kind of kinds) {
    if (random() < 0.35) continue;
    const flow = plan.flows[Math.floor(random() * plan.flows.length)] as WorldFlow;
    const fromMs = plan.dayMs + (2 + 18 * random()) * HOUR_MS;
    const lengthMs = kind === 'release' ? DAY_MS : kind === 'surge' ? 70 * MINUTE_MS : 3 * HOUR_MS;
    const factor =
      kind === 'release' ? Math.exp(0.03 * normalDeviate(random)) : kind === 'surge' ? 1.2 + 0.3 * random() : 1;
    plan.harmless.push({ kind, flow: flow.id, fromMs, toMs: fromMs + lengthMs, factor });
  }
}
