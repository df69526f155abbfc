import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, removeFolder, startServerProcess, stop, temporaryFolder } from './processes';
import { storedAt } from './torture/counted';
import { postJson, requestOf } from './torture/sender';

/** As `npm run backup`, `restore` and `check` do it. */
function maintain(
  what: 'backup' | 'restore' | 'check',
  dataDir: string,
  ...args: string[]
): { status: number | null; said: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, [`dist/node/${what}-main.mjs`, ...args], {
    cwd: ROOT,
    env: { ...process.env, NODE_OPTIONS: '', TOPLENS_DATA: dataDir },
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
}

test('a running server is backed up, its folder is lost, the backup restored, the folder checked', async () => {
  const [dataDir, otherDir, safe] = [temporaryFolder(), temporaryFolder(), temporaryFolder()];
  const file = join(safe, 'toplens.tar.gz');
  try {
    const server = await startServerProcess(dataDir);
    expect((await postJson(`${server.url}/v1/traces`, requestOf(300))).status).toBe(200);
    expect(maintain('check', dataDir)).toEqual({
      status: 1,
      said: expect.stringContaining('is in use by process') as string,
    });
    // What is only in the journal yet is not in a backup of the database.
    await new Promise((resolve) => setTimeout(resolve, 2_000));
    expect(maintain('backup', dataDir, file)).toEqual({
      status: 0,
      said: expect.stringContaining(`written: ${file}`) as string,
    });
    await stop(server.process, 'SIGTERM');
    expect(maintain('check', dataDir)).toMatchObject({
      status: 0,
      said: expect.stringMatching(/good +database: \d+ tables read whole/) as string,
    });
    expect(maintain('backup', dataDir, join(safe, 'cold.tar.gz')).status).toBe(0);
    rmSync(join(dataDir, 'database'), { recursive: true });
    expect(maintain('check', dataDir)).toMatchObject({
      status: 1,
      said: expect.stringMatching(/WRONG +database: it is gone/) as string,
    });
    // Somewhere else, without its journal: what the backup has.
    for (const backup of [file, join(safe, 'cold.tar.gz')]) {
      rmSync(otherDir, { recursive: true, force: true });
      expect(maintain('restore', otherDir, backup)).toMatchObject({
        status: 0,
        said: expect.stringContaining('restored to') as string,
      });
      const again = await startServerProcess(otherDir);
      expect(await storedAt(again.url)).toBe(300);
      await stop(again.process, 'SIGTERM');
    }
    expect(maintain('restore', otherDir, join(safe, 'nothing.tar.gz'))).toEqual({
      status: 1,
      said: expect.stringContaining('nothing was changed') as string,
    });
  } finally {
    for (const dir of [dataDir, otherDir, safe]) removeFolder(dir);
  }
}, 180_000);
