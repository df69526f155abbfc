import { createHash } from 'node:crypto';

/** The first 64 bits of SHA-1 as 16 hexadecimal digits: an id for what has none, the same for the same text. */
export const shortHash = (of: string): string => createHash('sha1').update(of).digest('hex').slice(0, 16);
