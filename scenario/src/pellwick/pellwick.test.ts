import { DAY_MS, MINUTE_MS } from '@toplens/core/time';
import { encodeSpans } from '../otlp/encode';
import { spansOf, WRONG_CLOCKS } from '../otlp/spans';
import { HISTORY_DAYS, newestFirst } from '../demo-world';
import { Player } from '../player';
import { simulateMinute } from './simulate';
import { demoTroubles } from './troubles';
import { truthWithin, type TruthEvent } from './truth';

const nowMs = Date.UTC(2026, 2, 10, 11, 30);
const options = { seed: 1, localOffsetHours: 0, troubles: demoTroubles(nowMs) };
const before = (minutes: number) => nowMs - minutes * MINUTE_MS;

test('the same seed makes the same world, another one another', () => {
  expect(simulateMinute(before(30), options, [])).toEqual(simulateMinute(before(30), options, []));
  expect(simulateMinute(before(30), { ...options, seed: 2 }, [])).not.toEqual(simulateMinute(before(30), options, []));
});

test('a trouble changes only what it touches', () => {
  const calm = simulateMinute(before(30), { ...options, troubles: {} }, []);
  const troubled = simulateMinute(
    before(30),
    { ...options, troubles: { failingLabels: options.troubles.failingLabels } },
    [],
  );
  expect(troubled.filter(({ flow }) => flow !== 'label')).toEqual(calm.filter(({ flow }) => flow !== 'label'));
});

test('while the partners are silent nothing of theirs arrives, and the truth knows who would have come', () => {
  const truth: TruthEvent[] = [];
  const attempts = simulateMinute(before(30), options, truth);
  expect(attempts.filter(({ flow }) => flow.startsWith('partner'))).toEqual([]);
  expect(truthWithin(truth, 7, 0, nowMs).people).toBeGreaterThan(0);
});

test('played a stretch at a time, the newest first, it sends the same as in one go', () => {
  const play = { ...options, fullTracesFromMs: before(10), figuresFromMs: before(10), viewsFromMs: before(10) };
  const whole = new Player(play, before(20)).endedBefore(nowMs + 7_200_000);
  const stretches = [
    new Player(play, before(8)),
    new Player(play, before(15), before(8)),
    new Player(play, before(20), before(15)),
  ].map((player) => player.endedBefore(nowMs + 7_200_000));
  const ids = (all: readonly { spanId: number[] }[]) => all.map((span) => span.spanId.join('-')).sort();
  expect(ids(stretches.flatMap(({ spans }) => spans))).toEqual(ids(whole.spans));
  expect(stretches.flatMap(({ lines }) => lines)).toHaveLength(whole.lines.length);
  expect(stretches.flatMap(({ views }) => views)).toHaveLength(whole.views.length);
});

test('two weeks, the newest first, are two weeks without a gap', () => {
  const stretches = newestFirst(nowMs);
  expect(stretches[0]?.toMs).toBe(nowMs);
  for (const [i, { fromMs }] of stretches.entries()) if (stretches[i + 1]) expect(stretches[i + 1]?.toMs).toBe(fromMs);
  expect(stretches.at(-1)?.fromMs).toBe(nowMs - HISTORY_DAYS * DAY_MS);
});

test('playing in one go or in many steps sends the same, none before its end', () => {
  const play = { ...options, fullTracesFromMs: before(10), figuresFromMs: before(10), viewsFromMs: before(10) };
  const whole = new Player(play, before(20)).endedBefore(before(5));
  const stepwise = new Player(play, before(20));
  const steps = Array.from({ length: 15 }, (_, i) => stepwise.endedBefore(before(19 - i)));
  const ids = (all: readonly { spanId: number[] }[]) => all.map((span) => span.spanId.join('-')).sort();
  expect(ids(steps.flatMap(({ spans }) => spans))).toEqual(ids(whole.spans));
  expect(new Set(ids(whole.spans)).size).toBe(whole.spans.length);
  expect(whole.spans.every((span) => span.startMs + span.durationMs < before(5))).toBe(true);
  const said = (all: typeof steps) =>
    [
      ...all.flatMap(({ lines }) => lines.map(({ atMs, body }) => `${atMs} ${body}`)),
      ...all.flatMap(({ points }) =>
        points.map(({ atMs, metric, instance, value }) => `${atMs} ${metric} ${instance} ${value}`),
      ),
    ].sort();
  expect(said(steps)).toEqual(said([whole]));
  expect(whole.lines.length).toBeGreaterThan(20);
  expect(whole.points.length).toBeGreaterThan(100);
  const told = (all: typeof steps) =>
    all.flatMap(({ views }) => views.map(({ attributes }) => String(attributes['toplens.view.id']))).sort();
  expect(told(steps)).toEqual(told([whole]));
  expect(whole.views.length).toBeGreaterThan(50);
  expect(whole.views.every(({ toldMs }) => toldMs < before(5))).toBe(true);
});

test('inner spans lie within their parents', () => {
  const attempt = simulateMinute(before(60), options, []).find(({ flow }) => flow === 'slots');
  const sent = spansOf(attempt as NonNullable<typeof attempt>, true, options.troubles);
  const spans = sent.map((span) => ({ ...span, startMs: span.startMs - (WRONG_CLOCKS[span.host] ?? 0) }));
  const byId = new Map(spans.map((span) => [span.spanId.join(), span]));
  for (const span of spans) {
    const parent = span.parentSpanId && byId.get(span.parentSpanId.join());
    if (!parent) continue;
    expect(span.startMs).toBeGreaterThanOrEqual(parent.startMs - 1e-6);
    expect(span.startMs + span.durationMs).toBeLessThanOrEqual(parent.startMs + parent.durationMs + 1e-6);
  }
  expect(encodeSpans(sent).length).toBeGreaterThan(500);
});
