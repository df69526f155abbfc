import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { fill, seen, tap, textOf, violations } from '../page';
import { demoDayStage } from './stage';

/** Probes of the depots: from what is off to the step, the run and the limit that judges it. */
const stage = demoDayStage();
const open = (path: string, size: Size, scheme?: 'light' | 'dark') =>
  openPage(stage().browser, `${stage().url}${path}`, size, scheme);
const runsOver = (page: Awaited<ReturnType<typeof open>>) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
const probes = () => ask(stage().url, '/api/probes', { query: 'last=120' });

test('what the world planted is told, and nothing else', async () => {
  const { lines } = await probes();
  const off = lines
    .filter(({ standing }) => standing !== 'good')
    .map(({ probe, site, standing }) => [probe, site, standing]);
  expect(off).toEqual([
    ['Shipper Link rates', 'Dunsel', 'broken'],
    ['Depot sign-in', 'Brackwater', 'slow'],
    ['Depot sign-in', 'Tarn Cross', 'probeTrouble'],
    // It runs in the demo alone, for real.
    ['Round in a browser', 'Head office', 'unknown'],
  ]);
  const of = (site: string) => lines.find((line) => line.site === site && line.standing !== 'good');
  expect(of('Brackwater')).toMatchObject({ agreement: 'bothOff', team: 'Sites & Network' });
  expect(of('Dunsel')).toMatchObject({ agreement: 'probesAlone', team: 'Sites & Network' });
  expect(of('Tarn Cross')?.words).toContain('its clock is 4 min ahead');
});

test('what a probe alone sees is an early warning; what people feel stands in the list instead', async () => {
  const { warnings } = await ask(stage().url, '/api/early-warnings', { query: 'last=60' });
  expect(warnings.filter(({ kind }) => kind === 'probe').map(({ probe }) => probe?.site)).toEqual(['Dunsel']);
});

describe.each<Size>(['phone', 'wide'])('probes, on the %s size', (size) => {
  test('from the place to the probe of one site, its run, and back', async () => {
    const page = await open('/people/probes?last=120', size);
    await page.waitForSelector('[data-testid="probe-Brackwater"]');
    expect(await textOf(page, 'probes-sentence')).toBe((await probes()).sentence);
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="probe-Dunsel"] a', (door) => (door as HTMLElement).focus());
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () => location.pathname.startsWith('/probe/') && location.search.includes('site=Dunsel'),
    );
    await seen(page, 'Step by step');
    await seen(page, 'status 504');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await tap(page, 'probe-run');
    await page.waitForSelector('[data-testid="run-verdict"]');
    expect(await textOf(page, 'run-verdict')).toMatch(/^Broken at Track a parcel: (status 504|longer than)/);
    await seen(page, 'Looking up the name');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('a limit of a step at a site is changed in place, and is seen to judge', async () => {
    // On each size another site, so that each starts from what nobody changed.
    const site = size === 'phone' ? 'Aldermoor' : 'Eastfen';
    const page = await open(`/probe/Depot%20sign-in?last=120&site=${site}`, size, 'dark');
    const limit = `limit-of-Sign in-${site}`;
    await page.waitForSelector(`[data-testid="${limit}"]`);
    expect(await textOf(page, limit)).toBe('slow from 900 ms, broken from 6.0 s');
    await page.waitForSelector(`[data-testid="edit-Sign in-${site}"]`);
    await tap(page, `edit-Sign in-${site}`);
    await fill(page, 'limit-slow', '0.05');
    await fill(page, 'limit-broken', '0.01');
    await fill(page, 'limit-who', 'Dana');
    await tap(page, 'save-limit');
    await seen(page, 'Broken is later than slow.');
    expect(await violations(page)).toEqual([]);
    await fill(page, 'limit-broken', '20');
    await tap(page, 'save-limit');
    await page.waitForFunction(
      (id: string) => document.querySelector(`[data-testid="${id}"]`)?.textContent?.startsWith('slow from 50 ms'),
      {},
      limit,
    );
    await seen(page, `Dana: Sign in slow from 50 ms, broken from 20 s at ${site}`);
    // What ran before is judged as it was then.
    await seen(page, 'slower than the first limit');
    const { sites } = await ask(stage().url, '/api/probes/{name}', { name: 'Depot sign-in', query: 'last=120' });
    expect(sites.find((line) => line.site === site)).toMatchObject({ standing: 'good', slow: 0 });
    await page.close();
  });
});
