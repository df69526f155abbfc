import { createHmac } from 'node:crypto';

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
const STEP_MS = 30_000;

/** What a phone shows for a secret (base32) at a moment: RFC 6238 over RFC 4226, 5.3, written out. */
export function oneTimePassword(secret: string, atMs: number): string {
  const bits = [...secret].map((letter) => ALPHABET.indexOf(letter).toString(2).padStart(5, '0')).join('');
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(atMs / STEP_MS)));
  const mac = createHmac('sha1', key).update(counter).digest();
  const at = (mac.at(-1) ?? 0) & 15;
  return String((mac.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}
