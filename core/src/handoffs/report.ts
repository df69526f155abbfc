import type { Signal } from '../normal';
import type { Cell } from '../csv';
import { count, counted, durationWords, formatMoney, lengthWords, percent } from '../words';
import { plainMarkdown } from './plain-markdown';
import type { Verdict } from './proof';
import { PURPOSE_WORDS, type Purpose } from './state';
import { STAGES, type StageTimes } from './times';

/** What a fix did to an incident: before, after, and all that it cost. Times are ISO 8601, UTC. */
export interface FixReport {
  title: string;
  team: string;
  purpose: Purpose;
  onset: string;
  /** the newest reported fix */
  fix: string;
  /** of the figures that were looked at after it */
  watched: { from: string; to: string };
  verdict: Verdict;
  /** share of the harm that goes on; null while nothing tells */
  remaining: { share: number | null; low: number | null; high: number | null };
  parts: {
    flow: string;
    signal: Signal;
    /** shares; for what is missing, of the attempts expected that came */
    before: number | null;
    since: number | null;
    usual: number | null;
    attempts: number;
    isStillThere: boolean;
  }[];
  /** from the onset until it was proven, or until it was looked at last; null where it cannot be told any more */
  total: { harm: number; money: number; currency: string; people: number; from: string; to: string } | null;
  /** where what goes on comes from */
  behind: { component: string; words: string; team: string } | null;
  times: StageTimes;
}

export const VERDICT_WORDS: Record<Verdict, string> = {
  watching: 'It is watched: not enough has come to tell.',
  proven: 'Proven: back to normal.',
  inPart: 'Fixed in part.',
  notProven: 'Not proven: it goes on.',
};

export const STAGE_WORDS: Record<(typeof STAGES)[number], string> = {
  detect: 'Until it was known',
  send: 'Until it was sent',
  accept: 'Until it was accepted',
  fix: 'Until a fix was in',
  prove: 'Until it was proven',
};

const SIGNAL_WORDS: Record<Signal, string> = { slow: 'late', failing: 'failed', missing: 'came, of those expected' };

/** "34 % of the harm goes on (28 % to 41 %)"; what is below nothing is nothing. */
export function remainingWords({ share, low, high }: FixReport['remaining']): string {
  if (share === null || low === null || high === null) return 'Nothing has come yet to tell by';
  const part = (value: number) => percent(Math.max(0, value));
  return `${part(share)} of the harm goes on (${part(low)} to ${part(high)})`;
}

const time = (iso: string) => iso.slice(0, 16).replace('T', ' ');
const share = (value: number | null) => (value === null ? 'not known' : percent(value));

/** The report as Markdown of one page. Times are UTC and say so. */
export function fixReportMarkdown(report: FixReport): string {
  const { total, behind } = report;
  const stages = STAGES.filter((stage) => report.times[stage] !== null);
  return [
    `# Before and after: ${plainMarkdown(report.title)}`,
    `**${VERDICT_WORDS[report.verdict]}** ${remainingWords(report.remaining)}.`,
    `- **Team** ${plainMarkdown(report.team)}, ${PURPOSE_WORDS[report.purpose]}`,
    `- **Since** ${time(report.onset)} UTC; **fix reported** ${time(report.fix)} UTC; **figures** of ${time(report.watched.from)} to ${time(report.watched.to)} UTC`,
    ...(behind
      ? [
          `- **What goes on** comes from ${plainMarkdown(behind.component)}: ${plainMarkdown(behind.words)}${behind.team === '' ? '' : ` (${plainMarkdown(behind.team)})`}`,
        ]
      : []),
    ...(total
      ? [
          `- **In total** ${count(total.harm)} harm points, ${counted(Math.round(total.people), 'person', 'people')} hurt, ${formatMoney(total.money, total.currency)} not earned, from ${time(total.from)} to ${time(total.to)} UTC`,
        ]
      : []),
    '',
    '| flow | what | before | after | usual | attempts after |',
    '|---|---|---:|---:|---:|---:|',
    ...report.parts.map(
      (part) =>
        `| ${plainMarkdown(part.flow)} | ${SIGNAL_WORDS[part.signal]} | ${share(part.before)} | ${share(part.since)}${part.isStillThere ? ' (goes on)' : ''} | ${share(part.usual)} | ${count(part.attempts)} |`,
    ),
    ...(stages.length > 0
      ? [
          '',
          '| stage | took |',
          '|---|---:|',
          ...stages.map((stage) => `| ${STAGE_WORDS[stage]} | ${stageWords(report.times[stage] as number)} |`),
        ]
      : []),
    '',
  ].join('\n');
}

/** "38 s", "12 min", "3.4 h" */
export const stageWords = (ms: number): string => (ms < 120_000 ? durationWords(ms) : lengthWords(ms));

/** The same as rows of a table, with a header. */
export function fixReportRows(report: FixReport): Cell[][] {
  return [
    ['flow', 'signal', 'share before', 'share after', 'usual share', 'attempts after', 'goes on'],
    ...report.parts.map((part): Cell[] => [
      part.flow,
      part.signal,
      part.before,
      part.since,
      part.usual,
      part.attempts,
      part.isStillThere ? 'yes' : 'no',
    ]),
  ];
}
