import { isLearned } from '@toplens/core/normal';
import { median } from '@toplens/core/stats';
import { appendRowInPlace, emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { percent } from '@toplens/core/words';
import { planFirstHour, type FirstHourPlan } from '../../scenario/src/random-worlds/first-hour';
import { WorldPlayer } from '../../scenario/src/random-worlds/play';
import { trueHarm, type TroubleTruth } from '../../scenario/src/random-worlds/truth';
import { WorldJudge, type Found } from './judge-world';
import { goalRow } from './report';
import { describe, FEWEST_HURT, matches } from './score';

/** Seeds by which the first rungs were set, and seeds that were looked at for the report alone. */
export const FIRST_HOUR_TUNING = { first: 1, last: 60 };
export const FIRST_HOUR_REPORTING = { first: 2001, last: 2060 };

/** Judged anew every minute for so long, then every half hour to the end of the day. */
const EACH_MINUTE_MS = 130 * MINUTE_MS;
const EVERY = 30;
/** "Calm" about a flow whose trouble goes on for longer than this is false. */
const CALM_FALSE_AFTER_MS = 5 * MINUTE_MS;

/** What became of one installation's first day. */
export interface FirstHourVerdict {
  seed: number;
  /** of troubles that hurt enough to be asked for: minutes until an incident stood in the list; NaN where none did */
  detections: number[];
  /** incidents that were shown at some moment and match no trouble */
  falseOnes: string[];
  missed: string[];
  /** the worst trouble is the first incident; undefined where no trouble hurt enough to be asked for */
  firstIsFirst: boolean | undefined;
  /** minutes in which a flow was in such trouble, and those of them in which it was called calm */
  troubled: number;
  calm: number;
}

/** What was seen while the day was judged, by the number of the incident or of the trouble. */
class Seen {
  readonly shown = new Map<number, { atMs: number; found: Found }>();
  readonly listedMs = new Map<number, number>();
  /** minutes in which a trouble had gone on for a while, and those of them in which its flows were called calm */
  readonly troubled = new Map<number, number>();
  readonly calm = new Map<number, number>();

  look(judge: WorldJudge, nowMs: number, isCloseLook: boolean): void {
    const { plan, register, history } = judge;
    const day = { fromMs: plan.dayMs, toMs: plan.toMs };
    const incidents = register.within(day);
    for (const incident of incidents) {
      if (this.shown.has(incident.id)) continue;
      const found = judge.billed(incident, day, nowMs);
      if (found.bill.people.estimate >= 1) this.shown.set(incident.id, { atMs: nowMs, found });
    }
    for (const trouble of plan.troubles) {
      const { number, flows, fromMs, toMs } = trouble;
      if (nowMs < fromMs) continue;
      const isListed = incidents.some((incident) => this.shown.has(incident.id) && matches({ incident }, { trouble }));
      if (isListed && !this.listedMs.has(number)) this.listedMs.set(number, nowMs);
      if (!isCloseLook || nowMs < fromMs + CALM_FALSE_AFTER_MS || nowMs > toMs) continue;
      addOne(this.troubled, number);
      const isCalm = (flow: number) =>
        isLearned(history.normalAt(flow, nowMs - 1)) &&
        !register.touches(flow, { fromMs: nowMs - MINUTE_MS, toMs: nowMs });
      if (flows.every(isCalm)) addOne(this.calm, number);
    }
  }
}

const addOne = (counts: Map<number, number>, key: number) => counts.set(key, (counts.get(key) ?? 0) + 1);

/** Plays the first day of an installation, and judges it live: minute by minute, by what has come up to then. */
export function judgeFirstHour(
  seed: number,
  change: (plan: FirstHourPlan) => void = () => undefined,
): FirstHourVerdict {
  const plan = planFirstHour(seed);
  change(plan);
  const player = new WorldPlayer(plan);
  const judge = new WorldJudge(plan);
  const seen = new Seen();
  const firstHourMs = floorTo(plan.beginMs, HOUR_MS);
  for (let hourMs = firstHourMs; hourMs < plan.toMs; hourMs += HOUR_MS) {
    const rows = player.hour(hourMs);
    for (let nowMs = hourMs + MINUTE_MS; nowMs <= hourMs + HOUR_MS; nowMs += MINUTE_MS) {
      const sinceMs = nowMs - plan.beginMs;
      if (sinceMs <= 0 || (sinceMs > EACH_MINUTE_MS && nowMs % (EVERY * MINUTE_MS) !== 0)) continue;
      judge.put(hourMs, rowsBetween(rows, plan.beginMs, nowMs));
      judge.judge({ fromMs: firstHourMs, toMs: nowMs });
      seen.look(judge, nowMs, sinceMs <= EACH_MINUTE_MS);
    }
  }
  player.finish();
  return verdictOf(plan, [...player.truth.values()], seen, judge.hurting({ fromMs: plan.dayMs, toMs: plan.toMs }));
}

function verdictOf(
  plan: FirstHourPlan,
  truth: readonly TroubleTruth[],
  { shown, listedMs, calm, troubled }: Seen,
  last: readonly Found[],
): FirstHourVerdict {
  const big = truth.filter(({ people }) => people.size >= FEWEST_HURT);
  const detections = big.map(({ trouble }) => ((listedMs.get(trouble.number) ?? NaN) - trouble.fromMs) / MINUTE_MS);
  const [worst] = [...truth].sort((a, b) => trueHarm(b) - trueHarm(a));
  const [first] = [...last].sort((a, b) => b.bill.harm.estimate - a.bill.harm.estimate);
  const inBig = (counts: ReadonlyMap<number, number>) =>
    big.reduce((sum, { trouble }) => sum + (counts.get(trouble.number) ?? 0), 0);
  return {
    seed: plan.seed,
    detections,
    missed: big
      .filter((_, i) => Number.isNaN(detections[i]))
      .map((one) => `${describe({ plan }, one)} at minute ${minutesIn(plan, one.trouble.fromMs)}`),
    falseOnes: [...shown.values()]
      .filter(({ found }) => !truth.some((one) => matches(found, one)))
      .map(
        ({ atMs, found }) =>
          `seed ${plan.seed} (${plan.shape}) at minute ${minutesIn(plan, atMs)}: ${found.incident.parts.map((part) => `${part.signal} z ${part.z.toFixed(1)} by ${part.judgedBy?.basis}`).join(', ')}, people ${found.bill.people.estimate.toFixed(0)}`,
      ),
    firstIsFirst: worst && worst.people.size >= FEWEST_HURT ? first !== undefined && matches(first, worst) : undefined,
    troubled: inBig(troubled),
    calm: inBig(calm),
  };
}

const minutesIn = (plan: FirstHourPlan, atMs: number): number => Math.round((atMs - plan.beginMs) / MINUTE_MS);

function rowsBetween(rows: AttemptColumns, fromMs: number, toMs: number): AttemptColumns {
  const some = emptyColumns(rows.n);
  for (let i = 0; i < rows.n; i++)
    if ((rows.startMs[i] as number) >= fromMs && (rows.startMs[i] as number) < toMs) appendRowInPlace(some, rows, i);
  return some;
}

export function firstHourReport(verdicts: readonly FirstHourVerdict[], seeds: { first: number; last: number }): string {
  const detections = verdicts.flatMap((one) => one.detections);
  const found = detections.filter((minutes) => !Number.isNaN(minutes));
  const falseOnes = verdicts.flatMap((one) => one.falseOnes);
  const missed = verdicts.flatMap((one) => one.missed);
  const asked = verdicts.flatMap(({ firstIsFirst }) => (firstIsFirst === undefined ? [] : [firstIsFirst]));
  const sum = (of: (one: FirstHourVerdict) => number) => verdicts.reduce((total, one) => total + of(one), 0);
  const recall = found.length / detections.length;
  const falseEach = falseOnes.length / verdicts.length;
  const medianMin = median(found) ?? NaN;
  const first = asked.filter(Boolean).length / asked.length;
  const calm = sum((one) => one.calm) / sum((one) => one.troubled);
  return [
    '## The first hour',
    '',
    `${verdicts.length} invented installations without history (\`scenario/src/random-worlds/first-hour.ts\`), seeds ${seeds.first} to ${seeds.last}; the first rungs were set on seeds ${FIRST_HOUR_TUNING.first} to ${FIRST_HOUR_TUNING.last}. Troubles begin 3 to 60 minutes after the first attempt. Judged live, minute by minute, by what has come up to then. \`npm run bench:truth -- first-hour\`.`,
    '',
    '| what | measured | goal | |',
    '|---|---:|---:|---|',
    goalRow(
      `recall of ${detections.length} troubles that hurt at least ${FEWEST_HURT} people`,
      percent(recall),
      '≥ 90 %',
      recall >= 0.9,
    ),
    goalRow('false incidents, by installation and first day', falseEach.toFixed(2), '≤ 1', falseEach <= 1),
    goalRow('minutes from onset to the list, median', medianMin.toFixed(1), '≤ 5', medianMin <= 5),
    goalRow('first is truly first', percent(first), '≥ 85 %', first >= 0.85),
    goalRow('minutes called calm, of those in which a trouble had gone on for five', percent(calm), '0 %', calm === 0),
    ...(missed.length > 0 ? ['', 'Not found:', '', ...missed.map((text) => `- ${text}`)] : []),
    ...(falseOnes.length > 0 ? ['', 'False incidents:', '', ...falseOnes.map((text) => `- ${text}`)] : []),
  ].join('\n');
}
