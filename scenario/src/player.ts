import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { viewOf, type OutView } from './browsers/page-views';
import { saleOf, type Sale } from './otlp/insurance';
import { linesOf, minuteLines, type OutLine } from './otlp/lines';
import { devicePoints, minutePoints, roundTripPoints, type OutPoint } from './otlp/points';
import { spansOf, type OutSpan } from './otlp/spans';
import { Sender } from './otlp/sender';
import { deskSpans } from './otlp/depot-desk';
import { simulateDeskMinute } from './pellwick/depot-desk';
import { probeSpans } from './otlp/probes';
import { simulateProbeMinute } from './pellwick/probes';
import { simulateRoundMinute } from './pellwick/round';
import { detailsOf } from './otlp/phone-details';
import { roundRecords } from './otlp/phones';
import { busyness, simulateMinute, type WorldOptions } from './pellwick/simulate';
import type { TruthEvent } from './pellwick/truth';

const BATCH = 2_000;
/** A browser's request is small: the server takes no large ones from pages. */
const VIEWS_A_REQUEST = 100;
const CONNECTIONS = 2;

export interface PlayOptions extends WorldOptions {
  /** from then on whole traces are sent, before it entries alone */
  fullTracesFromMs: number;
  /** from then on services write logs and hosts tell their figures */
  figuresFromMs: number;
  /** from then on senders' browsers tell of their pages */
  viewsFromMs: number;
}

export interface Ended {
  spans: OutSpan[];
  lines: OutLine[];
  points: OutPoint[];
  views: OutView[];
  /** of the time before services wrote logs */
  sales: Sale[];
}

/**
 * Plays the world to a server: attempts are sent in the order in which they end, as their senders would.
 */
export class Player {
  readonly truth: TruthEvent[] = [];
  #pending: OutSpan[] = [];
  #pendingLines: OutLine[] = [];
  #points: OutPoint[] = [];
  #views: OutView[] = [];
  #sales: Sale[] = [];
  #nextMinuteMs: number;

  constructor(
    private readonly options: PlayOptions,
    fromMs: number,
    /** nothing begins from then on; what began before is played to its end */
    private readonly toMs = Infinity,
  ) {
    this.#nextMinuteMs = floorTo(fromMs, MINUTE_MS);
  }

