import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { writeWhole } from '../store/write-whole';

const SECRET_BYTES = 32;
const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** Keys for one purpose each, made of the secret of the installation (HKDF, RFC 5869). */
export class InstallationKeys {
  private constructor(readonly secret: Buffer) {}

  /**
   * The secret lies in a file of its own, made at the first start. A file that is too short is none: an earlier version
   * left it so when the disk was full, and what is keyed by nothing hides nothing.
   */
  static open(file: string): InstallationKeys {
    const kept = existsSync(file) ? readFileSync(file) : Buffer.alloc(0);
    if (kept.length === SECRET_BYTES) return new InstallationKeys(kept);
    const secret = randomBytes(SECRET_BYTES);
    writeWhole(file, secret);
    return new InstallationKeys(secret);
  }

  /** 32 bytes that nobody can tell from the key of another purpose. */
  of(purpose: string): Buffer {
    return Buffer.from(hkdfSync('sha256', this.secret, '', `toplens ${purpose}`, 32));
  }

  /** Text that only this installation can read again (AES-256-GCM): for what must be kept but not lie open. */
  seal(purpose: string, text: string): string {
    const nonce = randomBytes(NONCE_BYTES);
    const cipher = createCipheriv('aes-256-gcm', this.of(purpose), nonce);
    const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
    return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64');
  }

  /** @throws Error when it was sealed elsewhere, for another purpose, or was changed */
  open(purpose: string, sealed: string): string {
    const bytes = Buffer.from(sealed, 'base64');
    const decipher = createDecipheriv('aes-256-gcm', this.of(purpose), bytes.subarray(0, NONCE_BYTES));
    decipher.setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
    return decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES), undefined, 'utf8') + decipher.final('utf8');
  }
}
