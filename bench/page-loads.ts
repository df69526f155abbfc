import { join } from 'node:path';
import { median, normalDeviate, seededRandom } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';
import { ask } from '../e2e/ask';
import { hasStoredAll } from '../e2e/health';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../e2e/processes';
import { Database } from '../server/src/store/database';
import { report } from './report';

const ORIGIN = 'https://shop.example';
const VIEWS = 200_000;
const A_REQUEST = 100;
const SENDERS = 4;
const HOURS = 12;
const COUNTRIES = ['GB', 'IE', 'NL', 'BE', 'FR', 'DE', 'PL', 'ES'];
const AGENTS = ['Windows NT 10.0; Win64; x64', 'Macintosh; Intel Mac OS X 10_15_7', 'Linux; Android 10; K'].map(
  (system, i) => `Mozilla/5.0 (${system}) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/${138 + i}.0.0.0 Safari/537.36`,
);

/**
 * Views as a browser sends them, a hundred in a request: forty pages, eight countries, six resources and one call each.
 */
function requestOf(first: number, endMs: number): string {
  const random = seededRandom(first + 1);
  const around = (middle: number) => Math.round(middle * Math.exp(0.4 * normalDeviate(random)));
  const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
  const number = (key: string, doubleValue: number) => ({ key, value: { doubleValue } });
  const logRecords = Array.from({ length: A_REQUEST }, (_, i) => {
    const n = first + i;
    const atMs = endMs - ((VIEWS - n) / VIEWS) * HOURS * 60 * MINUTE_MS;
    const [responseStart, dom] = [around(160), around(300)];
    const resources = Array.from({ length: 6 }, (_unused, r) => [
      `${ORIGIN}/assets/${r}.js`,
      'script',
      100 + r,
      around(120),
      18_000,
      random() < 0.002 ? 1 : 0,
    ]);
    resources.push([
      `${ORIGIN}/api/basket/${n}`,
      'fetch',
      400,
      around(90),
      0,
      0,
      (n + 1).toString(16).padStart(32, 'a'),
      (n + 1).toString(16).padStart(16, 'b'),
    ]);
    const marks = {
      responseStart,
      responseEnd: responseStart + 40,
      domInteractive: responseStart + dom,
      domContentLoadedEventEnd: responseStart + dom + 90,
      domComplete: responseStart + dom + 500,
      loadEventEnd: responseStart + dom + 505,
    };
    return {
      timeUnixNano: `${Math.round(atMs)}000000`,
      eventName: 'toplens.page_view',
      attributes: [
        text('toplens.view.id', (n + 1).toString(16).padStart(16, 'c')),
        number('toplens.view.sequence', 1),
        text('toplens.view.kind', 'load'),
        text('url.path', `/page-${n % 40}`),
        text('server.address', 'shop.example'),
        text('geo.country.iso_code', COUNTRIES[n % 8] as string),
        text('session.id', `s-${n >> 2}`),
        text('user.id', `p-${n >> 3}`),
        text('toplens.resources', JSON.stringify(resources)),
        number('toplens.vital.lcp', around(1_600)),
        number('toplens.vital.inp', around(110)),
        number('toplens.vital.cls', 0.02),
        number('toplens.vital.fcp', around(900)),
        number('toplens.vital.ttfb', responseStart),
        ...Object.entries(marks).map(([mark, ms]) => number(`toplens.timing.${mark}`, ms)),
      ],
    };
  });
  const attributes = [
    text('user_agent.original', AGENTS[first % 3] as string),
    text('toplens.application', 'Shop'),
    text('service.version', '1.0'),
  ];
  return JSON.stringify({ resourceLogs: [{ resource: { attributes }, scopeLogs: [{ logRecords }] }] });
}

/** What the place of page loads answers, as one would ask it of the raw rows. */
const SQL = `
  SELECT page, count(*), count(DISTINCT person), avg(dom_us + scripts_us + resources_us + waiting_us + transfer_us), sum(errors), count(*) FILTER (WHERE missing > 0),
         percentile_cont(0.75) WITHIN GROUP (ORDER BY lcp), percentile_cont(0.75) WITHIN GROUP (ORDER BY inp), percentile_cont(0.75) WITHIN GROUP (ORDER BY cls),
         percentile_cont(0.75) WITHIN GROUP (ORDER BY fcp), percentile_cont(0.75) WITHIN GROUP (ORDER BY ttfb)
    FROM page_view WHERE started_us >= $1 AND started_us < $2 AND kind <> 2 GROUP BY page`;

export async function pageLoads(): Promise<void> {
  const dataDir = temporaryFolder();
  const server = await startServerProcess(dataDir, { TOPLENS_BROWSER_KEYS: `shop-pages=key@${ORIGIN}` });
  const endMs = Date.now() - MINUTE_MS;
  const firsts = Array.from({ length: VIEWS / A_REQUEST }, (_, i) => i * A_REQUEST);
  const bodies = firsts.map((first) => requestOf(first, endMs));
  const begun = performance.now();
  await Promise.all(
    Array.from({ length: SENDERS }, async () => {
      for (let body = bodies.shift(); body !== undefined; body = bodies.shift()) {
        const headers = { 'content-type': 'text/plain', origin: ORIGIN };
        for (;;) {
          const answer = await fetch(`${server.url}/v1/browser?key=key`, { method: 'POST', headers, body });
          await answer.arrayBuffer();
          if (answer.ok) break;
          if (answer.status !== 503 && answer.status !== 429) throw new Error(`status ${answer.status}`);
          await new Promise((resolve) => setTimeout(resolve, 100));
        }
      }
    }),
  );
  await until('all views to be stored', () => hasStoredAll(server.url), 600_000);
  const rate = VIEWS / ((performance.now() - begun) / 1000);
  report('page views taken and stored a second, from browsers', rate, { goal: '≥ 1,000', met: rate >= 1_000 });

  const shares = [0.1, 0.3, 1];
  const times: number[] = [];
  for (const share of shares) {
    // A minute more each time: what was answered before is not asked for again.
    const askOnce = async (round: number) => {
      const from = new Date(endMs - share * HOURS * 60 * MINUTE_MS - round).toISOString();
      const asked = performance.now();
      await ask(server.url, '/api/pages', { query: `from=${from}&to=${new Date(endMs).toISOString()}` });
      return performance.now() - asked;
    };
    const took: number[] = [];
    for (let round = 0; round < 5; round++) took.push(await askOnce(round * 1000));
    times.push(median(took) as number);
  }
  const whole = times.at(-1) as number;
  const growth = Math.log(whole / (times[0] as number)) / Math.log(10);
  report(`page loads of ${VIEWS.toLocaleString('en-GB')} views, asked for the first time`, whole / 1000, {
    unit: ' s',
    goal: '< 2 s',
    met: whole < 2_000,
  });
  report('… growth with views (a tenth, three tenths, all), exponent', growth, { goal: '≤ 1', met: growth <= 1 });
  await stop(server.process);

  const database = await Database.open(join(dataDir, 'database'), { templateDir: '.cache/toplens' });
  const asked = performance.now();
  await database.query(SQL, [(endMs - HOURS * 60 * MINUTE_MS) * 1000, endMs * 1000]);
  const sqlMs = performance.now() - asked;
  await database.close();
  console.log(`      of them the figures by page alone, in SQL on raw rows: ${(sqlMs / 1000).toFixed(2)} s`);
  removeFolder(dataDir);
}