  /** Spans, lines and points of everything that ended before a moment and was not taken yet, earliest end first. */
  endedBefore(timeMs: number): Ended {
    const untilMs = Math.min(timeMs, floorTo(this.toMs, MINUTE_MS));
    for (; this.#nextMinuteMs < untilMs; this.#nextMinuteMs += MINUTE_MS) this.#simulate(this.#nextMinuteMs);
    const endOf = ({ startMs, durationMs }: OutSpan) => startMs + durationMs;
    const [spans, openSpans] = split(this.#pending, (span) => endOf(span) < timeMs);
    const [lines, openLines] = split(this.#pendingLines, ({ atMs }) => atMs < timeMs);
    const [points, openPoints] = split(this.#points, ({ atMs }) => atMs <= timeMs);
    this.#pending = openSpans;
    this.#pendingLines = openLines;
    const [sales, openSales] = split(this.#sales, ({ atMs }) => atMs < timeMs);
    const [views, openViews] = split(this.#views, ({ toldMs }) => toldMs < timeMs);
    this.#points = openPoints;
    this.#sales = openSales;
    this.#views = openViews;
    return {
      spans: spans.sort((a, b) => endOf(a) - endOf(b)),
      lines: lines.sort((a, b) => a.atMs - b.atMs),
      points,
      views,
      sales,
    };
  }

  #simulate(minuteMs: number): void {
    const { troubles, fullTracesFromMs, figuresFromMs, viewsFromMs } = this.options;
    for (const attempt of simulateMinute(minuteMs, this.options, this.truth)) {
      const isFull = attempt.startMs >= fullTracesFromMs;
      const spans = spansOf(attempt, isFull, troubles);
      this.#pending.push(...spans);
      if (isFull && attempt.startMs >= figuresFromMs) this.#pendingLines.push(...linesOf(attempt, spans));
      const sale = attempt.startMs < figuresFromMs ? saleOf(attempt) : undefined;
      if (sale) this.#sales.push(sale);
      // Of older views what came as usual is not told one by one: pages need days to know what is usual, and a demo
      // must load.
      const view =
        attempt.startMs >= viewsFromMs
          ? viewOf(attempt, isFull ? spans : spansOf(attempt, true, troubles), troubles, isFull)
          : undefined;
      if (!view) continue;
      this.#views.push(view);
      if (view.isIncomplete && attempt.person)
        this.truth.push({
          trouble: 5,
          atMs: view.atMs,
          person: attempt.person.id,
          flow: 'Page /send/pick-up',
          kind: 'failed',
          minutes: 0,
        });
    }
    for (const attempt of simulateDeskMinute(minuteMs, this.options, this.truth))
      this.#pending.push(...deskSpans(attempt, attempt.startMs >= fullTracesFromMs));
    // Probes were set up not long ago, and so were measurements of remote desktops.
    if (minuteMs >= fullTracesFromMs) {
      this.#pending.push(...simulateProbeMinute(minuteMs, this.options).flatMap(probeSpans));
      this.#points.push(...roundTripPoints(minuteMs, busyness(minuteMs, this.options), troubles));
    }
    const stops = simulateRoundMinute(minuteMs, this.options, this.truth);
    const round = roundRecords(stops);
    this.#pending.push(...round.spans);
    this.#pendingLines.push(...round.lines);
    if (minuteMs < figuresFromMs) return;
    const details = detailsOf(stops, troubles);
    this.#pending.push(...details.spans);
    this.#pendingLines.push(...details.lines);
    this.#pendingLines.push(...minuteLines(minuteMs, troubles));
    this.#points.push(...devicePoints(minuteMs));
    this.#points.push(...minutePoints(minuteMs, busyness(minuteMs, this.options), troubles));
  }

  /** Sends everything up to a moment as fast as the server takes it. */
  async load(sender: Sender, toMs: number, onProgress: (share: number) => void = () => undefined): Promise<void> {
    const fromMs = this.#nextMinuteMs;
    const running = new Set<Promise<void>>();
    const send = async (sending: Promise<void>) => {
      const tracked: Promise<void> = sending.finally(() => running.delete(tracked));
      running.add(tracked);
      if (running.size >= CONNECTIONS) await Promise.race(running);
    };
    let waiting: OutSpan[] = [];
    for (let timeMs = fromMs; timeMs < toMs;) {
      timeMs = Math.min(toMs, timeMs + 60 * MINUTE_MS);
      const { spans, lines, points, views, sales } = this.endedBefore(timeMs);
      waiting.push(...spans);
      while (waiting.length >= BATCH || (timeMs >= toMs && waiting.length > 0)) {
        await send(sender.send(waiting.slice(0, BATCH)));
        waiting = waiting.slice(BATCH);
      }
      await send(sender.sendSales(sales));
      for (let i = 0; i < lines.length; i += BATCH) await send(sender.sendLines(lines.slice(i, i + BATCH)));
      for (let i = 0; i < points.length; i += BATCH) await send(sender.sendPoints(points.slice(i, i + BATCH)));
      for (let i = 0; i < views.length; i += VIEWS_A_REQUEST)
        await send(sender.sendViews(views.slice(i, i + VIEWS_A_REQUEST)));
      onProgress((timeMs - fromMs) / (toMs - fromMs));
    }
    await Promise.all(running);
  }

  /** Sends what ends from now on, every two seconds, until stopped. */
  live(sender: Sender, now: () => number = Date.now): () => Promise<void> {
    let running: Promise<void> = Promise.resolve();
    const timer = setInterval(() => {
      running = running
        .then(async () => {
          const { spans, lines, points, views } = this.endedBefore(now());
          await sender.send(spans);
          await sender.sendLines(lines);
          await sender.sendPoints(points);
          for (let i = 0; i < views.length; i += VIEWS_A_REQUEST)
            await sender.sendViews(views.slice(i, i + VIEWS_A_REQUEST));
        })
        .catch((error: Error) => console.error(`live stream: ${error.message}; what it held is lost to this demo`));
    }, 2_000);
    return async () => {
      clearInterval(timer);
      await running;
    };
  }
}

function split<T>(all: readonly T[], holds: (one: T) => boolean): [yes: T[], no: T[]] {
  const yes: T[] = [];
  const no: T[] = [];
  for (const one of all) (holds(one) ? yes : no).push(one);
  return [yes, no];
}
