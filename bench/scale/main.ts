// `npm run bench:scale`: a day of ten million attempts in a real server. Ratios are pairs of one run; growth exponents
// say how each operation grows with the work (1: twice the work takes twice as long).
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { median } from '@toplens/core/stats';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { ask } from '../../e2e/ask';
import { hasStoredAll, health } from '../../e2e/health';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../../e2e/processes';
import { Database } from '../../server/src/store/database';
import { payloads } from '../payloads';
import { makeDataFolder, type DayPlan } from './make-day';

const results: [what: string, value: string, goal: string, met: boolean][] = [];
const report = (what: string, value: string, goal = '', met = true) => {
  results.push([what, value, goal, met]);
  console.log(`${met ? '     ' : 'MISS '}${what}: ${value}${goal ? ` (goal ${goal})` : ''}`);
};
const attempts = Number(process.argv[2] ?? 10_000_000);
const toMs = floorTo(Date.now(), HOUR_MS);
const FILTERS = [
  { words: 'no filter', query: '', sql: '' },
  {
    words: 'one filter',
    query: '&site=Site%203',
    sql: "AND site = (SELECT id FROM name WHERE kind = 'site' AND value = 'Site 3')",
  },
  {
    words: 'two filters',
    query: '&site=Site%203&region=Region%202',
    sql: "AND site = (SELECT id FROM name WHERE kind = 'site' AND value = 'Site 3') AND region = (SELECT id FROM name WHERE kind = 'region' AND value = 'Region 2')",
  },
] as const;
const SQL = (more: string) => `
  SELECT flow, count(*), count(*) FILTER (WHERE flags & 1 = 1), sum(duration_us), max(duration_us), count(DISTINCT person),
         percentile_disc(ARRAY[0.5, 0.95]) WITHIN GROUP (ORDER BY duration_us)
    FROM attempt WHERE started_us >= $1 AND started_us < $2 AND flags & 2 = 0 ${more} GROUP BY flow`;

const timed = async (work: () => Promise<unknown>, times = 5): Promise<number> => {
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const begun = performance.now();
    await work();
    took.push(performance.now() - begun);
  }
  return median(took) as number;
};
const iso = (ms: number) => new Date(ms).toISOString();
const windowQuery = ({ fromMs, toMs: end }: Window) => `from=${iso(fromMs)}&to=${iso(end)}`;
const rssMb = (pid: number) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024;
/** "main: heap 40, buffers 12 MB; …" */
const memoryByThread = (metrics: string): string =>
  ['main', 'database', 'engine']
    .map((thread) => {
      const of = (kind: string) =>
        Math.round(
          Number(new RegExp(`toplens_thread_${kind}\\{thread="${thread}"\\} (\\d+)`).exec(metrics)?.[1]) / 2 ** 20,
        );
      return `${thread}: heap ${of('heap_bytes')}, buffers ${of('buffers_bytes')} MB`;
    })
    .join('; ');
/** Slope of log time over log size, ends of the range. */
const exponent = (sizes: readonly number[], times: readonly number[]) =>
  Math.log((times.at(-1) as number) / (times[0] as number)) / Math.log((sizes.at(-1) as number) / (sizes[0] as number));

/** The server as it comes up on a prepared folder, once it has judged what is there. */
async function serve(dataDir: string) {
  const begun = performance.now();
  const server = await startServerProcess(dataDir, {}, 240_000);
  await until(
    'the server to have judged',
    async () => (await health(server.url)).judgedMs >= toMs - 5 * MINUTE_MS,
    600_000,
  );
  return { ...server, readyMs: performance.now() - begun };
}

async function sqlTimes(dataDir: string, window: Window): Promise<number[]> {
  const database = await Database.open(join(dataDir, 'database'), { templateDir: '.cache/toplens' });
  const times: number[] = [];
  for (const { sql } of FILTERS)
    times.push(await timed(() => database.query(SQL(sql), [window.fromMs * 1000, window.toMs * 1000]), 1));
  await database.close();
  return times;
}

