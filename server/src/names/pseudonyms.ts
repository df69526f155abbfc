import { createHmac } from 'node:crypto';

/**
 * Names for persons that tell them apart and do not tell who they are: a keyed hash, so that nobody finds an id by
 * trying.
 */
export class Pseudonyms {
  constructor(private readonly secret: Uint8Array) {}

  /** "person 3f9a-20c1"; '' for nobody */
  readonly of = (id: string): string => {
    if (id === '') return '';
    const hash = createHmac('sha256', this.secret).update(id).digest('hex');
    return `person ${hash.slice(0, 4)}-${hash.slice(4, 8)}`;
  };
}
