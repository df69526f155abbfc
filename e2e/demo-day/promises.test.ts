import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { fill, gone, seen, tap, textOf, violations } from '../page';
import { until } from '../processes';
import { demoDayStage } from './stage';

/** Service levels on the screen: which will break, who spent it, and what another target would have meant. */
const stage = demoDayStage();
const open = (path: string, size: Size, scheme?: 'light' | 'dark') =>
  openPage(stage().browser, `${stage().url}${path}`, size, scheme);
const runsOver = (page: Awaited<ReturnType<typeof open>>) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

test('what is promised adds up: shares, budgets, and who spent them', async () => {
  const { promises } = await ask(stage().url, '/api/promises', { query: stage().day });
  expect(promises.map(({ name }) => name)).toContain('Labels for partners');
  expect(promises.find(({ name }) => name === 'Care desk answered')).toMatchObject({ state: 'noData', kept: null });
  const chances = promises.map(({ forecast }) => forecast?.expectedPenalty ?? 0);
  expect(chances).toEqual([...chances].sort((a, b) => b - a));
  for (const { name, valid, good, budget, penalties } of promises) {
    const page = await ask(stage().url, '/api/promises/{name}', { name, query: stage().day });
    const bad = valid - good;
    expect(budget.spent).toBe(bad);
    expect(budget.allowed - budget.spent).toBeCloseTo(budget.left, 6);
    expect(page.incidents.reduce((sum, one) => sum + one.bad, page.unexplained.bad)).toBeGreaterThan(bad - 1);
    expect(page.flows.reduce((sum, one) => sum + one.bad, 0)).toBeLessThanOrEqual(bad);
    // A deeper step is never likelier.
    for (let i = 1; i < penalties.length; i++)
      expect(penalties[i]?.chance ?? 0).toBeLessThanOrEqual(penalties[i - 1]?.chance ?? 1);
  }
});

