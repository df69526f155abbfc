import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { SHORTEST_PASSWORD } from '@toplens/core/access';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** OWASP ASVS 4.0, 2.1.2. There are no other rules of form. */
const LONGEST_PASSWORD = 128;

/** OWASP Password Storage Cheat Sheet: scrypt with N = 2^15, r = 8, p = 3 takes 32 MiB. */
const COST = { N: 2 ** 15, r: 8, p: 3 };
const SALT_BYTES = 16;
const KEY_BYTES = 32;

/** The same characters on every keyboard (NIST SP 800-63B: normalised before hashing). */
const normal = (password: string): string => password.normalize('NFKC');

let turn: Promise<unknown> = Promise.resolve();
/** One at a time: many sign-ins together must not take memory and processors from telemetry. */
function derive(password: string, salt: Buffer, { N, r, p }: typeof COST): Promise<Buffer> {
  const derived = turn.then(
    () =>
      new Promise<Buffer>((resolve, reject) => {
        scrypt(normal(password), salt, KEY_BYTES, { N, r, p, maxmem: 256 * N * r }, (error, key) =>
          error ? reject(error) : resolve(key),
        );
      }),
  );
  turn = derived.catch(() => undefined);
  return derived;
}

/** "scrypt$32768$8$3$salt$key": what is kept of a password (RFC 7914). */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(password, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$');
}

/** Takes as long where nothing is kept as where something is: nobody learns whether an account exists. */
export async function isPassword(password: string, kept: string): Promise<boolean> {
  const [, N, r, p, salt = '', key = ''] = kept.split('$');
  const cost = kept === '' ? COST : { N: Number(N), r: Number(r), p: Number(p) };
  const derived = await derive(password, Buffer.from(salt, 'base64'), cost);
  const wanted = kept === '' ? randomBytes(KEY_BYTES) : Buffer.from(key, 'base64');
  return timingSafeEqual(derived, wanted) && kept !== '';
}

/** Guesses that whoever tries passwords over the network never comes to: 10^8 (zxcvbn's score 3). */
const SAFE_SCORE = 3;
const estimate = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs, maxLength: LONGEST_PASSWORD });

/** Why it cannot be somebody's password, in a sentence; undefined where it can. */
export function whyWeak(password: string, ofPerson: readonly string[]): string | undefined {
  const length = [...normal(password)].length;
  if (length < SHORTEST_PASSWORD) return `A password is at least ${SHORTEST_PASSWORD} characters long.`;
  if (length > LONGEST_PASSWORD) return `A password is at most ${LONGEST_PASSWORD} characters long.`;
  const words = ofPerson.flatMap((text) => {
    const parts = text.split(/[^\p{L}\p{N}]+/u).filter((word) => word.length > 2);
    return [text, parts.join(''), ...parts];
  });
  const { score } = estimate.check(normal(password), [...words, 'toplens', 'top lens']);
  return score < SAFE_SCORE
    ? 'This password would soon be guessed: it is among those that are tried first, repeats itself, or is made of your name. Four words that have nothing to do with each other do well.'
    : undefined;
}
