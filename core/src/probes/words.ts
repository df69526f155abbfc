import { counted, durationWords } from '../words';
import type { Agreement } from './against-people';
import type { RunJudgement } from './judge';
import type { ProbeStanding } from './standing';

export const STANDING_WORDS: Readonly<Record<ProbeStanding, string>> = {
  broken: 'broken',
  slow: 'slow',
  probeTrouble: 'the probe itself is in trouble',
  silent: 'silent',
  good: 'well',
  unknown: 'no run yet',
};

/** "well", "slow: Sign in took longer than 2 s", "broken at Sign in: status 503" */
export function judgementWords({ verdict, step, limitMs }: RunJudgement, message: string): string {
  const over = limitMs === undefined ? '' : `longer than ${durationWords(limitMs)}`;
  switch (verdict) {
    case 'good':
      return 'well';
    case 'slow':
      return `slow: ${step} took ${over}`;
    case 'broken':
      return [step === '' ? 'broken' : `broken at ${step}`, over || message].filter(Boolean).join(': ');
    case 'probeTrouble':
      return `trouble of the probe: ${message}`;
  }
}

/** What it means that probes and people agree or do not; '' where it means nothing. */
export const agreementWords = (agreement: Agreement, whose: string): string =>
  ({
    bothWell: `People ${whose} fare as before, too.`,
    bothOff: `People ${whose} are off as well.`,
    probesAlone: `People ${whose} fare as before: the probe alone sees it.`,
    peopleAlone: `The probe is well, but people ${whose} are off: it does not see what they do.`,
    tooFewPeople: `Too few people ${whose} came to be compared.`,
    noProbe: '',
  })[agreement];

/** "2 of 9 probes are off: …" as a sentence of the whole place. */
export function probesSentence(standings: readonly { probe: string; site: string; standing: ProbeStanding }[]): string {
  if (standings.length === 0) return 'No probe has run yet.';
  const of = (wanted: ProbeStanding) => standings.filter(({ standing }) => standing === wanted);
  const parts = (
    [
      ['broken', 'broken'],
      ['slow', 'slow'],
      ['probeTrouble', 'in trouble themselves'],
      ['silent', 'silent'],
      ['unknown', 'not run yet'],
    ] as const
  ).flatMap(([standing, words]) => {
    const own = of(standing);
    if (own.length === 0) return [];
    const [first] = own;
    const named = own.length === 1 && first ? `, ${first.probe} from ${first.site}` : '';
    return [`${own.length} ${standing === 'probeTrouble' && own.length === 1 ? 'in trouble itself' : words}${named}`];
  });
  const all = counted(standings.length, 'probe at its site', 'probes at their sites');
  return parts.length === 0 ? `All is well: ${all}.` : `Of ${all}: ${parts.join('; ')}.`;
}
