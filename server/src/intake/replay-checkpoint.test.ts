import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { post, requestOf, testSpan } from '../fixtures/traffic';
import { startTestServer } from '../fixtures/test-server';
import { Database } from '../store/database';
import { Journal } from './journal';

const REQUESTS = 10;
const SPANS = 100;

test('a replay ends with a checkpoint, so that a crash loop does not read more each time', async () => {
  const dataDir = mkdtempSync(join(tmpdir(), 'toplens-test-'));
  const empty = await startTestServer({ dataDir });
  await empty.close();
  const journal = Journal.open(join(dataDir, 'journal'), { above: 40 });
  const nowMs = Date.now();
  for (let i = 0; i < REQUESTS; i++) {
    const spans = Array.from({ length: SPANS }, (_, n) => testSpan(i * SPANS + n, nowMs - 60_000, 100));
    await journal.append([
      { signal: 'traces', encoding: 'json', body: Buffer.from(JSON.stringify(requestOf(spans))), receivedMs: nowMs },
    ]);
  }
  await journal.close();

  const storedAtCheckpoints: number[] = [];
  const checkpoint = Object.getOwnPropertyDescriptor(Database.prototype, 'checkpoint')?.value as () => Promise<void>;
  jest.spyOn(Database.prototype, 'checkpoint').mockImplementation(async function (this: Database) {
    const [stored] = await this.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
    storedAtCheckpoints.push(stored?.n ?? 0);
    await checkpoint.call(this);
  });
  const server = await startTestServer({ dataDir });
  try {
    await server.intake.settled();
    expect(storedAtCheckpoints.at(-1)).toBe(REQUESTS * SPANS);
  } finally {
    jest.restoreAllMocks();
    await server.remove();
  }
}, 60_000);

test('a checkpoint that finds no room ends no start: what was acknowledged is there, and more is taken', async () => {
  const dataDir = mkdtempSync(join(tmpdir(), 'toplens-test-'));
  const empty = await startTestServer({ dataDir });
  await empty.close();
  const journal = Journal.open(join(dataDir, 'journal'), { above: 40 });
  const receivedMs = Date.now();
  const body = Buffer.from(JSON.stringify(requestOf([testSpan(1, receivedMs - 60_000, 100)])));
  await journal.append([{ signal: 'traces', encoding: 'json', body, receivedMs }]);
  await journal.close();
  const full = Object.assign(new Error('could not write to file'), { code: '53100' });
  const failing = jest.spyOn(Database.prototype, 'checkpoint').mockRejectedValue(full);
  const server = await startTestServer({ dataDir });
  try {
    await server.intake.settled();
    expect(failing).toHaveBeenCalled();
    expect((await post(server.url, JSON.stringify(requestOf([testSpan(2, receivedMs, 100)])))).status).toBe(200);
    await server.intake.settled();
    const [stored] = await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
    expect(stored?.n).toBe(2);
  } finally {
    failing.mockRestore();
    await server.remove();
  }
}, 60_000);
