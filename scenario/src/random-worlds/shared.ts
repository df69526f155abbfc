import { seededRandom, type Random } from '@toplens/core/stats';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { pick } from '../seeds';
import { hostNumbers, planWorld, SITES, type PlannedTrouble, type ShapeName, type WorldPlan } from './plan';
import { typicalMs, type Part, type Trouble } from './traces';

/** What several applications share, and what goes wrong with it. */
export const SHARED_KINDS = ['slowService', 'slowStore', 'failingService', 'failingStore', 'host', 'site'] as const;
export type SharedKind = (typeof SHARED_KINDS)[number];

export interface SharedTrouble {
  kind: SharedKind;
  /** the component, the host or the site */
  what: string;
  /** what goes wrong in the calls of an attempt that it touches; undefined when the flow does not use what is shared */
  inTrace: (flow: number) => Trouble | undefined;
}

/** An invented installation of several applications that share services, stores and machines. */
export interface SharedWorld {
  plan: WorldPlan;
  /** the calls of a flow’s attempts; undefined for what nobody waits for */
  callsOf: (flow: number) => Part | undefined;
  shared: ReadonlyMap<number, SharedTrouble>;
}

const SHAPES: readonly ShapeName[] = ['many flows', 'noisy', 'drifting load', 'many flows', 'tiny flows'];
/** A shared part must matter to a flow, or nobody would notice it there. */
const LEAST_FACTOR = 1.6;
/** Some worlds have nothing of a kind that several applications share. */
const MOST_TRIES = 30;
const SHARED_HOST = 9_999;

const between = (low: number, high: number, random: Random) => low + (high - low) * random();
const part = (name: string, kind: Part['kind'], ownMs: number, hosts: readonly string[]): Part => ({
  name,
  kind,
  ownMs,
  hosts: [...hosts],
  calls: [],
});
const call = (to: Part) => ({ to, times: 1, parallel: false, chance: 1 });

/** A world that the seed alone decides: two or three troubles of shared parts, most of them at the same time. */
export function planSharedWorld(seed: number): SharedWorld {
  const random = seededRandom(seed * 6007 + 41);
  const plan = planWorld(seed, SHAPES[seed % SHAPES.length]);
  const trees = layTrees(plan, random);
  const shared = new Map<number, SharedTrouble>();
  const hostOf = hostNumbers(plan.flows);
  plan.troubles = [];
  let atMs = plan.dayMs + between(7, 9, random) * HOUR_MS;
  const wanted = 2 + Math.floor(2 * random());
  const taken = new Set<string>();
  for (let tries = 0; plan.troubles.length < wanted && tries < MOST_TRIES; tries++) {
    const number = plan.troubles.length + 1;
    const kind = pick(SHARED_KINDS, random());
    const made = makeTrouble(kind, { plan, trees, hostOf, taken, random });
    if (!made) continue;
    taken.add(made.shared.what);
    const lengthMs = between(25, 110, random) * MINUTE_MS;
    plan.troubles.push({
      ...made.planned,
      number,
      fromMs: Math.round(atMs),
      toMs: Math.round(Math.min(atMs + lengthMs, plan.toMs - 30 * MINUTE_MS)),
      leave: random() < 0.3 ? 0 : between(0.1, 0.5, random),
    });
    shared.set(number, made.shared);
    atMs += MINUTE_MS * (random() < 0.5 ? between(0, 15, random) : random() < 0.6 ? between(15, 60, random) : 200);
  }
  plan.hostOf = hostOf;
  return { plan, callsOf: (flow) => trees[flow - 1]?.entry, shared };
}

interface FlowTree {
  entry: Part;
  uses: Set<Part>;
}

/** Each application has an entry service and a store of its own; three services and two stores are everybody’s. */
function layTrees(plan: WorldPlan, random: Random): FlowTree[] {
  const shared = [
    ...[1, 2, 3].map((n) => part(`shared-service-${n}`, 'service', 1, [`shared-service-${n}-a`])),
    ...[1, 2].map((n) => part(`shared-store-${n}`, 'store', 1, [`shared-store-${n}-a`])),
  ];
  return plan.flows.map((flow) => {
    const hosts = Array.from({ length: flow.hosts }, (_, i) => `flow-${flow.id}-host-${i + 1}`);
    const entry = part(`app-${flow.app}`, 'service', flow.medianMs * between(0.15, 0.4, random), hosts);
    const behind =
      random() < 0.5
        ? entry
        : part(`app-${flow.app}-inner-${1 + (flow.id % 2)}`, 'service', flow.medianMs * between(0.05, 0.2, random), [
            `inner-${flow.id}`,
          ]);
    if (behind !== entry) entry.calls.push(call(behind));
    const uses = new Set<Part>();
    for (const one of shared) {
      if (random() > 0.45) continue;
      // The same part takes each flow another time: what it is asked for differs.
      const own = { ...one, ownMs: flow.medianMs * between(0.08, 0.45, random), calls: [] };
      behind.calls.push(call(own));
      uses.add(own);
    }
    behind.calls.push(call(part(`app-${flow.app}-store`, 'store', flow.medianMs * between(0.05, 0.25, random), [''])));
    return { entry, uses };
  });
}

