import { countedUnits, penaltyWords, type PeriodReport, type Tally } from '@toplens/core/promises';
import { formatMoney, percent, percentCut } from '@toplens/core/words';
import type { PromisePageShape } from '../../contract/promises';
import type { SealedPeriod } from '../../store/sealed-periods';

const utc = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  timeZone: 'UTC',
});
const at = (timeMs: number) => utc.format(timeMs);
const share = (value: number) => percentCut(value, 3);

/** What a promise’s period came to: kept or not, what it cost, what was excluded, and what spent it. Times in UTC. */
export function reportOf({ level, nowMs, currency, ...page }: PromisePageShape): PeriodReport {
  const { period, kept, budget, target, penalties } = level;
  const isOver = nowMs >= period.toMs;
  const state = !kept ? `no ${level.unit} counts` : kept.share >= target ? 'kept' : 'broken';
  const due = kept && penalties.filter(({ below }) => kept.share < below).at(-1);
  return {
    title: level.name,
    facts: [
      ...(level.to ? [['Given to', level.to] as const] : []),
      ['Rule', level.rule],
      ['Period', `${at(period.fromMs)} to ${at(period.toMs)} UTC`],
      ['Counted', isOver ? 'to the end of the period' : `up to ${at(nowMs)} UTC: the period is not over`],
      [isOver ? 'Result' : 'So far', kept ? `${state}: ${share(kept.share)} of ${share(target)}` : state],
      ...(kept
        ? [
            [
              '95 % range',
              `${share(kept.low)} to ${share(kept.high)}, of ${countedUnits(level.indicator, level.valid)}`,
            ] as const,
          ]
        : []),
      ['Budget', `${Math.round(budget.spent)} bad ${level.units} of about ${Math.round(budget.allowed)} that may be`],
      ...(level.forecast && !isOver
        ? [['Chance of breaking it', percent(level.forecast.chanceOfBreaking)] as const]
        : []),
      ...(penalties.length > 0 ? [['Penalties agreed', penaltyWords(penalties, currency)] as const] : []),
      ['Penalty', due ? `${formatMoney(due.amount, currency)}${isOver ? '' : ' if it stays so'}` : 'none'],
      ...(level.isRough ? [['Note', 'Hours whose single attempts are gone were counted from sums.'] as const] : []),
    ],
    tables: [
      {
        title: 'Excluded',
        heads: ['from (UTC)', 'to (UTC)', 'why', 'by'],
        rows: page.excluded.map(({ fromMs, toMs, reason, isMaintenance, by }) => [
          at(fromMs),
          at(toMs),
          isMaintenance ? `maintenance: ${reason}` : reason,
          by ?? 'settings file',
        ]),
      },
      {
        title: 'Incidents that spent it',
        heads: ['began (UTC)', 'ended (UTC)', 'worst in', `bad ${level.units}`, 'of all bad ones'],
        rows: [
          ...page.incidents.map(({ onsetMs, endMs, name, bad, share: part }) => [
            at(onsetMs),
            endMs >= nowMs ? 'goes on' : at(endMs),
            name,
            Math.round(bad),
            percent(part),
          ]),
          ['', '', 'no incident explains it', Math.round(page.unexplained.bad), percent(page.unexplained.share)],
        ],
      },
      {
        title: 'Flows',
        heads: ['flow', 'application', level.units, `bad ${level.units}`, 'of all bad ones'],
        rows: page.flows.map(({ name, application, valid, bad, share: part }) => [
          name,
          application,
          valid,
          bad,
          percent(part),
        ]),
      },
      {
        title: 'Sites',
        heads: ['site', level.units, `bad ${level.units}`, 'good ones'],
        rows: page.sites
          .filter(({ site }) => site !== '')
          .map(({ site, valid, bad }) => [site, valid, bad, share((valid - bad) / valid)]),
      },
      {
        title: 'Periods before',
        heads: ['from (UTC)', 'to (UTC)', level.units, 'result'],
        rows: page.periods.map(({ period: before, valid, good, isKept }) => [
          at(before.fromMs),
          at(before.toMs),
          valid,
          isKept === null ? 'no data' : `${isKept ? 'kept' : 'broken'}: ${share(good / valid)}`,
        ]),
      },
    ],
  };
}

/** A period's report as it was written down when it was over; what is counted differently now is told as a correction. */
export function sealedReport(
  { report, sealedMs, valid, good }: SealedPeriod,
  { level }: PromisePageShape,
): PeriodReport {
  const isSame = level.valid === valid && level.good === good;
  const words = (tally: Tally) => `${share(tally.good / tally.valid)} of ${countedUnits(level.indicator, tally.valid)}`;
  return {
    ...report,
    facts: [
      ...report.facts,
      ['Sealed', `${at(sealedMs)} UTC`],
      [
        'Correction',
        isSame
          ? 'none: counted again it is the same'
          : `counted again it is ${level.valid > 0 ? words(level) : `no ${level.unit}`}, sealed as ${words({ valid, good })}`,
      ],
    ],
  };
}
