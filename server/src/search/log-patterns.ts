import { rankPatterns, type LogPattern } from '@toplens/core/logs';
import { severityWord } from '@toplens/core/telemetry';
import type { LogPatternShape, LogPatternsShape } from '../contract/logs';
import type { Database } from '../store/database';
import { entriesOf, lineShape, linesOf, type StoredLine } from '../store/logs';
import type { LogQuestion } from '../store/log-question';

/** So many lines are read; of more, a fair part. */
const MOST_LINES = 100_000;
/** Patterns as usual are a long tail: so many of each list are told. */
const MOST_SHOWN = 40;

/** The log lines of some components brought to patterns, a stretch of time against the time before. */
export async function logPatterns(
  database: Database,
  { components, now, before }: LogQuestion,
): Promise<LogPatternsShape> {
  const { lines, kept } = await linesOf(database, components, [before, now], MOST_LINES);
  const { linesNow, linesBefore, ...lists } = rankPatterns(lines, now, before);
  const shown = Object.values(lists).flatMap((list) => list.slice(0, MOST_SHOWN));
  const traceIds = new Set(
    shown
      .flatMap(({ samples }) => samples.map((i) => (lines[i] as StoredLine).traceId))
      .filter((traceId) => traceId !== ''),
  );
  const entries = await entriesOf(database, [...traceIds]);
  const shapes = (list: readonly LogPattern[]) =>
    list.slice(0, MOST_SHOWN).map((pattern) => patternShape(pattern, lines, entries));
  return {
    components: [...components],
    now,
    before,
    surging: shapes(lists.surging),
    rare: shapes(lists.rare),
    gone: shapes(lists.gone),
    usual: shapes(lists.usual),
    linesNow,
    linesBefore,
    kept,
  };
}

const patternShape = (
  { severity, firstMs, evidence: _evidence, ...pattern }: LogPattern,
  lines: readonly StoredLine[],
  entries: ReadonlyMap<string, string>,
): LogPatternShape => ({
  ...pattern,
  severity: severityWord(severity),
  firstMs: Number.isNaN(firstMs) ? null : firstMs,
  samples: pattern.samples.map((i) => lineShape(lines[i] as StoredLine, entries)),
});