describe.each<Size>(['phone', 'wide'])('promises, on the %s size', (size) => {
  test('the one that will break stands first; why, and who spent it, is a door to the incident and back', async () => {
    const page = await open(`/promises?${stage().day}`, size);
    await page.waitForSelector('[data-testid="promises-headline"]');
    expect(await textOf(page, 'promises-headline')).toMatch(/\d will probably break/);
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    const first = await page.$eval('[data-testid^="promise-"]', (line) => (line as HTMLElement).innerText);
    expect(first).toMatch(/^Labels for partners\n99\.\d+ % of 99\.5 %/);
    await page.$eval('[data-testid="promise-Payments answered"] a', (door) => (door as HTMLElement).click());
    await page.waitForSelector('[data-testid="budget-part"]');
    await seen(page, 'Who spent it');
    expect(await textOf(page, 'promise-kept')).toMatch(/^Kept so far 9\d\.\d+ % of 99\.2 %, given to Senders$/);
    expect(await textOf(page, 'promise-rule')).toContain('99.2 % of the attempts of “Pay” (Sender Portal) answered');
    await page.waitForSelector('[data-testid="spenders"] a[href^="/incident/"]');
    expect(await textOf(page, 'spenders')).toContain('No incident explains it');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="spenders"] a[href^="/incident/"]', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/incident/'));
    await page.waitForSelector('[data-testid="promises-part"]');
    expect(await textOf(page, 'promises-part')).toMatch(/Payments answered\nIt took [\d.]+ % of the budget/);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test.each([
    ['Round stays open', /of [\d,]+ launches/, 'the launches of Round that neither fail nor end in a crash'],
    ['Depots work without waiting', /of [\d,]+ person-hours/, 'at least 80 % of their attempts in time'],
    ['Portal pages feel quick', /of [\d,]+ page views/, 'LCP within 2.5 s, INP within 200 ms, CLS up to 0.1'],
  ])('%s: it names what it counts, and what was bad is a door', async (name, counts, rule) => {
    const page = await open(`/promises/${encodeURIComponent(name)}?${stage().day}`, size);
    await page.waitForSelector('[data-testid="outside"] a[href^="/attempt/"]');
    expect(await page.evaluate(() => document.body.innerText)).toMatch(counts);
    expect(await textOf(page, 'promise-rule')).toContain(rule);
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('the attempts outside it are doors, of all and of one flow at one site', async () => {
    const page = await open(`/promises/Payments%20answered?${stage().day}`, size);
    await page.waitForSelector('[data-testid="outside"] [data-testid^="sample-"]');
    expect(await textOf(page, 'outside')).toMatch(/Newest first, 40 of [\d,]+ bad ones of the period\./);
    await page.$eval('[data-testid="cells"] [role="cell"] button', (cell) => (cell as HTMLElement).click());
    await page.waitForFunction(() =>
      document.querySelector('[data-testid="outside"]')?.textContent?.includes('Pay, Aldermoor'),
    );
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.waitForSelector('[data-testid="outside"] a[href^="/attempt/"]');
    await page.$eval('[data-testid="outside"] a[href^="/attempt/"]', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/attempt/'));
    await page.close();
  });

  test('applications in three words, activities by people over the limit, and each at its sites', async () => {
    const page = await open(`/promises?${stage().day}`, size);
    await page.waitForSelector('[data-testid="promises-headline"]');
    await seen(page, 'Applications and activities');
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button')]
        .find(({ innerText }) => innerText.includes('Applications and activities'))
        ?.click(),
    );
    await page.waitForSelector('[data-testid="activity-sites"]');
    const { applications, activities } = await ask(stage().url, '/api/standing', { query: stage().day });
    const worst = [...activities].sort((a, b) => b.peopleOver - a.peopleOver)[0];
    expect(worst?.name).toBe('Pick a slot');
    expect(applications.find(({ application }) => application === 'Sender Portal')?.speed.word).toBe('worse');
    expect(await textOf(page, 'application-Sender Portal')).toContain('slower than usual');
    expect(await textOf(page, `activity-${worst?.id}`)).toContain(
      `${worst?.peopleOver.toLocaleString('en-GB')} of ${worst?.people.toLocaleString('en-GB')} people over the limit`,
    );
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('ranked by promises: what is added to penalties stands first, and on the bill', async () => {
    const page = await open(`/?rankBy=promises&${stage().day}`, size);
    await page.waitForSelector('[data-testid^="row-"]');
    const { rows } = await ask(stage().url, '/api/worst-first', { query: `rankBy=promises&${stage().day}` });
    const weights = rows.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
    expect(weights[0]).toBeGreaterThan(1);
    expect(rows.every(({ weight, promiseSpent }) => weight > 0 || promiseSpent !== null)).toBe(true);
    await seen(page, 'more of penalties expected');
    const bill = await ask(stage().url, '/api/incidents/{id}', { id: rows[0]?.id ?? 0, query: stage().day });
    expect(bill.penalties).toBeCloseTo(weights[0] ?? 0, 6);
    expect(bill.promises.reduce((sum, { penalty }) => sum + penalty, 0)).toBeCloseTo(bill.penalties, 6);
    await page.close();
  });

  test('maintenance from a calendar is read, looked at, and only then saved', async () => {
    const page = await open('/settings', size);
    await page.waitForSelector('[data-testid="calendar-days"]');
    const year = new Date(stage().nowMs).getUTCFullYear();
    const ics = join(mkdtempSync(join(tmpdir(), 'toplens-ics-')), 'work.ics');
    const event = ['UID:1', `DTSTART:${year}1201T220000Z`, `DTEND:${year}1202T020000Z`, 'SUMMARY:New disks'];
    writeFileSync(ics, ['BEGIN:VCALENDAR', 'BEGIN:VEVENT', ...event, 'END:VEVENT', 'END:VCALENDAR'].join('\r\n'));
    const [chooser] = await Promise.all([page.waitForFileChooser(), tap(page, 'pick-calendar')]);
    await chooser.accept([ics]);
    await seen(page, '1 entry read; nothing is saved yet.');
    expect(
      await page.$eval('[data-testid="calendar-days"]', (field) => (field as HTMLTextAreaElement).value),
    ).toContain(`maintenance ${year}-12-01T22:00Z to ${year}-12-02T02:00Z New disks`);
    expect((await ask(stage().url, '/api/settings')).calendar.maintenance).toEqual([]);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('a target is tried on what was, saved with a name, and undone', async () => {
    const page = await open('/settings', size);
    await tap(page, 'change-promises');
    await page.waitForSelector('[aria-label^="Change promise 1"]');
    await page.$eval('[aria-label^="Change promise 1"]', (button) => (button as HTMLElement).click());
    await page.waitForSelector('[data-testid="promises-0-target"]');
    await fill(page, 'promises-0-target', '100');
    await tap(page, 'save-promises');
    await seen(page, 'Less than 100: with 100 % one bad attempt breaks it.');
    await fill(page, 'promises-0-target', '99.6');
    await tap(page, 'try-promises');
    await page.waitForSelector('[data-testid="tried"]');
    expect(await textOf(page, 'tried')).toMatch(/Labels for partners: now 99\.\d+ % of 99\.6 %/);
    expect(await violations(page)).toEqual([]);
    await fill(page, 'promises-who', 'Kim');
    await tap(page, 'save-promises');
    await gone(page, '[data-testid="promises-who"]');
    const targetIn = async (query: string) =>
      (await ask(stage().url, '/api/promises', { query })).promises.find(({ name }) => name === 'Labels for partners')
        ?.target;
    await until('the new target', async () => (await targetIn('last=60')) === 0.996);
    // The past keeps what was promised then.
    expect(await targetIn(stage().day)).toBe(0.995);
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label="Undo promises"]')?.click());
    await until('the old target', async () => (await targetIn('last=60')) === 0.995);
    await page.close();
  });
});

test('by keyboard alone, in the dark: to the promises, into the first one, and back', async () => {
  const page = await open(`/?${stage().day}`, 'wide', 'dark');
  await page.waitForSelector('[data-testid^="row-"], [data-testid^="incident-"], h1');
  await page.keyboard.press('4');
  await page.waitForSelector('[data-testid="promise-Labels for partners"]');
  expect(await violations(page)).toEqual([]);
  await page.$eval('[data-testid="promise-Labels for partners"] a', (door) => (door as HTMLElement).focus());
  await page.keyboard.press('Enter');
  await page.waitForSelector('[data-testid="budget-part"]');
  expect(await page.title()).toBe('Labels for partners · Top Lens');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.waitForSelector('[data-testid="promises-headline"]');
  await page.close();
});
