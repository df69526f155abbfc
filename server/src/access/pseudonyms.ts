import { createHmac, randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

/**
 * Names for persons that tell them apart and do not tell who they are: a keyed hash, so that nobody finds an id by
 * trying.
 */
export class Pseudonyms {
  private constructor(private readonly secret: Buffer) {}

  /** The secret of this installation lies in a file of its own; made at the first start. */
  static open(file: string): Pseudonyms {
    if (!existsSync(file)) writeFileSync(file, randomBytes(32), { mode: 0o600, flag: 'wx' });
    return new Pseudonyms(readFileSync(file));
  }

  /** "person 3f9a-20c1" */
  of(id: string): string {
    const hash = createHmac('sha256', this.secret).update(id).digest('hex');
    return `person ${hash.slice(0, 4)}-${hash.slice(4, 8)}`;
  }
}
