// `npm run bench`: ratios, each measured in one run on one machine. Absolute figures are printed for orientation only.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { gzipSync } from 'node:zlib';
import { hasStoredAll } from '../e2e/health';
import { freePort, removeFolder, start, startServerProcess, stop, temporaryFolder, until } from '../e2e/processes';
import { batchOf } from '../server/src/fixtures/batch';
import { TableRows } from '../server/src/store/tables';
import { Database } from '../server/src/store/database';
import { inTheBrowser } from './interface';
import { pageLoads } from './page-loads';
import { report, results } from './report';
import { whereItComesFrom } from './where-it-comes-from';
import { BATCH, payloads, type Payload } from './payloads';

/** Many senders at once, as a fleet of services is. */
const CONNECTIONS = 16;
const REQUESTS = 160;

/** Spans a second over four connections; refused requests are sent again after a moment. */
async function throughput(url: string, all: readonly Payload[]): Promise<number> {
  const queue = [...all];
  const begun = performance.now();
  await Promise.all(
    Array.from({ length: CONNECTIONS }, async () => {
      for (let next = queue.pop(); next; next = queue.pop()) {
        const headers = { 'content-type': next.encoding === 'json' ? 'application/json' : 'application/x-protobuf' };
        const response = await fetch(`${url}/v1/traces`, { method: 'POST', headers, body: next.body });
        await response.arrayBuffer();
        if (response.status === 503) {
          queue.push(next);
          await sleep(50);
        } else if (!response.ok) throw new Error(`status ${response.status}`);
      }
    }),
  );
  return (all.length * BATCH) / ((performance.now() - begun) / 1000);
}

async function intake(): Promise<void> {
  const dataDir = temporaryFolder();
  const port = await freePort();
  const decodeOnly = start('decode-only', [String(port)], {});
  const server = await startServerProcess(dataDir);
  const plain = `http://127.0.0.1:${port}`;
  await until(
    'the decode-only server',
    async () =>
      (await fetch(`${plain}/`, { method: 'POST', body: '{}', headers: { 'content-type': 'application/json' } })).ok,
  );
  const rates: Record<string, { full: number[]; alone: number[] }> = {
    protobuf: { full: [], alone: [] },
    json: { full: [], alone: [] },
  };
  for (let round = 0; round < 3; round++)
    for (const encoding of ['protobuf', 'json'] as const) {
      const all = payloads(
        encoding,
        REQUESTS,
        1000 + round * 10 + (encoding === 'json' ? 1 : 0),
        Date.now() - 86_400_000,
      );
      rates[encoding]?.alone.push(await throughput(plain, all));
      rates[encoding]?.full.push(await throughput(server.url, all));
      await until('the backlog to be stored', () => hasStoredAll(server.url));
    }
  // The first round warms up.
  const best = (values: number[]) => Math.max(...values.slice(1));
  const protobuf = rates.protobuf as { full: number[]; alone: number[] };
  const json = rates.json as { full: number[]; alone: number[] };
  report(
    `protobuf, acknowledged on the disk, of HTTP + decode alone (${best(protobuf.full).toFixed(0)} spans/s)`,
    best(protobuf.full) / best(protobuf.alone),
    { goal: '≥ 0.5', met: best(protobuf.full) / best(protobuf.alone) >= 0.5 },
  );
  report(
    `JSON, acknowledged on the disk, of HTTP + decode alone (${best(json.full).toFixed(0)} spans/s)`,
    best(json.full) / best(json.alone),
    { goal: '≥ 0.5', met: best(json.full) / best(json.alone) >= 0.5 },
  );
  await Promise.all([stop(server.process), stop(decodeOnly)]);
  removeFolder(dataDir);
}

