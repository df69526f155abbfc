/**
 * A fair part of many rows, the same each time, and without sorting them all: told by their ids. These are hashed first,
 * because no bit of an id need be drawn by chance: some senders set the lowest one, so that an id is never 0.
 */
const hashed = (id: string): string => `(hashint8(${id}) & ${MASK})`;
const MASK = 2 ** 20 - 1;

/** The condition that leaves one of `every` rows. @param id column with ids, 64 bits */
export const isOneOf = (every: number, id: string): string => (every > 1 ? `${hashed(id)} % ${every} = 0` : 'true');

/** The condition that leaves about `most` of `all` rows. */
export const isAmong = (most: number, all: number, id: string): string =>
  all > most ? `${hashed(id)} < ${Math.ceil((MASK * most) / all)}` : 'true';

/** The same for parts of different size in one question. @param mask column or value of `maskOf` */
export const isUnmasked = (id: string, mask: string): string => `${hashed(id)} & ${mask} = 0`;

/** The bits of a hashed id that must be 0, so that of `n` rows about `most` are left. */
export const maskOf = (n: number, most: number): number => 2 ** Math.max(0, Math.ceil(Math.log2(n / most))) - 1;