interface Making {
  plan: WorldPlan;
  trees: readonly FlowTree[];
  hostOf: Record<string, number>;
  taken: ReadonlySet<string>;
  random: Random;
}
type Made = { planned: Omit<PlannedTrouble, 'number' | 'fromMs' | 'toMs' | 'leave'>; shared: SharedTrouble };

const isOverApplications = (plan: WorldPlan, flows: readonly number[]) =>
  new Set(flows.map((flow) => plan.flows[flow - 1]?.app)).size > 1;

function makeTrouble(kind: SharedKind, making: Making): Made | undefined {
  if (kind === 'site') return siteTrouble(making);
  if (kind === 'host') return hostTrouble(making);
  return componentTrouble(kind, making);
}

const traced = (signal: 'slow' | 'failing', origins: Part[], addedUs: number): Trouble => ({
  kind: signal === 'slow' ? 'slowService' : 'failingService',
  origins,
  signal,
  factor: 1,
  addedUs,
  share: 1,
  queues: 1.05,
  poolShare: 0,
  blamesCaller: false,
});

const slowEntry = ({ entry }: FlowTree, factor: number) =>
  traced('slow', [entry], typicalMs(entry) * 1000 * (factor - 1));

function componentTrouble(kind: SharedKind, { plan, trees, taken, random }: Making): Made | undefined {
  const name = `shared-${kind.endsWith('Store') ? 'store' : 'service'}-${1 + Math.floor(2 * random())}`;
  const times = between(5, 20, random);
  const ownOf = (flow: number) => [...(trees[flow - 1] as FlowTree).uses].find((one) => one.name === name);
  const factors: Record<number, number> = {};
  for (const { id } of plan.flows) {
    const own = ownOf(id);
    if (own) factors[id] = 1 + (own.ownMs * (times - 1)) / typicalMs((trees[id - 1] as FlowTree).entry);
  }
  const signal = kind.startsWith('failing') ? 'failing' : 'slow';
  const flows = plan.flows
    .map(({ id }) => id)
    .filter((id) => factors[id] !== undefined && (signal === 'failing' || factors[id] >= LEAST_FACTOR));
  const share = signal === 'failing' ? between(0.15, 0.9, random) : 1;
  if (taken.has(name) || !isOverApplications(plan, flows)) return undefined;
  return {
    planned: { kind: signal, flows, factor: times, factors, share, slice: undefined },
    shared: {
      kind,
      what: name,
      inTrace: (flow) => {
        const own = ownOf(flow);
        return own && traced(signal, [own], own.ownMs * 1000 * (times - 1));
      },
    },
  };
}

/** One machine on which a part of several flows’ attempts is served. */
function hostTrouble({ plan, trees, hostOf, taken, random }: Making): Made | undefined {
  if (taken.has('host')) return undefined;
  const flows = plan.flows.map(({ id }) => id).filter(() => random() < 0.3);
  if (!isOverApplications(plan, flows)) return undefined;
  for (const flow of flows) hostOf[`${flow}:1`] = SHARED_HOST;
  const factor = between(3, 9, random);
  return {
    planned: { kind: 'slow', flows, factor, share: 1, slice: { dimension: 'host', value: SHARED_HOST } },
    shared: {
      kind: 'host',
      what: 'host',
      inTrace: (flow) => slowEntry(trees[flow - 1] as FlowTree, factor),
    },
  };
}

/** The line of one site: all that comes over it is waited for longer by whom it reaches first. */
function siteTrouble({ plan, trees, taken, random }: Making): Made | undefined {
  if (taken.has('site')) return undefined;
  const value = 1 + Math.floor(random() * SITES);
  const factor = between(2.5, 8, random);
  return {
    planned: {
      kind: 'slow',
      flows: plan.flows.map(({ id }) => id),
      factor,
      share: 1,
      slice: { dimension: 'site', value },
    },
    shared: { kind: 'site', what: 'site', inTrace: (flow) => slowEntry(trees[flow - 1] as FlowTree, factor) },
  };
}