async function database(): Promise<void> {
  const dataDir = temporaryFolder();
  const db = await Database.open(join(dataDir, 'database'), { templateDir: '.cache/toplens' });
  const ROWS = 20_000;
  const columns =
    'trace_id, span_id, parent_id, started_us, duration_us, component, peer, name, kind, flags, failure, host';
  const rows = (offset: number) => Array.from({ length: ROWS }, (_, i) => offset + i);
  const copied = (offset: number) => {
    const copy = new TableRows('span');
    for (const i of rows(offset))
      copy.add({
        trace_id: i.toString(16).padStart(32, '0'),
        span_id: i.toString(16).padStart(16, '0'),
        parent_id: '',
        started_us: i,
        duration_us: 5,
        component: 1,
        peer: 1,
        name: 1,
        kind: 2,
        flags: 0,
        failure: 0,
        host: 1,
        statement: 0,
        ran_on: 0,
      });
    return copy.finish();
  };
  const timed = async (work: () => Promise<unknown>) => {
    const begun = performance.now();
    await work();
    return ROWS / ((performance.now() - begun) / 1000);
  };
  const byCopy: number[] = [];
  const byInsert: number[] = [];
  for (let round = 0; round < 3; round++) {
    const base = round * 10 * ROWS;
    // As the intake does it: built, copied, and put in place without doubles.
    byCopy.push(await timed(() => db.ingest(batchOf(round, [{ table: 'span', rows: copied(base) }]))));
    byInsert.push(
      await timed(async () => {
        for (let from = 0; from < ROWS; from += 500) {
          const part = rows(base + ROWS + from).slice(0, 500);
          const values = part
            .map((_, r) => `(${Array.from({ length: 12 }, (_value, c) => `$${r * 12 + c + 1}`).join(', ')})`)
            .join(', ');
          const params = part.flatMap((i) => [`${i.toString(16).padStart(32, '0')}`, i, 0, i, 5, 1, 1, 1, 2, 0, 0, 1]);
          await db.query(`INSERT INTO span (${columns}) VALUES ${values} ON CONFLICT DO NOTHING`, params);
        }
      }),
    );
  }
  const ratio = Math.max(...byCopy) / Math.max(...byInsert);
  report(
    `binary COPY with check for doubles (${Math.max(...byCopy).toFixed(0)} rows/s) of parametrised INSERT`,
    ratio,
    { goal: '≥ 4', met: ratio >= 4 },
  );

  const delay = monitorEventLoopDelay({ resolution: 1 });
  delay.enable();
  const begun = performance.now();
  await db.query('SELECT count(*) FROM generate_series(1, 9000000) AS g WHERE g % 7 = 3');
  const tookMs = performance.now() - begun;
  delay.disable();
  report(`longest gap of the main loop while a query runs ${tookMs.toFixed(0)} ms`, delay.max / 1e6, {
    unit: ' ms',
    goal: '≤ 50 ms',
    met: delay.max / 1e6 <= 50 && tookMs >= 800,
  });
  await db.close();
  removeFolder(dataDir);
}

/** Scripts and fonts that the home screen needs at the first visit. */
function bundle(): void {
  const dist = join('app', 'dist');
  const scripts = join(dist, '_expo', 'static', 'js', 'web');
  // Other places and the map come when somebody goes there.
  const first = readdirSync(scripts).filter((name) => /^(__|_layout|entry|index)/.test(name));
  const bytes = [join(dist, 'index.html'), ...first.map((name) => join(scripts, name))].reduce(
    (sum, file) => sum + gzipSync(readFileSync(file), { level: 9 }).length,
    0,
  );
  const fonts = readdirSync('app/assets/fonts').reduce(
    (sum, name) => sum + statSync(join('app/assets/fonts', name)).size,
    0,
  );
  report(`first load, gzip (fonts beside it: ${(fonts / 1000).toFixed(0)} kB)`, bytes / 1000, {
    unit: ' kB',
    goal: '≤ 600 kB',
    met: bytes <= 600_000,
  });
}

const PARTS: Record<string, () => void | Promise<void>> = {
  where: whereItComesFrom,
  pages: pageLoads,
  database,
  intake,
  bundle,
  browser: inTheBrowser,
};
const asked = process.argv.slice(2);
const unknown = asked.find((name) => !(name in PARTS));
if (unknown !== undefined) {
  console.error(`no part of the bench is called ${unknown}: ${Object.keys(PARTS).join(', ')}, or none for all`);
  process.exit(2);
}
for (const [name, part] of Object.entries(PARTS)) if (asked.length === 0 || asked.includes(name)) await part();
console.log('\n| what | measured | goal | |\n|---|---:|---:|---|');
for (const { what, value, goal, met } of results)
  console.log(`| ${what} | ${value} | ${goal} | ${met ? 'met' : 'missed'} |`);
process.exit(0);
