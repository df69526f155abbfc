import { createReadStream, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { createBrotliDecompress } from 'node:zlib';
import { pino } from 'pino';
import { extract } from 'tar-stream';
import { readConfig } from '../config';
import { send, testSpan } from '../fixtures/traffic';
import { startServer } from '../server';

const FOLDERS = join(__dirname, '..', 'fixtures', 'folders');

async function unpack(name: string, into: string): Promise<void> {
  const tar = extract();
  const reading = pipeline(createReadStream(join(FOLDERS, `${name}.tar.br`)), createBrotliDecompress(), tar);
  for await (const entry of tar) {
    const target = join(into, entry.header.name);
    if (entry.header.type === 'directory') mkdirSync(target, { recursive: true });
    else {
      mkdirSync(dirname(target), { recursive: true });
      writeFileSync(target, await buffer(entry));
    }
    entry.resume();
  }
  await reading;
}

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-old-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

test('every folder that is kept is opened by one of these tests', () => {
  expect(
    readdirSync(FOLDERS)
      .filter((name) => name.endsWith('.tar.br'))
      .map((name) => name.replace('.tar.br', '')),
  ).toEqual(LAYOUTS.map(([name]) => name));
});

const LAYOUTS: [name: string, attempts: number, changes: number][] = [
  ['0.0-2026-11-25-morning', 40, 0],
  ['0.0-2026-11-25-noon', 40, 0],
  ['0.1-2026-11-26', 300, 1],
];

test.each(LAYOUTS)(
  'a folder of %s is brought up to date, after a backup; what it held is there, and it goes on',
  async (name, attempts, changes) => {
    await unpack(name, dir);
    const settingsFile = join(dir, 'settings.json');
    writeFileSync(settingsFile, JSON.stringify({ rates: {} }));
    const config = {
      ...readConfig({}),
      port: 0,
      dataDir: dir,
      backupDir: join(dir, 'backups'),
      settingsFile,
      appDir: '',
      demo: true,
      diskReserveBytes: 1024 * 1024,
    };
    const log = pino({ level: 'silent' });
    const count = async (server: Awaited<ReturnType<typeof startServer>>) => {
      await server.intake.settled();
      return (await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt'))[0]?.n;
    };
    const server = await startServer(config, log);
    expect(await count(server)).toBe(attempts);
    expect(readdirSync(join(dir, 'backups'))).toEqual([expect.stringMatching(/^before-upgrade-.*\.tar\.gz$/)]);
    const settings = (await (await fetch(`${server.url}/api/settings`)).json()) as { changes: unknown[] };
    expect(settings.changes).toHaveLength(changes);
    expect((await send(server.url, [testSpan(900_000, Date.now() - 60_000, 10)])).status).toBe(200);
    expect(await count(server)).toBe(attempts + 1);
    await server.engine.ask('settle', null);
    expect(await server.database.query('SELECT 1 FROM roll_up_hour')).not.toHaveLength(0);
    await server.close();
    const again = await startServer(config, log);
    expect(await count(again)).toBe(attempts + 1);
    expect(readdirSync(join(dir, 'backups'))).toHaveLength(1);
    await again.close();
  },
);
