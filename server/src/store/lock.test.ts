import { mkdtempSync, rmSync, writeFileSync, existsSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataFolderInUse, lockDataFolder } from './lock';

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-lock-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

test('one process at a time; given back, it can be taken again', () => {
  const unlock = lockDataFolder(dir);
  expect(() => lockDataFolder(dir)).toThrow(DataFolderInUse);
  unlock();
  lockDataFolder(dir)();
  expect(existsSync(join(dir, 'lock'))).toBe(false);
});

test('the lock of a dead process, or of another one with its number, is taken over', () => {
  const { pid } = spawnSync('true');
  writeFileSync(join(dir, 'lock'), `${pid} 1`);
  lockDataFolder(dir)();
  writeFileSync(join(dir, 'lock'), `${process.pid} 1`);
  lockDataFolder(dir)();
});
