import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { fill, press, seen, tap, textOf, violations } from '../page';
import { demoDayStage } from './stage';

/** People at work: from "everything at Brackwater is slow" to its line, and from one clerk to the device. */
const stage = demoDayStage();
const open = (path: string, size: Size, scheme?: 'light' | 'dark') =>
  openPage(stage().browser, `${stage().url}${path}`, size, scheme);
const runsOver = (page: Awaited<ReturnType<typeof open>>) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
const SHIFT = 'last=480&application=Depot%20Desk';

test('the slow line and the old device are told, with the truth that the world knows', async () => {
  const { off, people } = await ask(stage().url, '/api/sites', { query: SHIFT });
  expect(off.map(({ layer, name, team }) => ({ layer, name, team }))).toEqual([
    { layer: 'line', name: 'Brackwater', team: 'Sites & Network' },
    {
      layer: 'device',
      name: expect.stringMatching(/^person [0-9a-f]{4}-[0-9a-f]{4} on /) as string,
      team: 'Depot Systems',
    },
  ]);
  expect(stage().truth.troubles.find(({ number }) => number === 4)).toMatchObject({
    origin: 'Brackwater',
    hurts: true,
  });
  expect(people).toBeGreaterThan(200);
});

describe.each<Size>(['phone', 'wide'])('sites, on the %s size', (size) => {
  test('what is off is read first; a tap leaves Brackwater alone, and another way back', async () => {
    const page = await open(`/people/sites?${SHIFT}`, size);
    await page.waitForSelector('[data-testid="sites-off"]');
    expect(await textOf(page, 'sites-sentence')).toMatch(/^2\d\d people at 9 sites; 2 things are off\.$/);
    expect(await textOf(page, 'sites-off')).toMatch(/^It is the line of Brackwater, or something else at that site/);
    expect(await textOf(page, 'one-scale')).toMatch(/Brackwater\n\d\d of 100 take longer than one of anybody/);
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="sites-off"] a', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.search.includes('site=Brackwater'));
    await seen(page, '29 people at 1 site');
    await page.goBack();
    await page.waitForFunction(() => !location.search.includes('site='));
    await page.close();
  });

  test('turned round to sites by activity, to times, and to servers; the keyboard does it too', async () => {
    const page = await open(`/people/sites?${SHIFT}`, size);
    await page.waitForSelector('[data-testid="sites-grid"]');
    await seen(page, 'Activity by site');
    const choose = async (words: string) => {
      await page.evaluate((wanted) => {
        const all = [...document.querySelectorAll<HTMLElement>('[role="radio"], [role="tab"], button')];
        all.find(({ innerText }) => innerText.trim() === wanted)?.focus();
      }, words);
      await page.keyboard.press('Enter');
    };
    await choose('sites down');
    await seen(page, 'Site by activity');
    await choose('how long');
    await seen(page, 'Half took less');
    await choose('by server');
    await page.waitForFunction(() => location.search.includes('workBy=server'));
    await seen(page, 'Server by activity');
    expect(await textOf(page, 'one-scale')).toContain('desk-mid');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('three lists, each narrowing the others: from a person to the device, and what is done on it', async () => {
    const page = await open(`/people/sites?${SHIFT}`, size, 'dark');
    await page.waitForSelector('[data-testid="sites-people"] a');
    expect(await textOf(page, 'sites-people')).toMatch(/2\d\d people did enough to be compared/);
    const device = await page.$eval('[data-testid="sites-people"] a', (door) => {
      (door as HTMLElement).click();
      return (door as HTMLElement).innerText;
    });
    await page.waitForFunction((name) => location.search.includes(`host=${name}`), {}, device);
    await seen(page, '1 person at 1 site');
    await page.waitForSelector('[data-testid="work-person"]');
    expect(await textOf(page, 'person-sentence')).toMatch(
      /^\S+ at \S+ takes \d\.\d× \(.*\) as long as \d+ like people: .*\. Of \d+ attempts, \d+ can be judged/,
    );
    await seen(page, 'Like people, times as long as usual');
    expect(await textOf(page, 'sites-activities')).toContain('in time');
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('before and after a change: sites are ticked, and the verdict says how sure it is', async () => {
    const page = await open(`/people/sites?last=240&application=Depot%20Desk`, size);
    await page.waitForSelector('[data-testid="sites-people"]');
    await press(page, 'button', 'Was it a change? Compare before and after');
    await page.waitForSelector('[data-testid="site-change"]');
    await seen(page, 'Choose at least one site.');
    await tap(page, 'changed-Brackwater');
    await seen(page, 'Too little to tell: it takes two sites or more');
    await tap(page, 'changed-Eastfen');
    await page.waitForFunction(() =>
      /^(Worse|Better|No difference shown|Too little to tell): at 2 sites/.test(
        document.querySelector('[data-testid="change-verdict"]')?.textContent ?? '',
      ),
    );
    expect(await textOf(page, 'site-change')).toMatch(/Brackwater\nchanged · \d\.\d\d× as long as before/);
    expect(await textOf(page, 'change-drawing')).toContain('Other sites, times as long as usual');
    const written = () => page.$eval('[data-testid="changed-at"]', (field) => (field as HTMLInputElement).value);
    const before = await written();
    await tap(page, 'choose-change');
    await press(page, 'radio', '4.18.0');
    await page.waitForFunction(
      (was: string) => (document.querySelector('[data-testid="changed-at"]') as HTMLInputElement).value !== was,
      {},
      before,
    );
    await fill(page, 'changed-at', 'yesterday');
    await seen(page, 'Write it as year-month-day hour:minute');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('remote desktops: the way to those of Brackwater takes longer, and people there are slower', async () => {
    const page = await open(`/people/sites?last=120&application=Depot%20Desk`, size);
    await page.waitForSelector('[data-testid="remote"]');
    expect(await textOf(page, 'remote-sentence')).toMatch(
      /^\d\d sessions on remote desktops: the way takes longer for Brackwater, and people are slower for it\.$/,
    );
    await press(page, 'button', 'Over time');
    await seen(page, 'Round trip, Brackwater');
    await press(page, 'radio', 'by data centre');
    await seen(page, 'North hall');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });
});
