import { normalDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { SpanKind } from '@toplens/core/telemetry';
import { MINUTE_MS } from '@toplens/core/time';
import type { TraceSpan } from '@toplens/core/traces';
import { pick } from '../seeds';

/** An invented application as a tree of calls, with trouble in a part of it that is known. */
export const ORIGIN_KINDS = [
  'slowStore',
  'slowService',
  'slowOutside',
  'slowHost',
  'slowCaller',
  'failingService',
  'failingStore',
  'silentCallee',
  'twoSlow',
  'twoFailing',
] as const;
export type OriginKind = (typeof ORIGIN_KINDS)[number];

export interface TracedAttempt {
  atMs: number;
  rootId: string;
  spans: TraceSpan[];
  durationMs: number;
  failed: boolean;
}

export interface TraceWorld {
  seed: number;
  kind: OriginKind;
  /** true origins: one, or two at once */
  origins: string[];
  signal: 'slow' | 'failing';
  onsetMs: number;
  before: TracedAttempt[];
  during: TracedAttempt[];
  changes: { component: string; atMs: number; words: string }[];
  /** what makes the origin hard to tell, in words */
  hardships: string[];
}

/** A service, a store or an outside service, and whom it calls. */
export interface Part {
  name: string;
  kind: 'service' | 'store' | 'outside';
  ownMs: number;
  hosts: string[];
  calls: { to: Part; times: number; parallel: boolean; chance: number }[];
}

const BEGIN = Date.UTC(2026, 2, 10, 9);
const ONSET = BEGIN + 90 * MINUTE_MS;
const MOST_DEPTH = 4;

const between = (low: number, high: number, random: Random) => low + (high - low) * random();

/**
 * Each seed another application and another trouble. Clocks go wrong, spans get lost, calls fail as usual, releases
 * come that harm nobody.
 */
export function traceWorld(seed: number): TraceWorld {
  const random = seededRandom(seed * 7919 + 13);
  const kind = ORIGIN_KINDS[seed % ORIGIN_KINDS.length] as OriginKind;
  const { entry, parts } = application(random);
  const clocks = new Map(
    parts.flatMap(({ hosts }) =>
      hosts.map((host) => [host, random() < 0.15 ? Math.round(between(-400_000, 400_000, random)) : 0]),
    ),
  );
  const reachable = reachableFrom(entry);
  const ofKind = (wanted: Part['kind'][], deep = false) => {
    const some = reachable.filter(
      (part) => wanted.includes(part.kind) && part !== entry && (!deep || part.calls.length > 0),
    );
    return pick(some.length > 0 ? some : reachable.filter((part) => part !== entry), random());
  };
  const first =
    kind === 'slowStore' || kind === 'failingStore'
      ? ofKind(['store'])
      : kind === 'slowOutside' || kind === 'silentCallee'
        ? ofKind(['outside'])
        : kind === 'slowCaller'
          ? ofKind(['service'], true)
          : ofKind(['service', ...(kind.startsWith('two') ? (['store'] as const) : [])]);
  const others = reachable.filter(
    (part) => part !== first && part !== entry && (kind !== 'twoFailing' || part.kind !== 'outside'),
  );
  const origins = kind.startsWith('two') && others.length > 0 ? [first, pick(others, random())] : [first];
  const signal = kind.startsWith('failing') || kind === 'silentCallee' || kind === 'twoFailing' ? 'failing' : 'slow';
  const usualMs = typicalMs(entry);
  const trouble: Trouble = {
    kind,
    origins,
    signal,
    factor: between(1.5, 6, random),
    addedUs: usualMs * 1000 * between(0.4, 2, random),
    share: between(0.3, 0.95, random),
    queues: between(1, 1.5, random),
    poolShare: random() < 0.35 ? between(0.2, 1.1, random) : 0,
    blamesCaller: random() < 0.3,
  };
  const lost = random() < 0.5 ? 0.01 : between(0.02, 0.15, random);
  const dark =
    random() < 0.1
      ? pick(
          parts.filter((part) => part !== entry && part.kind === 'service' && !origins.includes(part)),
          random(),
        )?.name
      : undefined;
  const make = (fromMs: number, toMs: number, n: number, active: boolean) =>
    Array.from({ length: n }, (_, i) => {
      const atMs = fromMs + ((i + random()) / n) * (toMs - fromMs);
      return new Maker(random, { clocks, lost, dark }, active ? trouble : undefined).attempt(entry, atMs);
    });
  const changes: TraceWorld['changes'] = [];
  if (random() < 0.5)
    changes.push({
      component: first.name,
      atMs: ONSET - between(0.5, 10, random) * MINUTE_MS,
      words: `${first.name} released`,
    });
  if (random() < 0.4) {
    const other = pick(reachable, random());
    changes.push({
      component: other.name,
      atMs: ONSET - between(1, 40, random) * MINUTE_MS,
      words: `${other.name} released`,
    });
  }
  return {
    seed,
    kind,
    origins: origins.map(({ name }) => name),
    signal,
    onsetMs: ONSET + between(-1.5, 1.5, random) * MINUTE_MS,
    before: make(BEGIN, ONSET, 240, false),
    during: make(ONSET, ONSET + 30 * MINUTE_MS, Math.round(15 * 12 ** random()), true),
    changes,
    hardships: hardshipsOf(trouble, dark),
  };
}

function hardshipsOf({ signal, blamesCaller, poolShare }: Trouble, dark: string | undefined): string[] {
  return [
    signal === 'failing' && blamesCaller && 'the call that failed is not marked as failed, only its caller says so',
    signal === 'slow' && poolShare > 0.4 && 'much of the added time is spent in callers that wait for a connection',
    dark !== undefined && `${dark} sends no spans`,
  ].filter((words) => words !== false);
}

function application(random: Random): { entry: Part; parts: Part[] } {
  const part = (name: string, kind: Part['kind'], ownMs: number): Part => ({
    name,
    kind,
    ownMs,
    calls: [],
    hosts: Array.from({ length: 1 + Math.floor(3 * random()) }, (_, i) => `${name}-${i + 1}`),
  });
  const stores = Array.from({ length: 2 + Math.floor(3 * random()) }, (_, i) =>
    part(`store-${i + 1}`, 'store', between(4, 60, random)),
  );
  const outside = Array.from({ length: 1 + Math.floor(3 * random()) }, (_, i) =>
    part(`outside-${i + 1}`, 'outside', between(30, 300, random)),
  );
  const services = Array.from({ length: 4 + Math.floor(9 * random()) }, (_, i) =>
    part(`service-${i + 1}`, 'service', between(5, 120, random)),
  );
  const [entry] = services as [Part];
  const call = (to: Part, most: number) => ({
    to,
    times: 1 + Math.floor(most * random() ** 2),
    parallel: random() < 0.3,
    chance: random() < 0.7 ? 1 : between(0.4, 0.9, random),
  });
  // Services call those behind them only, so that the calls end.
  services.forEach((service, i) => {
    const behind = services.slice(i + 1);
    const wanted = i === 0 ? 2 + Math.floor(2 * random()) : Math.floor(2.4 * random());
    for (let n = 0; n < wanted && behind.length > 0; n++) {
      const to = pick(behind, random());
      if (!service.calls.some((known) => known.to === to)) service.calls.push(call(to, 1));
    }
    if (i > 0 || random() < 0.3) service.calls.push(call(pick(stores, random()), 5));
    if (random() < 0.3) service.calls.push(call(pick(outside, random()), 1));
  });
  if (!reachableFrom(entry).some(({ kind }) => kind === 'outside')) entry.calls.push(call(pick(outside, random()), 1));
  if (!reachableFrom(entry).some(({ kind }) => kind === 'store')) entry.calls.push(call(pick(stores, random()), 3));
  return { entry, parts: [...services, ...stores, ...outside] };
}

function reachableFrom(entry: Part): Part[] {
  const found = new Set<Part>();
  const walk = (part: Part, depth: number) => {
    found.add(part);
    if (depth < MOST_DEPTH) for (const { to } of part.calls) walk(to, depth + 1);
  };
  walk(entry, 0);
  return [...found];
}

export interface Trouble {
  kind: OriginKind;
  origins: Part[];
  signal: 'slow' | 'failing';
  factor: number;
  /** a slow part takes at least so much longer: else nobody would notice */
  addedUs: number;
  share: number;
  /** who waits for a slow part gets a little slower itself */
  queues: number;
  /** who calls a slow store waits for a connection first: so much of the added time is spent in the caller */
  poolShare: number;
  /** the call that failed is not marked as failed: only its caller says so */
  blamesCaller: boolean;
}

/** What is wrong with the telemetry itself. */
export interface Blemishes {
  clocks: ReadonlyMap<string, number>;
  /** share of spans that never come */
  lost: number;
  /** a service that sends no spans at all */
  dark: string | undefined;
}

/** Roughly how long an attempt takes, if all calls are made one after the other. */
export function typicalMs(part: Part, depth = 0): number {
  const below =
    depth >= MOST_DEPTH
      ? 0
      : part.calls.reduce((sum, { to, times, chance }) => sum + times * chance * typicalMs(to, depth + 1), 0);
  return part.ownMs + below;
}

/** An attempt through a tree of calls, with the trouble that touches it. */
export const traceAttempt = (
  entry: Part,
  atMs: number,
  { random, blemishes, trouble }: { random: Random; blemishes: Blemishes; trouble?: Trouble | undefined },
): TracedAttempt => new Maker(random, blemishes, trouble).attempt(entry, atMs);

/** Makes one attempt, span by span. */
class Maker {
  readonly #spans: TraceSpan[] = [];
  #number = 0;
  readonly #hit: boolean;
  readonly #which: number;

  constructor(
    private readonly random: Random,
    private readonly blemishes: Blemishes,
    private readonly trouble: Trouble | undefined,
  ) {
    this.#hit = trouble !== undefined && random() < trouble.share;
    this.#which = random() < 0.6 ? 0 : 1;
  }

  attempt(entry: Part, atMs: number): TracedAttempt {
    const rootId = this.#id();
    const { durationUs, failed } = this.#serve(entry, {
      spanId: rootId,
      parentSpanId: '',
      startUs: Math.round(atMs * 1000),
      depth: 0,
    });
    // Some spans never come; the first always does.
    const { lost, dark } = this.blemishes;
    const spans = this.#spans.filter(
      (span) =>
        span.spanId === rootId ||
        (this.random() >= lost && !(span.component === dark && span.kind === SpanKind.SERVER)),
    );
    return { atMs, rootId, spans, durationMs: durationUs / 1000, failed };
  }

  #id(): string {
    return `s${String(this.#number++).padStart(4, '0')}`;
  }

  #isOrigin(part: Part): boolean {
    if (!this.trouble || !this.#hit) return false;
    const { origins, kind } = this.trouble;
    return kind.startsWith('two') ? origins[this.#which % origins.length] === part : origins.includes(part);
  }

  #ownUs(part: Part, host: string): number {
    // Now and then something takes much longer for no reason.
    const usual = part.ownMs * 1000 * Math.exp(0.3 * normalDeviate(this.random)) * (this.random() < 0.004 ? 8 : 1);
    if (!this.trouble || this.trouble.signal !== 'slow') return Math.round(usual);
    const { kind, factor, addedUs, origins, queues, poolShare } = this.trouble;
    const slowed = Math.max(usual * factor, usual + addedUs * (0.6 + 0.8 * this.random()));
    if (kind === 'slowHost') return Math.round(origins.includes(part) && host === part.hosts[0] ? slowed : usual);
    if (this.#isOrigin(part)) return Math.round(slowed);
    if (!this.#hit || !part.calls.some(({ to }) => this.#isOrigin(to))) return Math.round(usual);
    return Math.round(
      usual * queues +
        (part.calls.some(({ to }) => this.#isOrigin(to) && to.kind === 'store') ? poolShare * addedUs : 0),
    );
  }

  #serve(
    part: Part,
    { spanId, parentSpanId, startUs, depth }: { spanId: string; parentSpanId: string; startUs: number; depth: number },
  ): { durationUs: number; failed: boolean } {
    const host = pick(part.hosts, this.random());
    let failed = this.trouble?.signal === 'failing' && this.#isOrigin(part) ? true : this.random() < 0.002;
    const ownUs = this.#ownUs(part, host);
    let at = startUs + ownUs / 2;
    if (!failed && depth < MOST_DEPTH)
      for (const { to, times, parallel, chance } of part.calls) {
        if (this.random() > chance) continue;
        let end = at;
        for (let i = 0; i < times && !failed; i++) {
          const call = this.#call(part, {
            host,
            to,
            parentSpanId: spanId,
            startUs: Math.round(parallel ? at : end),
            depth,
          });
          end = parallel ? Math.max(end, call.endUs) : call.endUs;
          failed ||= call.failed;
        }
        at = end;
      }
    const durationUs = Math.round(at + ownUs / 2 - startUs);
    this.#push({
      spanId,
      parentSpanId,
      component: part.name,
      host,
      kind: SpanKind.SERVER,
      startUs,
      durationUs,
      failed,
      peer: '',
    });
    return { durationUs, failed };
  }

  #call(
    from: Part,
    {
      host,
      to,
      parentSpanId,
      startUs,
      depth,
    }: { host: string; to: Part; parentSpanId: string; startUs: number; depth: number },
  ): { endUs: number; failed: boolean } {
    const spanId = this.#id();
    const base = { spanId, parentSpanId, host, kind: SpanKind.CLIENT, startUs };
    if (to.kind === 'service') {
      const hop = 500 + Math.round(1_500 * this.random());
      const served = this.#serve(to, {
        spanId: this.#id(),
        parentSpanId: spanId,
        startUs: startUs + hop,
        depth: depth + 1,
      });
      this.#push({
        ...base,
        component: from.name,
        durationUs: served.durationUs + 2 * hop,
        failed: served.failed,
        peer: to.name,
      });
      return { endUs: startUs + served.durationUs + 2 * hop, failed: served.failed };
    }
    const failed = (this.trouble?.signal === 'failing' && this.#isOrigin(to)) || this.random() < 0.001;
    // Who does not answer is waited for until the time is up.
    const durationUs =
      failed && this.trouble?.kind === 'silentCallee' ? 2_000_000 : this.#ownUs(to, pick(to.hosts, this.random()));
    const isTold = failed && !(this.trouble?.blamesCaller && this.#isOrigin(to));
    this.#push({
      ...base,
      component: to.kind === 'store' ? to.name : from.name,
      durationUs,
      failed: isTold,
      peer: to.kind === 'store' ? '' : to.name,
    });
    return { endUs: startUs + durationUs, failed };
  }

  #push(span: Omit<TraceSpan, 'name' | 'statement' | 'failure' | 'isUserSide' | 'ranOn'>): void {
    const startUs = span.startUs + (this.blemishes.clocks.get(span.host) ?? 0);
    this.#spans.push({
      ...span,
      startUs,
      name: span.kind === SpanKind.SERVER ? 'serve' : 'call',
      statement: '',
      failure: span.failed ? 'Broken' : '',
      isUserSide: false,
      ranOn: '',
    });
  }
}
