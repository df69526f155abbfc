import type { Against } from '@toplens/core/time';
import { capital } from '@toplens/core/words';
import type { Row, Schemas } from '@/data/client';
import { count, times } from '@/look/format';

/** "Last Tuesday: 12 people, 40 minutes an hour. Now 2.1× the harm." */
export function comparedWords(compared: Schemas['Compared'], rows: readonly Pick<Row, 'harmPerHour'>[]): string {
  const then = capital(compared.words);
  if (!compared.isKnown) return `${then}: no data reaches back so far.`;
  if (compared.incidents === 0) return `${then}: nobody was hurt.`;
  const now = rows.reduce((sum, row) => sum + row.harmPerHour, 0);
  const people = `${count(compared.people)} ${Math.round(compared.people) === 1 ? 'person' : 'people'}`;
  const ratio = compared.harmPerHour >= 0.5 ? ` Now ${times(now / compared.harmPerHour)} that harm.` : '';
  return `${then}: ${people}, ${count(compared.harmPerHour)} harm points an hour.${ratio}`;
}

/** Why there is nothing to compare with. */
export const nothingToCompare = (against: Exclude<Against, 'nothing'>): string =>
  against === 'release'
    ? 'No component was released in the week before this window ended: there is nothing to compare with.'
    : 'There is nothing to compare with.';
