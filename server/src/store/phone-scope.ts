import { PHONE_DIMENSIONS, type PhoneDimension } from '@toplens/core/phones';
import type { Window } from '@toplens/core/time';
import { between } from './between';
import type { Database } from './database';

export type PhoneValues = Partial<Record<PhoneDimension, string>>;

/** As attempts call them, and names are kept. */
export const OF_ATTEMPT: Readonly<Record<PhoneDimension, string>> = {
  version: 'version',
  device: 'device',
  carrier: 'carrier',
  country: 'region',
};

/** What is looked at: a window, and of it what has some values alone. */
export interface PhoneScope {
  window: Window;
  /** numbers of the names that each value has */
  only: readonly { dimension: PhoneDimension; ids: readonly number[] }[];
}

export const everythingIn = (window: Window): PhoneScope => ({ window, only: [] });

/** A value that nobody ever sent leaves nothing. */
export async function phoneScope(database: Database, window: Window, values: PhoneValues): Promise<PhoneScope> {
  const only = await Promise.all(
    PHONE_DIMENSIONS.filter((dimension) => values[dimension] !== undefined).map(async (dimension) => ({
      dimension,
      ids: (
        await database.query<{ id: number }>('SELECT id FROM name WHERE kind = $1 AND value = $2', [
          OF_ATTEMPT[dimension],
          values[dimension],
        ])
      ).map(({ id }) => id),
    })),
  );
  return { window, only };
}

const isOneOf = (column: string, ids: readonly number[]) =>
  ids.length === 0 ? 'false' : `${column} IN (${ids.join(', ')})`;

/** The condition that an attempt lies in a scope. */
export const attemptsIn = ({ window, only }: PhoneScope): string =>
  [
    between('started_us', window),
    ...only.map(({ dimension, ids }) => isOneOf(`attempt.${OF_ATTEMPT[dimension]}`, ids)),
  ].join(' AND ');

/** The same of crashes and moments. @param table that the columns are of */
export const toldIn = ({ window, only }: PhoneScope, table: 'phone_crash' | 'phone_moment'): string =>
  [between('at_us', window), ...only.map(({ dimension, ids }) => isOneOf(`${table}.${dimension}`, ids))].join(' AND ');
