import { may } from '@toplens/core/access';
import type { Request, Response } from 'express';
import { Problem } from '../errors';
import { hashOf } from '../store/secrets';
import { principalOf } from './principal';

/** Who may see persons by name: hashes of their keys, and what the look is recorded under. */
export type PersonKeys = ReadonlyMap<string, string>;

/**
 * Who asks: whoever is signed in and may, or by the key that they send.
 *
 * @throws Problem 'noKey' when neither is so
 */
export function whoMaySeePersons(request: Request, response: Response, keys: PersonKeys): string {
  const principal = principalOf(response);
  if (principal && may(principal.grants, 'persons', {}, Date.now())) return principal.name;
  const header = request.headers.authorization;
  const who = header?.startsWith('Bearer ') ? keys.get(hashOf(header.slice(7))) : undefined;
  if (who === undefined)
    throw new Problem(
      'noKey',
      keys.size === 0
        ? 'nobody may see persons by name here: TOPLENS_PERSON_KEYS lists who may'
        : 'this needs the right to see persons: send your key as "authorization: Bearer …"; TOPLENS_PERSON_KEYS lists the keys',
      { field: 'authorization' },
    );
  return who;
}
