import { createHash, randomBytes } from 'node:crypto';

/** 32 random bytes, for addresses and cookies. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret that is random by itself: whoever reads the database cannot use it. Hexadecimal. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
