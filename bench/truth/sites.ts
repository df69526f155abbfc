import { cellsOf, compareWork } from '@toplens/core/sites';
import { company } from '../../scenario/src/random-worlds/company';

/** Seeds on which thresholds were set, and those that are reported. */
export const SITES_TUNING = { first: 1, last: 300 };
export const SITES_REPORTING = { first: 1_001, last: 2_000 };

export interface SitesScore {
  companies: number;
  /** with something wrong */
  troubled: number;
  /** of them, those in which the first that is told is the cause */
  right: number;
  /** of them, those in which nothing is told */
  missed: number;
  /** of the calm ones, those in which something is told */
  falsely: number;
}

/** Is what is told first the cause, in companies whose cause is known? */
export function scoreSites(first: number, last: number): SitesScore {
  const score: SitesScore = { companies: 0, troubled: 0, right: 0, missed: 0, falsely: 0 };
  for (let seed = first; seed <= last; seed++) {
    const { work, cause } = company(seed);
    const [told] = compareWork(cellsOf(work)).off;
    score.companies++;
    if (!cause) {
      if (told) score.falsely++;
      continue;
    }
    score.troubled++;
    if (!told) score.missed++;
    else if (told.layer === cause.layer && told.id === cause.id) score.right++;
    else if (told.layer === 'serverOrLine' && (told.id === cause.id || told.serverId === cause.id)) score.right++;
  }
  return score;
}

/** As it stands in docs/truth.md. */
export function sitesReport(
  { companies, troubled, right, missed, falsely }: SitesScore,
  { first, last }: { first: number; last: number },
): string {
  const percent = (part: number, of: number) => `${((100 * part) / of).toFixed(1)} %`;
  return `## The person, the line, the server or the application

${companies} invented companies (seeds ${first} to ${last}; thresholds were set on ${SITES_TUNING.first} to ${SITES_TUNING.last}): 4 to 12 sites, 2 to 4 servers, 12 to 40 people a site, 10 to 60 attempts each, which one cause of four makes 1.5 to 4 times as long, or none. What counts is what is told first.

| what | result | goal |
| --- | --- | --- |
| the first that is told is the cause, of ${troubled} companies with one | ${percent(right, troubled)} | ≥ 90 % |
| nothing is told although there is a cause (one person's device, of few attempts) | ${percent(missed, troubled)} | |
| something is told in one of ${companies - troubled} companies with none | ${percent(falsely, companies - troubled)} | ≤ 2 % |
`;
}
