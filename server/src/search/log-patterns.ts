import { rankPatterns, type LogPattern } from '@toplens/core/logs';
import { maskText } from '@toplens/core/masking';
import { severityWord } from '@toplens/core/telemetry';
import type { LogPatternShape, LogPatternsShape } from '../contract/logs';
import type { Pseudonyms } from '../names/pseudonyms';
import type { Database } from '../store/database';
import { entriesOf, lineShape, linesOf, tracesOfFlows, type Entry, type StoredLine } from '../store/logs';
import type { LogQuestion } from '../store/log-question';

/** So many lines are read; of more, a fair part. */
const MOST_LINES = 100_000;
/** Patterns as usual are a long tail: so many of each list are told. */
const MOST_SHOWN = 40;

/** The log lines of some components brought to patterns, a stretch of time against the time before. */
export async function logPatterns(
  database: Database,
  pseudonyms: Pseudonyms,
  { components, now, before, flows, withTraceOnly, leftOut }: LogQuestion,
): Promise<LogPatternsShape> {
  const { lines: all, kept } = await linesOf(database, components, [before, now], MOST_LINES);
  const lines = await ownLines(database, all, { flows, withTraceOnly });
  const { linesNow, linesBefore, ...lists } = rankPatterns(lines, now, before);
  const shown = Object.values(lists).flatMap((list) => list.slice(0, MOST_SHOWN));
  const traceIds = new Set(
    shown
      .flatMap(({ samples }) => samples.map((i) => (lines[i] as StoredLine).traceId))
      .filter((traceId) => traceId !== ''),
  );
  const entries = await entriesOf(database, [...traceIds]);
  const shapes = (list: readonly LogPattern[]) =>
    list.slice(0, MOST_SHOWN).map((pattern) => patternShape(pattern, { lines, entries, pseudonyms }));
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
    leftOut: [...leftOut],
  };
}

/** Lines of the traces of some flows, and those that belong to no trace where nothing else explains them. */
async function ownLines(
  database: Database,
  lines: readonly StoredLine[],
  { flows, withTraceOnly }: Pick<LogQuestion, 'flows' | 'withTraceOnly'>,
): Promise<StoredLine[]> {
  const traceIds = [...new Set(lines.map(({ traceId }) => traceId).filter(Boolean))];
  const own = flows === null ? undefined : await tracesOfFlows(database, traceIds, flows);
  return lines.filter(({ traceId, component }) =>
    traceId === '' ? !withTraceOnly.includes(component) : (own?.has(traceId) ?? true),
  );
}

const patternShape = (
  { severity, firstMs, evidence: _evidence, ...pattern }: LogPattern,
  {
    lines,
    entries,
    pseudonyms,
  }: { lines: readonly StoredLine[]; entries: ReadonlyMap<string, Entry>; pseudonyms: Pseudonyms },
): LogPatternShape => ({
  ...pattern,
  text: maskText(pattern.text),
  severity: severityWord(severity),
  firstMs: Number.isNaN(firstMs) ? null : firstMs,
  samples: pattern.samples.map((i) => {
    const line = lines[i] as StoredLine;
    const entry = entries.get(line.traceId);
    const masked = (body: string) => maskText(body, entry ? [entry.person] : [], pseudonyms.of);
    return lineShape(line, masked, entry?.spanId ?? null);
  }),
});
