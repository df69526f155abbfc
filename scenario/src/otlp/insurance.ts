import { csvText } from '@toplens/core/csv';
import { seededRandom } from '@toplens/core/stats';
import type { WorldAttempt } from '../pellwick/simulate';

/**
 * A parcel insured while it was paid for: told by the ledger's export of past days, and since then by a line of its
 * log.
 */
export interface Sale {
  number: number;
  atMs: number;
  person: string;
  tier: string;
  region: string;
  /** EUR */
  premium: number;
}

/** Of those who pay so many insure, by chance; share and premiums are invented. */
const INSURED = 0.18;
const PREMIUMS = [1.9, 2.9, 4.9, 8.9] as const;

export function saleOf({ flow, failed, number, person, startMs, durationMs }: WorldAttempt): Sale | undefined {
  if (flow !== 'pay' || failed || !person) return undefined;
  const random = seededRandom(number ^ 0x1157);
  if (random() >= INSURED) return undefined;
  const premium = PREMIUMS[Math.floor(random() * PREMIUMS.length)] as number;
  return { number, atMs: startMs + durationMs, person: person.id, tier: person.tier, region: person.region, premium };
}

/** As config/pellwick.json reads it back under `businessEvents`. */
export const saleLine = ({ person, premium }: Sale): string =>
  `parcel insurance booked for ${person}: ${premium.toFixed(2)} EUR`;

export const INSURANCE = 'Insure a parcel';

/** As the ledger exports it (RFC 4180). */
export const salesCsv = (sales: readonly Sale[]): string =>
  csvText([
    ['id', 'time', 'name', 'amount', 'currency', 'application', 'component', 'person', 'tier', 'region'],
    ...sales.map(({ number, atMs, person, tier, region, premium }) => [
      `insurance-${number}`,
      new Date(Math.floor(atMs)).toISOString(),
      INSURANCE,
      premium,
      'EUR',
      'Sender Portal',
      'payments',
      person,
      tier,
      region,
    ]),
  ]);
