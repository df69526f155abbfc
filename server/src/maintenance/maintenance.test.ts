import {
  cpSync,
  existsSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
  writeSync,
  closeSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { readConfig, type Config } from '../config';
import { send, testSpan } from '../fixtures/traffic';
import { startServer, type RunningServer } from '../server';
import { backupName, BackupUnusable, listBackups, unpackBackup, writeBackup } from '../store/backup';
import { checkFolder } from './check-folder';

const log = pino({ level: 'silent' });
let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-maintenance-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const dataDir = () => join(dir, 'data');
const configOf = (change: Partial<Config> = {}): Config => {
  const settingsFile = join(dir, 'settings.json');
  writeFileSync(settingsFile, JSON.stringify({ rates: {} }));
  return {
    ...readConfig({}),
    port: 0,
    dataDir: dataDir(),
    backupDir: join(dir, 'backups'),
    settingsFile,
    appDir: '',
    demo: true,
    diskReserveBytes: 1024 * 1024,
    ...change,
  };
};
const start = (change: Partial<Config> = {}) => startServer(configOf(change), log);

let next = 1;
async function sendSome(server: RunningServer, n = 200): Promise<void> {
  const answer = await send(
    server.url,
    Array.from({ length: n }, () => testSpan(next++, Date.now() - 60_000, 10)),
  );
  expect(answer.status).toBe(200);
}
async function stored(server: RunningServer): Promise<number> {
  await server.intake.settled();
  const [row] = await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
  return row?.n ?? 0;
}
const check = () =>
  checkFolder({
    dataDir: dataDir(),
    backupDir: join(dir, 'backups'),
    templateDir: '.cache/toplens',
    withBackups: true,
  });
const flip = (file: string, at: number) => {
  const handle = openSync(file, 'r+');
  writeSync(handle, Buffer.from([(readFileSync(file)[at] as number) ^ 0x5a]), 0, 1, at);
  closeSync(handle);
};

test('a backup made while telemetry comes is whole, and the journal brings it up to date', async () => {
  const server = await start();
  await sendSome(server);
  await server.intake.settled();
  const coming = (async () => {
    for (let i = 0; i < 20; i++) await sendSome(server, 50);
  })();
  const progress: number[] = [];
  const file = join(dir, 'backups', backupName(Date.now()));
  const source = {
    database: server.database,
    dataDir: dataDir(),
    withoutCheckpoints: <R>(work: () => Promise<R>) => server.intake.withoutCheckpoints(work),
  };
  await writeBackup(source, file, (done, all) => progress.push(done / all));
  await coming;
  await sendSome(server);
  expect(await stored(server)).toBe(1_400);
  await server.close();
  expect(progress.at(-1)).toBe(1);
  expect(await check()).toEqual(
    expect.arrayContaining([expect.objectContaining({ part: 'backups', isGood: true })]) as unknown,
  );
  // The database is lost: the next start makes it anew from the backup and the journal.
  rmSync(join(dataDir(), 'database'), { recursive: true });
  const again = await start();
  expect(await stored(again)).toBe(1_400);
  expect(again.health.report.database).toMatchObject({
    state: 'degraded',
    words: expect.stringMatching(/The database is gone.*made anew from .*backups.*and the journal/) as string,
  });
  await again.close();
});

test('a backup that was cut off, or of which a byte is another, is not used; an older one that is whole is', async () => {
  const server = await start();
  await sendSome(server);
  await server.intake.settled();
  await server.backups.makeOne();
  await server.close();
  const [made] = listBackups(join(dir, 'backups'));
  const file = made?.file as string;
  const damaged = join(dir, 'backups', backupName(Date.now() + 60_000));
  cpSync(file, damaged);
  truncateSync(damaged, Math.floor(statSync(damaged).size / 2));
  await expect(unpackBackup(damaged, join(dir, 'x'))).rejects.toThrow(BackupUnusable);
  cpSync(file, damaged);
  flip(damaged, Math.floor(statSync(damaged).size / 2));
  await expect(unpackBackup(damaged, join(dir, 'y'))).rejects.toThrow(BackupUnusable);
  rmSync(join(dataDir(), 'database'), { recursive: true });
  const again = await start();
  expect(await stored(again)).toBe(200);
  expect(again.health.report.database.words).toContain(file);
  await again.close();
});

test('a damaged page of a table is told by whoever meets it, by health, and by its answer; everything else goes on', async () => {
  const server = await start();
  await sendSome(server, 1_000);
  await server.intake.settled();
  const [found] = await server.database.query<{ path: string }>("SELECT pg_relation_filepath('attempt') AS path");
  await server.close();
  flip(join(dataDir(), 'database', found?.path as string), 8_192 + 4_000);
  const again = await start();
  // What judges needs that page, and cannot begin; it says so.
  const answer = await fetch(`${again.url}/api/flow-counts`);
  expect(['urn:toplens:problem:damaged', 'urn:toplens:problem:recovering']).toContain(
    ((await answer.json()) as { type: string }).type,
  );
  expect(again.health.report.database).toMatchObject({
    state: 'degraded',
    words: expect.stringMatching(/invalid page in block 1.*npm run restore/) as string,
  });
  await sendSome(again);
  expect((await fetch(`${again.url}/api/settings`)).status).toBe(200);
  await again.close();
}, 60_000);

test('without a backup the journal alone makes the database anew, as long as it is complete', async () => {
  const server = await start();
  await sendSome(server);
  expect(await stored(server)).toBe(200);
  await server.close();
  rmSync(join(dataDir(), 'database'), { recursive: true });
  const again = await start();
  expect(await stored(again)).toBe(200);
  await again.close();
  // Its first segment is gone: nobody may start with less than there was and say nothing.
  rmSync(join(dataDir(), 'database'), { recursive: true });
  const [first] = readdirSync(join(dataDir(), 'journal'))
    .filter((name) => name.endsWith('.journal'))
    .sort();
  rmSync(join(dataDir(), 'journal', first as string));
  await sendNothing();
  await expect(start()).rejects.toThrow(/no backup .* TOPLENS_ACCEPT_LOSS=1/);
  const anyway = await start({ acceptLoss: true });
  expect(await stored(anyway)).toBe(0);
  await anyway.close();
});

/** A journal with a later segment alone. */
async function sendNothing(): Promise<void> {
  const { Journal } = await import('../intake/journal');
  const journal = Journal.open(join(dataDir(), 'journal'), { above: 5 });
  await journal.append([{ signal: 'logs', encoding: 'json', body: Buffer.from('{}'), receivedMs: Date.now() }]);
  await journal.close();
}

test.each(['global/pg_control', 'pg_wal'])(
  'a database whose %s is damaged is set aside and made anew; nothing is lost',
  async (what) => {
    const server = await start();
    await sendSome(server);
    expect(await stored(server)).toBe(200);
    await server.close();
    const path = join(dataDir(), 'database', what);
    const files =
      what === 'pg_wal'
        ? readdirSync(path)
            .filter((name) => /^[0-9A-F]{24}$/.test(name))
            .map((name) => join(path, name))
        : [path];
    for (const file of files) {
      const bytes = readFileSync(file);
      bytes.fill(0x5a, 0, Math.min(bytes.length, 8192));
      writeFileSync(file, bytes);
    }
    expect((await check()).find(({ part, isGood }) => part === 'database' && !isGood)?.words).toMatch(
      /makes it anew from the journal/,
    );
    const again = await start();
    expect(await stored(again)).toBe(200);
    expect(again.health.report.database.words).toContain('set aside');
    expect(readdirSync(dataDir()).some((name) => name.startsWith('database.damaged-'))).toBe(true);
    await sendSome(again);
    expect(await stored(again)).toBe(400);
    await again.close();
  },
);

test('a folder that a newer version used is refused, and nothing of it is made anew', async () => {
  const server = await start();
  await sendSome(server);
  await server.intake.settled();
  await server.database.query("INSERT INTO migration (file, checksum) VALUES ('999_later.sql', 'x')");
  await server.close();
  await expect(start()).rejects.toThrow(/newer version \(it has 999_later\.sql\)/);
  expect(readdirSync(dataDir()).filter((name) => name.startsWith('database'))).toEqual(['database']);
});

test('a damaged journal costs what is damaged; it is told by the check, by health and on the screen', async () => {
  const server = await start();
  for (let i = 0; i < 4; i++) await sendSome(server, 100);
  await server.intake.settled();
  const journalFile = () =>
    join(
      dataDir(),
      'journal',
      readdirSync(join(dataDir(), 'journal'))
        .filter((name) => name.endsWith('.journal'))
        .sort()
        .at(-1) as string,
    );
  const file = journalFile();
  await server.close();
  // As if the process had died before any of it came to the database.
  rmSync(join(dataDir(), 'database'), { recursive: true });
  const size = statSync(file).size;
  flip(file, Math.floor(size * 0.4));
  const findings = await check();
  expect(findings.findLast(({ part, isGood }) => part === 'journal' && !isGood)?.words).toMatch(
    /^segment 1: bytes \d+ to \d+ cannot be read/,
  );
  const again = await start();
  expect(await stored(again)).toBe(300);
  expect(again.health.report.journal).toMatchObject({
    state: 'degraded',
    words: expect.stringMatching(/\d+ bytes of the journal could not be read/) as string,
  });
  await again.close();
});

test('a backup is made each night, the oldest go, and the journal keeps what the newest needs', async () => {
  const server = await start({ backupsKept: 2 });
  for (let i = 0; i < 3; i++) {
    await sendSome(server);
    await server.intake.settled();
    await server.backups.makeOne();
    // Names tell seconds apart.
    await new Promise((resolve) => setTimeout(resolve, 1_100));
  }
  expect(listBackups(join(dir, 'backups'))).toHaveLength(2);
  expect(server.backups.keepJournal.segment).toBeGreaterThan(0);
  expect(
    existsSync(join(dir, 'backups', `${listBackups(join(dir, 'backups'))[0]?.file.split('/').at(-1)}.applied`)),
  ).toBe(true);
  expect(
    statSync(join(dir, 'backups', listBackups(join(dir, 'backups'))[0]?.file.split('/').at(-1) as string)).mode & 0o077,
  ).toBe(0);
  await server.close();
});
