import { Severity } from '../telemetry';
import type { Window } from '../time';
import { minePatterns } from './mine-patterns';

/** A line as far as its pattern is looked for. */
export interface ObservedLine {
  atMs: number;
  severity: number;
  component: string;
  body: string;
}

export interface LogPattern {
  text: string;
  /** lines during the trouble, and before it */
  now: number;
  before: number;
  /** per minute */
  nowRate: number;
  usualRate: number;
  /**
   * how strongly the lines speak for a change of its rate: twice the log-likelihood ratio, negative when it came less
   * often
   */
  evidence: number;
  /** never seen before the trouble */
  isNew: boolean;
  /** the worst of its lines, as OTLP numbers it */
  severity: number;
  firstMs: number;
  components: string[];
  /** of the lines that were given: some, spread over the trouble, in order of time */
  samples: number[];
}

export interface RankedPatterns {
  /** came more often than before, or for the first time and more than once or twice; what changed most is first */
  surging: LogPattern[];
  /** so seldom that no rate can be told, and never before: listed apart, for one line may tell it all */
  rare: LogPattern[];
  /** came before and stopped */
  gone: LogPattern[];
  /** as usual */
  usual: LogPattern[];
  linesNow: number;
  linesBefore: number;
}

/** Beyond this a change of rate is no chance: χ² with one degree of freedom, 99.9 % (statistical tables: 10.828). */
const CHANGED = 10.83;
/** Beyond that many lines a new pattern is no longer rare. */
const RARE = 3;
const SAMPLES = 12;

/**
 * Thousands of lines brought to a few patterns, by how much each surged against the time before. Windows may differ in
 * length; the result depends on the set of lines alone.
 *
 * @param lines of both windows, in any order
 */
export function rankPatterns(lines: readonly ObservedLine[], now: Window, before: Window): RankedPatterns {
  // Lines of the same moment are told apart by their texts, so that samples do not depend on the order either.
  const order = lines.map((_, i) => i).sort((a, b) => compare(lines[a] as ObservedLine, lines[b] as ObservedLine));
  const mined = minePatterns(order.map((i) => (lines[i] as ObservedLine).body));
  const found = mined.patterns.map(({ text }) => ({ text, now: [] as number[], before: 0 }));
  order.forEach((i, k) => {
    const { atMs } = lines[i] as ObservedLine;
    const pattern = found[mined.of[k] as number] as (typeof found)[number];
    if (atMs >= now.fromMs && atMs < now.toMs) pattern.now.push(i);
    else if (atMs >= before.fromMs && atMs < before.toMs) pattern.before++;
  });
  const minutes = (window: Window) => Math.max(1, (window.toMs - window.fromMs) / 60_000);
  const [nowMinutes, beforeMinutes] = [minutes(now), minutes(before)];
  const patterns = found.map(({ text, now: own, before: n }): LogPattern => {
    const some = own.map((i) => lines[i] as ObservedLine);
    return {
      text,
      now: own.length,
      before: n,
      nowRate: own.length / nowMinutes,
      usualRate: n / beforeMinutes,
      evidence: evidenceOf(own.length, nowMinutes, n, beforeMinutes),
      isNew: n === 0,
      severity: some.reduce((worst, { severity }) => Math.max(worst, severity), 0),
      firstMs: some[0]?.atMs ?? NaN,
      components: [...new Set(some.map(({ component }) => component))].sort(),
      samples: spread(own),
    };
  });
  const byEvidence = patterns.sort((a, b) => weight(b) - weight(a) || (a.text < b.text ? -1 : 1));
  const isRare = (one: LogPattern) => one.isNew && one.now > 0 && one.now <= RARE;
  return {
    surging: byEvidence.filter((one) => !isRare(one) && one.evidence >= CHANGED),
    rare: byEvidence
      .filter(isRare)
      .sort((a, b) => b.severity - a.severity || a.firstMs - b.firstMs || (a.text < b.text ? -1 : 1)),
    gone: byEvidence.filter((one) => one.evidence <= -CHANGED).reverse(),
    usual: byEvidence.filter((one) => one.now > 0 && !isRare(one) && Math.abs(one.evidence) < CHANGED),
    linesNow: found.reduce((sum, one) => sum + one.now.length, 0),
    linesBefore: found.reduce((sum, one) => sum + one.before, 0),
  };
}

/** Of as strong evidence an error comes before a note. */
const weight = ({ evidence, severity }: LogPattern) =>
  evidence * (severity >= Severity.ERROR ? 2 : severity >= Severity.WARN ? 1.5 : 1);

const compare = (a: ObservedLine, b: ObservedLine): number =>
  a.atMs - b.atMs ||
  (a.body < b.body
    ? -1
    : a.body > b.body
      ? 1
      : a.component < b.component
        ? -1
        : a.component > b.component
          ? 1
          : a.severity - b.severity);

/**
 * Twice the log-likelihood ratio of two Poisson rates against one; signed by the direction (Agresti, Categorical Data
 * Analysis, from memory).
 */
function evidenceOf(now: number, nowMinutes: number, before: number, beforeMinutes: number): number {
  const common = (now + before) / (nowMinutes + beforeMinutes);
  const part = (n: number, minutes: number) => (n === 0 ? 0 : n * Math.log(n / (common * minutes)));
  const ratio = 2 * (part(now, nowMinutes) + part(before, beforeMinutes));
  return now / nowMinutes >= before / beforeMinutes ? ratio : -ratio;
}

/** The first, the last, and some between. */
function spread(all: readonly number[]): number[] {
  if (all.length <= SAMPLES) return [...all];
  return Array.from({ length: SAMPLES }, (_, k) => all[Math.round((k * (all.length - 1)) / (SAMPLES - 1))] as number);
}
