import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** Keys for one purpose each, made of the secret of the installation (HKDF, RFC 5869). */
export class InstallationKeys {
  private constructor(private readonly secret: Buffer) {}

  static read(file: string): InstallationKeys {
    return new InstallationKeys(readFileSync(file));
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