/** Spans a second that the server acknowledges and stores. */
async function ingestRate(url: string, seed: number, meanwhile?: () => Promise<unknown>): Promise<number> {
  const queue = payloads('protobuf', 100, seed, Date.now());
  let running = true;
  const asking = (async () => {
    while (running && meanwhile) await meanwhile();
  })();
  const begun = performance.now();
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (let next = queue.pop(); next; next = queue.pop()) {
        const request = { method: 'POST', headers: { 'content-type': 'application/x-protobuf' }, body: next.body };
        // A connection that lay idle may be closed under the request: like any sender, this one sends again, and
        // nothing counts twice.
        const response = await fetch(`${url}/v1/traces`, request).catch(() => undefined);
        await response?.arrayBuffer();
        if (!response || response.status === 503) {
          queue.push(next);
          await sleep(50);
        }
      }
    }),
  );
  await until('the backlog to be stored', () => hasStoredAll(url));
  const rate = 50_000 / ((performance.now() - begun) / 1000);
  running = false;
  await asking;
  return rate;
}

async function tenMillion(): Promise<void> {
  const plan: DayPlan = { flows: 200, attempts, persons: 200_000, historyDays: 29, toMs };
  const dataDir = temporaryFolder();
  console.log(`making a day of ${attempts.toLocaleString('en-GB')} attempts …`);
  await makeDataFolder(dataDir, plan, true);
  const day = { fromMs: toMs - DAY_MS, toMs };
  const sql = await sqlTimes(dataDir, day);
  const server = await serve(dataDir);
  report('ready to answer after the start', `${(server.readyMs / 1000).toFixed(1)} s`);
  const sizes = [0.1, 0.3, 1].map((share) => share * attempts);
  for (const [f, { words, query }] of FILTERS.entries()) {
    const first = await timed(() => ask(server.url, '/api/flows', { query: `${windowQuery(day)}${query}` }), 1);
    report(`ranking all flows over the day, ${words}, asked for the first time`, `${first.toFixed(0)} ms`);
    const times: number[] = [];
    for (const share of [0.1, 0.3, 1])
      times.push(
        await timed(() =>
          ask(server.url, '/api/flows', {
            query: `${windowQuery({ fromMs: toMs - share * DAY_MS, toMs })}${query}`,
          }),
        ),
      );
    const ours = times.at(-1) as number;
    const ratio = (sql[f] as number) / ours;
    report(`ranking all flows over the day, ${words}: SQL on raw rows ÷ ours`, ratio.toFixed(0), '≥ 10', ratio >= 10);
    report(`… ours, median`, `${ours.toFixed(0)} ms`, '< 200 ms', ours < 200);
    report(`… growth with attempts (1, 3, 10 tenths)`, exponent(sizes, times).toFixed(2));
  }
  const { slowest } = await ask(server.url, '/api/flows/{id}', { id: 5, query: windowQuery(day) });
  const opened = await timed(() =>
    Promise.all(
      slowest
        .slice(0, 1)
        .map(({ traceId, spanId }) => ask(server.url, '/api/attempts/{traceId}/{spanId}', { traceId, spanId })),
    ),
  );
  report('opening one attempt', `${opened.toFixed(0)} ms`, '< 150 ms', opened < 150);
  const home = await timed(() => ask(server.url, '/api/worst-first', { query: 'last=60' }));
  report('home screen, last hour, 200 flows with 30 days of history', `${home.toFixed(0)} ms`, '< 300 ms', home < 300);
  const whole = await timed(() => ask(server.url, '/api/worst-first', { query: windowQuery(day) }));
  report('home screen, whole day', `${whole.toFixed(0)} ms`);
  const alone = await ingestRate(server.url, 1);
  const during = await ingestRate(server.url, 2, () =>
    ask(server.url, '/api/flows', { query: `${windowQuery(day)}&site=Site%203` }),
  );
  report(
    'ingest while the day is ranked without pause, of its own rate',
    (during / alone).toFixed(2),
    '≥ 0.7',
    during / alone >= 0.7,
  );
  const rss = rssMb(server.process.pid as number);
  report('memory of the server at the end', `${rss.toFixed(0)} MB`, '< 1,536 MB', rss < 1536);
  console.log(memoryByThread(await (await fetch(`${server.url}/metrics`)).text()));
  await stop(server.process);
  removeFolder(dataDir);
}

