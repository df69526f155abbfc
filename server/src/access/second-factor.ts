import { randomInt } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { hashOf } from '../store/secrets';

/** RFC 6238 with what every authenticator takes: SHA-1, six digits, steps of 30 s. */
const FORM = { algorithm: 'SHA1', digits: 6, period: 30 } as const;
const SECRET_BYTES = 20;
/** Steps before and after that are taken as well: clocks differ (RFC 6238, 5.2 asks for one at most). */
const DRIFT = 1;

export interface NewSecondFactor {
  /** base32, to be typed */
  secret: string;
  /** to be shown as a code that a phone reads */
  address: string;
}

export function newSecondFactor(name: string): NewSecondFactor {
  const secret = new Secret({ size: SECRET_BYTES });
  return { secret: secret.base32, address: new TOTP({ ...FORM, issuer: 'Top Lens', label: name, secret }).toString() };
}

/**
 * The step of a one-time password; undefined where it is none of now, or not newer than the one that was taken last: a
 * code that somebody looked at over a shoulder opens nothing.
 */
export function stepOf(code: string, secret: string, { nowMs, lastStep }: { nowMs: number; lastStep: number }) {
  const token = code.replaceAll(/\s/g, '');
  const totp = new TOTP({ ...FORM, secret: Secret.fromBase32(secret) });
  const delta = /^\d{6}$/.test(token) ? totp.validate({ token, timestamp: nowMs, window: DRIFT }) : null;
  if (delta === null) return undefined;
  const step = Math.floor(nowMs / 1000 / FORM.period) + delta;
  return step > lastStep ? step : undefined;
}

const RECOVERY_CODES = 10;
/** Without letters and digits that look alike. */
const ALPHABET = 'abcdefghjkmnpqrstuvwxyz23456789';
const GROUPS = 4;
const GROUP_LENGTH = 4;

const group = () => Array.from({ length: GROUP_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');

/** For who has lost the phone: each opens once. 79 bits each. */
export const newRecoveryCodes = (): string[] =>
  Array.from({ length: RECOVERY_CODES }, () => Array.from({ length: GROUPS }, group).join('-'));

/** What is kept of one, however it was typed. */
export const recoveryHash = (code: string): string => hashOf(code.toLowerCase().replaceAll(/[^a-z0-9]/g, ''));
