// `npm run screenshots`, with `npm run demo` running: the pictures in docs/screenshots.
import { mkdirSync } from 'node:fs';
import { ask } from './ask';
import { openBrowser, openPage, type Size } from './browser';

const url = process.argv[2] ?? 'http://127.0.0.1:4400';
const dir = 'docs/screenshots';
mkdirSync(dir, { recursive: true });

const { rows } = await ask(url, '/api/worst-first');
const first = rows[0]?.id;
if (first === undefined) throw new Error('nothing is wrong in this world: there is nothing to show');
// A made world lies in the past: the browser's clock goes with it.
const { browser, close } = await openBrowser(Number(process.env.TOPLENS_TEST_CLOCK_OFFSET_MS ?? 0));

async function shot(
  name: string,
  path: string,
  size: Size,
  { scheme = 'light' }: { scheme?: 'light' | 'dark' } = {},
): Promise<void> {
  const page = await openPage(browser, `${url}${path}`, size, scheme);
  await page.waitForSelector('[role="heading"]');
  // "Counting what ran …": not yet.
  await page.waitForFunction(() => !/ …$/m.test(document.body.innerText), { timeout: 60_000 });
  await new Promise((resolve) => setTimeout(resolve, 1_000));
  await page.screenshot({ path: `${dir}/${name}.png` as `${string}.png` });
  await page.close();
}

const { rows: flows } = await ask(url, '/api/flows');
const worstFlow = [...flows].sort((a, b) => (b.hurt ?? 0) - (a.hurt ?? 0))[0]?.id;
await shot('worst-first-phone', '/', 'phone');
await shot('worst-first-wide', '/', 'wide');
await shot('incident-phone', `/incident/${first}`, 'phone');
await shot('incident-wide-dark', `/incident/${first}`, 'wide', { scheme: 'dark' });
await shot('phone-wide', '/people/phone', 'wide');
await shot('sites-wide', '/people/sites?last=480&application=Depot%20Desk', 'wide');
await shot('flows-wide', '/flows', 'wide');
await shot('flow-phone', `/flow/${worstFlow}`, 'phone');
const samplesOf = async (id: number) => (await ask(url, '/api/incidents/{id}', { id })).samples;
const attemptOf = async (id: number, number = 0) => {
  const sample = (await samplesOf(id)).at(number);
  return `/attempt/${sample?.traceId}/${sample?.spanId}`;
};
await shot('board-wide', '/board/Duty%20desk', 'wide');
await shot('promises-wide', '/promises', 'wide');
await shot('promise-phone', '/promises/Labels%20for%20partners', 'phone');
await shot('probes-wide', '/people/probes?last=120', 'wide');
await shot('attempt-phone', await attemptOf(first), 'phone');
const { journeys } = await ask(url, '/api/journeys', { query: 'last=240' });
if (journeys[0]) await shot('journey-phone', `/journey/${journeys[0].id}?last=240`, 'phone');
const { onsetMs } = await ask(url, '/api/incidents/{id}', { id: first });
const then = `from=${new Date(onsetMs - 3_600_000).toISOString()}&to=${new Date(onsetMs + 6 * 60_000).toISOString()}`;
await shot('pages-wide', `/people?pagesBy=country&page=${encodeURIComponent('/send/pick-up')}`, 'wide');
await shot('estate-wide', `/estate?${then}&groupBy=team`, 'wide', { scheme: 'dark' });
await shot('settings-phone', '/settings', 'phone');
const { handoffs } = await ask(url, '/api/handoffs');
const proven = handoffs.find(({ state }) => state === 'proven');
if (proven) await shot('handoff-phone', `/handoff/${proven.id}`, 'phone');
await shot('sent-wide', '/sent', 'wide');
await close();
