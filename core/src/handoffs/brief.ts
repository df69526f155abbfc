import { weightWords, type BillLineName } from '../incidents';
import { OUTCOME_WORDS, type Outcome } from '../flows';
import { count, counted, durationWords, formatMoney } from '../words';
import { plainMarkdown as plain } from './plain-markdown';

/** All that a team needs to start, in one object; `briefMarkdown` is the same for people. */
export interface Brief {
  incident: number;
  title: string;
  sentence: string;
  level: string;
  /** ISO 8601, UTC */
  since: string;
  until: string | null;
  window: { from: string; to: string };
  application: string;
  flows: { name: string; technicalName: string }[];
  people: { estimate: number; low: number; high: number; key: number };
  bill: {
    name: BillLineName;
    words: string;
    quantity: number;
    unit: string;
    rate: number;
    importance: number;
    harm: number;
    low: number;
    high: number;
  }[];
  harmPoints: number;
  currency: string;
  mostHit: { dimension: string; value: string; words: string }[];
  /** likely origin, with what speaks for it */
  component: { name: string; words: string } | null;
  /** how to see it oneself, from what was counted */
  reproduce: string;
  /** journeys that lose people here, what fixing it brings, and what it hides further down; a line each */
  journeys: string[];
  /** promises whose budget it spends, a line each */
  promises: string[];
  /** where it crashes in people's hands, in which versions, in which code, and after what; a line each */
  crashes: string[];
  /** what else was seen: hosts that were not as usual, what the logs say, a line each */
  around: string[];
  samples: {
    at: string;
    durationMs: number;
    outcome: Outcome;
    failure: string;
    traceId: string;
    person: string;
    component: string;
    link: string;
  }[];
  /** what other teams said who had it before, a line each */
  saidBefore?: string[];
  team: string;
  teamReason: string;
  link: string;
  note: string;
}

const time = (iso: string) => iso.slice(0, 16).replace('T', ' ');

/**
 * The brief as Markdown of one page. Times are UTC and say so.
 *
 * @param forAnybody whoever has a link reads it: without persons, and without ways into what needs a login
 */
export function briefMarkdown(brief: Brief, forAnybody = false): string {
  const lines = brief.bill
    .filter((line) => line.harm >= 0.5)
    .map(
      (line) =>
        `| ${line.words} | ${quantity(line, brief.currency)} × ${weightWords(line)} | ${count(line.harm)} | ${count(line.low)} to ${count(line.high)} |`,
    );
  return [
    `# ${plain(brief.title)}`,
    `${plain(brief.sentence)} Level: **${brief.level}**.`,
    `- **Since** ${time(brief.since)} UTC${brief.until ? `, until ${time(brief.until)} UTC` : ', still going on'}`,
    `- **Where** ${plain(brief.application)}: ${brief.flows.map((flow) => `${plain(flow.name)} (\`${flow.technicalName.replaceAll('`', "'")}\`)`).join(', ')}`,
    `- **People hurt** ${count(brief.people.estimate)} (${count(brief.people.low)} to ${count(brief.people.high)})${brief.people.key > 0 ? `, ${count(brief.people.key)} of them key customers` : ''}`,
    ...(brief.component ? [`- **Likely origin** ${plain(brief.component.name)}: ${plain(brief.component.words)}`] : []),
    ...brief.crashes.map((words) => `- **Crash** ${plain(words)}`),
    ...(brief.around.length > 0 ? [`- **Seen beside it** ${brief.around.map(plain).join('; ')}`] : []),
    `- **Who is hit most** ${brief.mostHit.length > 0 ? brief.mostHit.map((hit) => plain(hit.words)).join('; ') : 'nobody stands out'}`,
    `- **To reproduce** ${plain(brief.reproduce)}`,
    ...brief.journeys.map((words) => `- **Journey** ${plain(words)}`),
    ...brief.promises.map((words) => `- **Promise** ${plain(words)}`),
    ...(brief.saidBefore ?? []).map((words) => `- **Before** ${plain(words)}`),
    `- **Why you** ${plain(brief.team)} ${plain(brief.teamReason)}`,
    ...(brief.note ? ['', '## Note', ...brief.note.split('\n').map((row) => `> ${plain(row)}`)] : []),
    '',
    `## The harm bill, ${time(brief.window.from)} to ${time(brief.window.to)} UTC`,
    '| what | quantity × rate | harm points | 95 % range |',
    '|---|---|---:|---|',
    ...lines,
    `| **Harm** | | **${count(brief.harmPoints)}** | |`,
    '',
    '## Attempts worth opening',
    ...(brief.samples.length > 0
      ? brief.samples.map((sample) => sampleLine(sample, forAnybody))
      : ['None came in this window.']),
    '',
    ...(forAnybody ? [] : [`[Open at this moment](${brief.link})`, '']),
  ].join('\n');
}

/** Units whose plural takes no s. */
const MANY: Readonly<Record<string, string>> = { person: 'people', min: 'min' };

function quantity(line: Brief['bill'][number], currency: string): string {
  if (line.unit === 'currency') return formatMoney(line.quantity, currency);
  return counted(line.quantity, line.unit, MANY[line.unit]);
}

function sampleLine(sample: Brief['samples'][number], forAnybody: boolean): string {
  const failure = sample.failure ? ` with ${plain(sample.failure)}` : '';
  const component = sample.component ? `, ${plain(sample.component)}` : '';
  const what = `- ${sample.at.slice(11, 19)} UTC, ${durationWords(sample.durationMs)}, ${OUTCOME_WORDS[sample.outcome]}${failure}${component}`;
  if (forAnybody) return `${what}, trace \`${sample.traceId}\``;
  return `${what}, [all its spans](${sample.link}), trace \`${sample.traceId}\`, ${sample.person || 'person not known'}`;
}
