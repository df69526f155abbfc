import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataFolderInUse, lockDataFolder, OwnershipLost } from './lock';

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-lock-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** As where the helper is missing, or the lock does not reach another host. */
const noLock = () => undefined;

test('one process at a time; given back, it can be taken again, under a higher number', () => {
  const first = lockDataFolder(dir);
  expect(() => lockDataFolder(dir)).toThrow(DataFolderInUse);
  first.release();
  const second = lockDataFolder(dir);
  expect(second.epoch).toBe(first.epoch + 1);
  second.release();
});

test('the lock goes with its process, however that ends', async () => {
  const holder = spawn('flock', [join(dir, 'lock'), 'sleep', '60'], { stdio: 'ignore', detached: true });
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(() => lockDataFolder(dir)).toThrow(DataFolderInUse);
  process.kill(-(holder.pid as number), 'SIGKILL');
  await once(holder, 'exit');
  lockDataFolder(dir).release();
});

test('it holds against a process that knows nothing of our process numbers, as in another container', () => {
  const own = lockDataFolder(dir);
  const script = `flock --nonblock ${join(dir, 'lock')} true && echo got it || echo refused`;
  const inOtherNamespace = spawnSync('unshare', ['--pid', '--fork', 'sh', '-c', script], { encoding: 'utf8' });
  const { stdout } =
    inOtherNamespace.status === 0 ? inOtherNamespace : spawnSync('sh', ['-c', script], { encoding: 'utf8' });
  expect(stdout.trim()).toBe('refused');
  own.release();
});

test('a server of a version that locked nothing is seen; a dead one is not in the way', () => {
  const { pid } = spawnSync('true');
  writeFileSync(join(dir, 'lock'), `${pid} 1`);
  lockDataFolder(dir).release();
  rmSync(join(dir, 'owner.json'));
  const started = readFileSync(`/proc/${process.ppid}/stat`, 'utf8')
    .replace(/^.*\) /s, '')
    .split(' ')[19];
  writeFileSync(join(dir, 'lock'), `${process.ppid} ${started}`);
  expect(() => lockDataFolder(dir)).toThrow(`process ${process.ppid}`);
});

test('where no lock reaches, an owner that shows signs of life keeps the folder, and one that does not loses it', () => {
  const alive = lockDataFolder(dir, { lock: noLock });
  const beat = spawn('sh', ['-c', `while :; do touch ${join(dir, 'lock')}; sleep 0.5; done`], { stdio: 'ignore' });
  expect(() => lockDataFolder(dir, { lock: noLock })).toThrow(DataFolderInUse);
  beat.kill();
  // This test holds the thread, so the first owner cannot beat: it is taken for dead, as one on a host that lost its
  // network.
  utimesSync(join(dir, 'lock'), 0, 0);
  const successor = lockDataFolder(dir, { lock: noLock });
  expect(() => alive.check()).toThrow(OwnershipLost);
  expect(() => successor.check()).not.toThrow();
  alive.release();
  expect(() => successor.check()).not.toThrow();
  successor.release();
});
