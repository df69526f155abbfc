import { normalDeviate, poissonDeviate, seededRandom, type Random } from '@toplens/core/stats';
import {
  appendRowInPlace,
  BACKGROUND,
  emptyColumns,
  FAILED,
  PROBE,
  withCapacity,
  type AttemptColumns,
} from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS, isWeekend, MINUTE_MS, type Window } from '@toplens/core/time';
import { seedOfPart } from '../seeds';
import { KEY_TIER, SITES, type PlannedTrouble, type WorldFlow, type WorldJourney, type WorldPlan } from './plan';
import type { TroubleTruth } from './truth';

const RETRY = 0.6;
/** A person's chance to leave after a failed attempt that no second try made good. */
const HUNG_MS = [45_000, 120_000] as const;

/**
 * Where a trouble stops being noticed: three spreads above the true median, the true counterpart of a learned limit.
 */
export const trueLimitMs = (flow: WorldFlow): number => flow.medianMs * Math.exp(3 * flow.spread);

/** Whose attempt it is, and where it runs. */
interface Who {
  flow: number;
  person: number;
  session: number;
  tier: number;
  site: number;
  promotion: number;
  version: number;
  host: number;
}

/** A number in [0, 1) that always belongs to the same person and question. */
const share = (seed: number, person: number, question: number): number =>
  seedOfPart(seed, person, question + 1000) / 4294967296;

/**
 * Plays a world, hour by hour: attempts as an installation would have recorded them, and what the troubles really did.
 * Each minute draws from a seed of its own.
 */
