import { createHash, randomBytes } from 'node:crypto';

/** 32 random bytes, for addresses and cookies. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret that is random by itself: whoever reads the database cannot use it. Hexadecimal. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/**
 * What secrets open, by their hashes: how long a comparison takes tells of a hash, which leads nowhere, and not of the
 * secret.
 */
export const byHash = <Meaning>(given: ReadonlyMap<string, Meaning>): Map<string, Meaning> =>
  new Map([...given].map(([secret, meaning]) => [hashOf(secret), meaning]));
