import { closeSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs';

/** Written beside and renamed: there is always a whole file, or none. For its owner alone. */
export function writeWhole(file: string, bytes: Buffer): void {
  const handle = openSync(`${file}.new`, 'w', 0o600);
  try {
    writeSync(handle, bytes);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(`${file}.new`, file);
}