/** A month's service levels over all flows: every flow's hours are read and counted, by sums where attempts are gone. */
async function aMonthOfPromises(): Promise<void> {
  const plan: DayPlan = { flows: 200, attempts, persons: 200_000, historyDays: 29, toMs };
  const dataDir = temporaryFolder();
  await makeDataFolder(dataDir, plan, false);
  const server = await serveWithoutTable(dataDir);
  const home = () => ask(server.url, '/api/worst-first', { query: 'last=60' });
  const before = await timed(home);
  const everything = {
    target: 0.99,
    period: { kind: 'rolling', days: 30 },
    penalties: [{ below: 0.99, amount: 1000 }],
  };
  const value = [
    { name: 'Answered', indicator: 'answered', ...everything },
    { name: 'In time', indicator: 'inTime', limitMs: 1234, ...everything },
  ];
  await fetch(`${server.url}/api/settings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ who: 'bench', key: 'promises', value, fromMs: toMs - 40 * DAY_MS }),
  });
  const promises = (query: string) => () => ask(server.url, '/api/promises', { query });
  const first = await timed(promises('last=60'), 1);
  report(
    'two promises over 200 flows and 30 days, asked for the first time',
    `${(first / 1000).toFixed(1)} s`,
    '< 2 s',
    first < 2000,
  );
  const earlier = windowQuery({ fromMs: toMs - 2 * HOUR_MS, toMs: toMs - HOUR_MS });
  const again = await timed(promises(earlier), 1);
  report('… as they stood an hour before, hours already counted', `${again.toFixed(0)} ms`);
  const after = await timed(home);
  report('home screen with these promises ÷ without', (after / before).toFixed(2));
  const name = 'In time';
  const page = await timed(() => ask(server.url, '/api/promises/{name}', { name, query: 'last=60' }), 1);
  report('opening one of them', `${page.toFixed(0)} ms`, '< 2 s', page < 2000);
  await stop(server.process);
  removeFolder(dataDir);
}

async function growthWithFlows(): Promise<void> {
  const sizes = [50, 200, 800];
  const times: Record<string, number[]> = {
    'ranking all flows, one filter': [],
    'home screen': [],
    'one pass of judging': [],
  };
  for (const flows of sizes) {
    const dataDir = temporaryFolder();
    await makeDataFolder(dataDir, { flows, attempts: 1_000_000, persons: 50_000, historyDays: 15, toMs }, false);
    const server = await serveWithoutTable(dataDir);
    const day = windowQuery({ fromMs: toMs - DAY_MS, toMs });
    times['ranking all flows, one filter']?.push(
      await timed(() => ask(server.url, '/api/flows', { query: `${day}&site=Site%203` })),
    );
    times['home screen']?.push(await timed(() => ask(server.url, '/api/worst-first', { query: 'last=60' })));
    await ingestRate(server.url, 3);
    await sleep(4_000);
    const figures = await (await fetch(`${server.url}/metrics`)).text();
    times['one pass of judging']?.push(Number(/toplens_engine_pass_seconds ([\d.e-]+)/.exec(figures)?.[1]) * 1000);
    await stop(server.process);
    removeFolder(dataDir);
  }
  for (const [what, took] of Object.entries(times))
    report(
      `${what}: 50, 200, 800 flows`,
      `${took.map((ms) => ms.toFixed(0)).join(', ')} ms, exponent ${exponent(sizes, took).toFixed(2)}`,
    );
}

/** Without rows in the table the newest moment is told by one late attempt. */
async function serveWithoutTable(dataDir: string) {
  const database = await Database.open(join(dataDir, 'database'), { templateDir: '.cache/toplens' });
  await database.query(
    `INSERT INTO attempt VALUES (gen_random_uuid(), 1, $1, 1000, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, NULL)`,
    [(toMs + MINUTE_MS) * 1000],
  );
  await database.close();
  return serve(dataDir);
}

const only = process.argv[3];
if (only !== 'promises') {
  await tenMillion();
  await growthWithFlows();
}
await aMonthOfPromises();
console.log('\n| what | measured | goal | |\n|---|---:|---:|---|');
for (const [what, value, goal, met] of results)
  console.log(`| ${what} | ${value} | ${goal} | ${goal === '' ? '' : met ? 'met' : '**missed**'} |`);
process.exit(0);