export class WorldPlayer {
  readonly truth: Map<number, TroubleTruth>;
  #rows = emptyColumns(4096);
  #later = emptyColumns(4096);
  #errorLevels: { day: number; levels: number[] } = { day: NaN, levels: [] };
  /** failures to be told for good or made good once the day is over */
  readonly #failures: {
    truth: TroubleTruth;
    person: number;
    flow: number;
    startMs: number;
    endMs: number;
    value: number;
    key: boolean;
  }[] = [];
  readonly #successes = new Map<string, number[]>();
  readonly #tries = new Map<string, number[]>();
  readonly #touched = new Map<string, number>();
  #busy = { day: NaN, noise: 1 };

  constructor(readonly plan: WorldPlan) {
    this.truth = new Map(
      plan.troubles.map((trouble) => [
        trouble.number,
        { trouble, people: new Set<number>(), minutes: 0, failed: 0, left: 0, missing: 0, money: 0, keyHarm: 0 },
      ]),
    );
  }

  /** Attempts that start in the hour. Hours are asked for in order. */
  hour(hourMs: number): AttemptColumns {
    // What began before and goes on stands first; the buffers are used again and again.
    [this.#rows, this.#later] = [this.#later, this.#rows];
    this.#later.n = 0;
    for (let minuteMs = hourMs; minuteMs < hourMs + HOUR_MS; minuteMs += MINUTE_MS)
      this.plan.journeys.forEach((journey, j) => this.#minute(journey, j, minuteMs));
    this.#batchAndProbes(hourMs);
    const rows = this.#rows;
    if (this.#later.startMs.length < rows.n) this.#later = emptyColumns(2 * rows.n);
    let n = 0;
    for (let i = 0; i < rows.n; i++) if ((rows.startMs[i] as number) < hourMs + HOUR_MS) n++;
    const now = emptyColumns(n);
    for (let i = 0; i < rows.n; i++)
      appendRowInPlace((rows.startMs[i] as number) < hourMs + HOUR_MS ? now : this.#later, rows, i);
    rows.n = 0;
    return now;
  }

  /**
   * Call once after the last hour: a failure is made good by any later success of the same person within half an hour.
   */
  finish(): void {
    const within = (starts: number[] | undefined, fromMs: number) =>
      starts?.filter((ms) => ms >= fromMs && ms <= fromMs + 30 * MINUTE_MS).sort((a, b) => a - b)[0];
    for (const { truth, person, flow, startMs, endMs, value, key } of this.#failures) {
      const again = within(this.#successes.get(`${flow}:${person}`), endMs);
      if (again !== undefined) {
        truth.minutes += (again - startMs) / MINUTE_MS;
        if (key) truth.keyHarm += (again - startMs) / MINUTE_MS;
        continue;
      }
      truth.failed++;
      if (key) truth.keyHarm += 5;
      if (within(this.#tries.get(`${flow}:${person}`), endMs) === undefined) this.#lose(truth, value, key);
    }
    this.#failures.length = 0;
  }

  #busyness(timeMs: number): number {
    const { plan } = this;
    const hours = (timeMs - floorTo(timeMs, DAY_MS)) / HOUR_MS;
    const wave = 0.5 - 0.5 * Math.cos(((hours - 3) / 24) * 2 * Math.PI);
    const day = Math.floor(timeMs / DAY_MS);
    if (this.#busy.day !== day)
      this.#busy = { day, noise: 1 + plan.dayNoise * normalDeviate(seededRandom(seedOfPart(plan.seed, day, 77))) };
    const ofDay = this.#busy.noise;
    const growth = (1 + plan.drift) ** ((timeMs - plan.firstMs) / DAY_MS);
    return (
      (plan.night + (1 - plan.night) * wave ** 1.4) *
      Math.max(0.5, ofDay) *
      growth *
      (isWeekend(timeMs) ? plan.weekend : 1)
    );
  }

  #minute(journey: WorldJourney, j: number, minuteMs: number): void {
    const { plan } = this;
    const random = seededRandom(seedOfPart(plan.seed, Math.floor(minuteMs / MINUTE_MS), j));
    const surge = plan.harmless.find(
      (one) =>
        one.kind === 'surge' &&
        minuteMs >= one.fromMs &&
        minuteMs < one.toMs &&
        journey.steps.some((step) => step.flow === one.flow),
    );
    const burst = Math.exp(plan.burstiness * normalDeviate(random) - plan.burstiness ** 2 / 2);
    for (
      let n = poissonDeviate(random, journey.perMinute * this.#busyness(minuteMs) * burst * (surge?.factor ?? 1));
      n > 0;
      n--
    )
      this.#session(journey, minuteMs, random);
  }

  #flow(id: number): WorldFlow {
    return this.plan.flows[id - 1] as WorldFlow;
  }

  #touches({ fromMs, toMs, flows, slice }: PlannedTrouble, who: Who, atMs: number): boolean {
    return (
      atMs >= fromMs && atMs < toMs && flows.includes(who.flow) && (!slice || who[slice.dimension] === slice.value)
    );
  }

  #session(journey: WorldJourney, minuteMs: number, random: Random): void {
    const { plan } = this;
    const person = 1 + Math.floor(random() * plan.persons);
    const session = journey.hasSessions ? 1 + Math.floor(random() * (2 ** 32 - 1)) : 0;
    const t = share(plan.seed, person, 1);
    const tier = t < 0.75 ? 1 : t < 0.94 ? 2 : KEY_TIER;
    const site = 1 + Math.floor(share(plan.seed, person, 2) ** 1.5 * SITES);
    const promotion = share(plan.seed, person, 3) < 0.14 ? 1 : share(plan.seed, person, 4) < 0.2 ? 2 : 0;
    let atMs = minuteMs + random() * MINUTE_MS;
    let gone: TroubleTruth | undefined;
    for (const step of journey.steps) {
      const flow = this.#flow(step.flow);
      // Every draw is made whether it is needed or not, so that a person who leaves changes nothing for the others.
      const goesOn = random() < step.goOn;
      const host = 1 + Math.floor(random() * flow.hosts);
      const failsUsually = random() < flow.failures * this.#errorLevel(flow, atMs);
      const [touched, leaves, again, failsAgain] = [random(), random(), random(), random()];
      const baseMs = this.#duration(flow, atMs, random);
      const againMs = this.#duration(flow, atMs, random);
      const thinkMs = journey.thinkMs * Math.exp(0.5 * normalDeviate(random));
      const value = flow.value > 0 ? flow.value * Math.exp(0.3 * normalDeviate(random) - 0.045) : NaN;
      if (!goesOn) return;
      const key = tier === KEY_TIER;
      if (gone) {
        this.#lose(gone, value, key);
        if (gone.trouble.kind === 'outage') this.#miss(gone, person, key);
        atMs += baseMs + thinkMs;
        continue;
      }
      const who = {
        flow: flow.id,
        person,
        session,
        tier,
        site,
        promotion,
        version: this.#version(flow.id, atMs),
        host: this.#hostNumber(flow.id, this.#aliveHost(flow.id, host, atMs)),
      };
      const hits =
        atMs < plan.dayMs ? [] : plan.troubles.filter((one) => this.#touches(one, who, atMs) && touched < one.share);
      // Of two troubles that could touch an attempt one does: it passed the one and not the other.
      const trouble = hits[Math.floor(((touched * 997) % 1) * hits.length)];
      const truth = trouble && this.truth.get(trouble.number);
      if (truth && trouble.kind === 'outage') {
        gone = truth;
        this.#miss(truth, person, key);
        this.#lose(truth, value, key);
        atMs += baseMs + thinkMs;
        continue;
      }
      const limitMs = trueLimitMs(flow);
      const durationMs =
        trouble?.kind === 'slow'
          ? baseMs * (trouble.factors?.[flow.id] ?? trouble.factor)
          : trouble?.kind === 'hanging'
            ? HUNG_MS[0] + ((HUNG_MS[1] - HUNG_MS[0]) * touched) / trouble.share
            : baseMs;
      const failed = failsUsually || trouble?.kind === 'failing';
      if (trouble) this.#touched.set(`${flow.id}:${person}:${atMs}`, trouble.number);
      this.#add(who, { startMs: atMs, durationMs: failed && trouble ? baseMs * 0.4 : durationMs, failed, value });
      const wouldBeWell = !failsUsually && baseMs <= limitMs;
      const isHung = !failed && durationMs > Math.max(10 * limitMs, 30_000);
      const isHurt = trouble !== undefined && (failed || durationMs > limitMs);
      if (truth && isHurt && wouldBeWell) truth.people.add(person);
      if (truth && !failed) {
        const cap = Math.max(10 * limitMs, 30_000);
        const added = Math.max(0, Math.min(durationMs, cap) - flow.medianMs) - Math.max(0, baseMs - flow.medianMs);
        truth.minutes += added / MINUTE_MS;
        if (key) truth.keyHarm += added / MINUTE_MS;
      }
      const fail = (startMs: number, endMs: number) =>
        truth && !failsUsually && this.#failures.push({ truth, person, flow: flow.id, startMs, endMs, value, key });
      const startMs = atMs;
      atMs += durationMs;
      if (failed || isHung) {
        fail(startMs, startMs + (failed && trouble ? baseMs * 0.4 : durationMs));
        const tries = again < RETRY;
        const stillBad = trouble?.kind === 'failing' && (trouble.share > 0.95 || failsAgain < trouble.share);
        if (tries) {
          const retryMs = atMs + 4_000 + thinkMs / 3;
          if (trouble && stillBad) this.#touched.set(`${flow.id}:${person}:${retryMs}`, trouble.number);
          this.#add(who, { startMs: retryMs, durationMs: stillBad ? againMs * 0.4 : againMs, failed: stillBad, value });
          if (stillBad) fail(retryMs, retryMs + againMs * 0.4);
          atMs = retryMs + againMs;
        }
        if (!tries || stillBad) {
          if (!truth || failsUsually) return;
          gone = truth;
          this.#markLeft(truth, journey, { flow: step.flow, session, key });
        }
      }
      if (!gone && truth && isHurt && wouldBeWell && leaves < trouble.leave) {
        gone = truth;
        this.#markLeft(truth, journey, { flow: step.flow, session, key });
      }
      atMs += thinkMs;
    }
  }

  /** Left: went no further, although they would have. Whether they would is drawn by the next step. */
  #markLeft(
    truth: TroubleTruth,
    journey: WorldJourney,
    { flow, session, key }: { flow: number; session: number; key: boolean },
  ): void {
    const next = journey.steps[journey.steps.findIndex((step) => step.flow === flow) + 1];
    if (!next || session === 0) return;
    truth.left += next.goOn;
    if (key) truth.keyHarm += 15 * next.goOn;
  }

  #lose(truth: TroubleTruth, value: number, key: boolean): void {
    if (Number.isNaN(value)) return;
    truth.money += value;
    if (key) truth.keyHarm += value * 0.5;
  }

  #miss(truth: TroubleTruth, person: number, key: boolean): void {
    truth.missing++;
    truth.people.add(person);
    if (key) truth.keyHarm += 5;
  }

  /** Natural errors come and go from day to day. */
  #errorLevel(flow: WorldFlow, atMs: number): number {
    const day = Math.floor(atMs / DAY_MS);
    if (this.#errorLevels.day !== day) {
      const levelOf = (id: number) =>
        Math.exp(0.25 * normalDeviate(seededRandom(seedOfPart(this.plan.seed, day, 500 + id))));
      this.#errorLevels = { day, levels: this.plan.flows.map(({ id }) => levelOf(id)) };
    }
    return this.#errorLevels.levels[flow.id - 1] as number;
  }

  #duration(flow: WorldFlow, atMs: number, random: Random): number {
    const load = 1 + 0.06 * (this.#loadWave(atMs) - 0.5);
    const release =
      atMs < this.plan.dayMs
        ? undefined
        : this.plan.harmless.find((one) => one.kind === 'release' && one.flow === flow.id && atMs >= one.fromMs);
    const tail = random() < flow.tail ? 2 + 4 * random() : 1;
    return flow.medianMs * load * (release?.factor ?? 1) * tail * Math.exp(flow.spread * normalDeviate(random));
  }

  #loadWave(atMs: number): number {
    const hours = (atMs - floorTo(atMs, DAY_MS)) / HOUR_MS;
    return 0.5 - 0.5 * Math.cos(((hours - 3) / 24) * 2 * Math.PI);
  }

  #version(flow: number, atMs: number): number {
    return atMs >= this.plan.dayMs &&
      this.plan.harmless.some((one) => one.kind === 'release' && one.flow === flow && atMs >= one.fromMs)
      ? 2
      : 1;
  }

  #aliveHost(flow: number, host: number, atMs: number): number {
    const dead =
      atMs >= this.plan.dayMs &&
      this.plan.harmless.some(
        (one) => one.kind === 'deadHost' && one.flow === flow && atMs >= one.fromMs && atMs < one.toMs,
      );
    return dead && host === 1 ? 2 : host;
  }

  #hostNumber(flow: number, host: number): number {
    return this.plan.hostOf[`${flow}:${host}`] ?? host;
  }

  /** The number of the trouble that an attempt was touched by. */
  troubleOf({ flow, person, startMs }: { flow: number; person: number; startMs: number }): number | undefined {
    return this.#touched.get(`${flow}:${person}:${startMs}`);
  }

  /** Attempts of a flow that troubles touched, by the number of the trouble. */
  touchedIn(flow: number, { fromMs, toMs }: Window): Map<number, number> {
    const counts = new Map<number, number>();
    for (const [key, number] of this.#touched) {
      const [ofFlow, , startMs] = key.split(':').map(Number) as [number, number, number];
      if (ofFlow === flow && startMs >= fromMs && startMs < toMs) counts.set(number, (counts.get(number) ?? 0) + 1);
    }
    return counts;
  }

  /** Scripted checks that fail, and a slow batch that nobody waits for. */
  #batchAndProbes(hourMs: number): void {
    for (const one of this.plan.harmless) {
      if (one.kind !== 'probes' && one.kind !== 'batch') continue;
      for (let minuteMs = hourMs; minuteMs < hourMs + HOUR_MS; minuteMs += MINUTE_MS) {
        const inTrouble = minuteMs >= one.fromMs && minuteMs < one.toMs;
        const isProbe = one.kind === 'probes';
        this.#add(
          {
            flow: isProbe ? one.flow : this.plan.flows.length + 1,
            person: 0,
            session: 0,
            tier: 0,
            site: 0,
            promotion: 0,
            version: 0,
            host: 0,
          },
          {
            startMs: minuteMs,
            durationMs: isProbe ? 100 : inTrouble ? 90_000 : 30_000 + (minuteMs % 7919),
            failed: isProbe && inTrouble,
            value: NaN,
          },
          isProbe ? PROBE : BACKGROUND,
        );
      }
    }
  }

  #add(
    who: Who,
    { startMs, durationMs, failed, value }: { startMs: number; durationMs: number; failed: boolean; value: number },
    flags = 0,
  ): void {
    const rows =
      this.#rows.n === this.#rows.startMs.length
        ? (this.#rows = withCapacity(this.#rows, this.#rows.n * 2))
        : this.#rows;
    const i = rows.n++;
    rows.startMs[i] = startMs;
    rows.durationMs[i] = durationMs;
    rows.flow[i] = who.flow;
    rows.flags[i] = flags | (failed ? FAILED : 0);
    rows.person[i] = who.person;
    rows.session[i] = who.session;
    rows.failure[i] = failed ? 1 : 0;
    rows.site[i] = who.site;
    rows.version[i] = who.version;
    rows.region[i] = who.site === 0 ? 0 : 1 + (who.site % 3);
    rows.tier[i] = who.tier;
    rows.promotion[i] = who.promotion;
    rows.host[i] = who.host;
    rows.valueMinor[i] = failed ? NaN : value * 100;
    if (startMs < this.plan.dayMs || who.person === 0) return;
    const key = `${who.flow}:${who.person}`;
    this.#tries.set(key, [...(this.#tries.get(key) ?? []), startMs]);
    const isHung = durationMs > Math.max(10 * trueLimitMs(this.#flow(who.flow)), 30_000);
    if (!failed && !isHung) this.#successes.set(key, [...(this.#successes.get(key) ?? []), startMs]);
  }
}
