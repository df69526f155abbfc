import { csvText } from '@toplens/core/csv';
import { clock, dayWords, lengthWords } from '@/look/format';
import { BY_WORDS, changeLine, changeSentence, type SiteChange } from './sites-words';

const STRATA_WORDS: Readonly<Record<SiteChange['strata'], string>> = {
  hourOfWeek: 'each hour of the week with the same hour of the other time',
  hourOfDay: 'each hour of the day with the same hour of the other time',
  none: 'all with all, since both times are shorter than a day: another time of the day may play a part',
};

const moment = (timeMs: number): string => `${dayWords(timeMs)} ${clock(timeMs, timeMs)}`;

/** What was compared with what, in a sentence. */
export function comparedWords({ before, after, atMs, untilMs, strata }: SiteChange): string {
  const during =
    untilMs > atMs ? ` It took from ${moment(atMs)} to ${moment(untilMs)}: that is drawn, and not compared.` : '';
  return `${lengthWords(before.toMs - before.fromMs)} before ${moment(atMs)} and ${lengthWords(after.toMs - after.fromMs)} after ${moment(untilMs)} are compared, ${STRATA_WORDS[strata]}.${during}`;
}

/** The proof for whoever pays, as Markdown: verdict, what was compared, each against itself. */
export function changeReport(change: SiteChange): string {
  const [one] = BY_WORDS[change.by];
  return [
    `# Before and after ${moment(change.atMs)}`,
    '',
    changeSentence(change),
    '',
    comparedWords(change),
    '',
    `| ${one} | against itself |`,
    '| --- | --- |',
    ...change.groups.map((group) => `| ${group.group.replaceAll('|', '\\|')} | ${changeLine(group)} |`),
    '',
    'How long things take is told by the middle of all differences between an attempt after and one before (Hodges and Lehmann), shares that fail by Newcombe’s interval, and the changed ones against the others by Welch’s interval over them.',
    '',
  ].join('\n');
}

/** Each against itself, with units in the head (RFC 4180). */
export const changeCsv = ({ groups, by }: SiteChange): string =>
  csvText([
    [
      BY_WORDS[by][0],
      'had the change',
      'attempts before',
      'attempts after',
      'times as long as before',
      'more that fail, share',
      'low',
      'high',
    ],
    ...groups.map(({ group, isChanged, before, after, factor, failed }) => [
      group,
      isChanged ? 'yes' : 'no',
      before,
      after,
      factor,
      failed?.estimate ?? null,
      failed?.low ?? null,
      failed?.high ?? null,
    ]),
  ]);
