import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { fill, gone, press, seen, tap, textOf, violations } from '../page';
import { until } from '../processes';
import { demoDayStage } from './stage';

/** What people decide, on the screen; and what a past window, a filter and a brief make of it. */
const stage = demoDayStage();
const open = (path: string, size: Size) => openPage(stage().browser, `${stage().url}${path}`, size);
const flowNamed = async (name: string, query = 'last=60') =>
  (await ask(stage().url, '/api/flows', { query })).rows.find((row) => row.name === name);
const incidentOf = async (words: string) =>
  (await ask(stage().url, '/api/worst-first', { query: stage().day })).rows.find(({ title }) => title.includes(words));

describe.each<Size>(['phone', 'wide'])('settings, on the %s size', (size) => {
  test('owners are changed on the screen: tried first, saved with a name, and undone; the past keeps its owner', async () => {
    const page = await open('/settings', size);
    await tap(page, 'change-ownership');
    await tap(page, 'add-ownership');
    await page.waitForSelector('[data-testid^="ownership-"][data-testid$="-team"]');
    const at = (await ask(stage().url, '/api/settings')).file.ownership.length;
    await fill(page, `ownership-${at}-flow`, 'Find an address');
    await tap(page, 'save-ownership');
    await seen(page, 'Name the team.');
    await fill(page, `ownership-${at}-team`, `Addresses ${size}`);
    // The first rule that matches speaks: the new one must go before those of applications.
    for (let i = 0; i < 3; i++)
      await page.evaluate(
        (name: string) =>
          document.querySelector<HTMLElement>(`[aria-label^="Move up rule"][aria-label*="${name}"]`)?.click(),
        `Addresses ${size}`,
      );
    await tap(page, 'try-ownership');
    await page.waitForSelector('[data-testid="tried"]');
    expect(await textOf(page, 'tried')).toContain(`Addresses ${size}: owns 1: Find an address`);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await fill(page, 'ownership-who', 'Kim');
    await tap(page, 'save-ownership');
    await gone(page, '[data-testid="ownership-who"]');
    await until('the new owner', async () => (await flowNamed('Find an address'))?.team === `Addresses ${size}`);
    expect((await flowNamed('Find an address', stage().day))?.team).toBe('Portal');
    await seen(page, 'owners: ');
    expect(await violations(page)).toEqual([]);
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label="Undo owners"]')?.click());
    await until('the old owner', async () => (await flowNamed('Find an address'))?.team === 'Portal');
    await page.close();
  });

  test('all settings go out and come in again as one file, which is undone as one change', async () => {
    const exported = await ask(stage().url, '/api/settings/file');
    const page = await open('/settings', size);
    await page.waitForSelector('[data-testid="settings-file"]');
    const [chooser] = await Promise.all([page.waitForFileChooser(), tap(page, 'pick-settings')]);
    await chooser.accept(['config/pellwick.json']);
    await seen(page, 'It takes the place of all settings');
    // The run on the other size left its own import in the list.
    await fill(page, 'import-who', `Kim ${size}`);
    await tap(page, 'save-import');
    await seen(page, 'Imported. It can be undone below');
    await seen(page, `Kim ${size}`);
    expect(await violations(page)).toEqual([]);
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label="Undo all settings"]')?.click());
    await until('the settings of before', async () => {
      const now = await ask(stage().url, '/api/settings/file');
      return JSON.stringify(now) === JSON.stringify(exported);
    });
    await page.close();
  });

  test('business events come in from a file, whole or not at all, and stand beside the money', async () => {
    const page = await open('/settings', size);
    const { window } = await ask(stage().url, '/api/worst-first', { query: 'last=60' });
    const upload = async (...rows: string[]) => {
      const file = join(mkdtempSync(join(tmpdir(), 'toplens-upload-')), 'orders.csv');
      writeFileSync(file, ['time,name,amount,currency,application', ...rows].join('\r\n'));
      const [chooser] = await Promise.all([page.waitForFileChooser(), tap(page, 'pick-events')]);
      await chooser.accept([file]);
    };
    const sold = `Sold at the ${size} counter`;
    const at = (minutes: number) => new Date(window.toMs - minutes * 60_000).toISOString();
    await page.waitForSelector('[data-testid="pick-events"]');
    await upload(`${at(20)},${sold},12.50,EUR,Counters`, `yesterday,${sold},1,EUR,Counters`);
    await seen(page, 'Row 3, column time: expected a time with its zone');
    await seen(page, 'Nothing of the file was taken');
    expect(await violations(page)).toEqual([]);
    await upload(`${at(20)},${sold},12.50,EUR,Counters`, `${at(19)},${sold},7.50,EUR,Counters`);
    await seen(page, '2 events taken.');
    await until('the money of the file', async () => {
      const { flows } = await ask(stage().url, '/api/money', { query: 'last=60' });
      return flows.find(({ name }) => name === sold)?.value.value === 20;
    });
    await page.close();
  });

  test('a brief is a page to read: it says what to repeat, and leaves out what belongs to another incident', async () => {
    const incident = await incidentOf('Print labels');
    const page = await open(`/incident/${incident?.id}?${stage().day}`, size);
    await tap(page, 'send');
    await press(page, 'button', 'Show the brief');
    await page.waitForSelector('[data-testid="brief"]');
    const words = await textOf(page, 'brief');
    expect(words).toMatch(
      /To reproduce Repeat POST \/labels\/\{parcel\}.* with promotion SPRING10: \d+ of \d+ attempts/,
    );
    expect(words).not.toMatch(/\*\*|^#|\|---|north-db-1|CardNetworkTimeout/m);
    expect(
      await page.$$eval('[data-testid="brief"] [role="table"] [role="row"]', (rows) => rows.length),
    ).toBeGreaterThan(2);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('curves follow the filter and say so; everything that runs says that it does not', async () => {
    const flow = await flowNamed('Print labels');
    const page = await open(`/flow/${flow?.id}?last=60&promotion=SPRING10`, size);
    await seen(page, 'Of what the filter leaves; the range beside it is what is usual for everybody.');
    // Nearly all of it fails there, and a fifth of everybody’s.
    expect(await textOf(page, 'at-Print labels: share that failed')).toMatch(/(\d{2}|100)(\.\d)? %$/);
    await page.goto(`${stage().url}/estate?last=60&promotion=SPRING10`, { waitUntil: 'networkidle2' });
    await seen(page, 'The filter does not apply here: each part works for everybody.');
    // Slow since hours: against the day before, not against the hour before.
    expect(await textOf(page, 'part-parcels-db|')).toMatch(/select slots \d[\d.]*× as long as usual/);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('compared with before a release: the release is chosen', async () => {
    const page = await open('/flows?last=60', size);
    await page.waitForSelector('[data-testid="flows-headline"]');
    await page.keyboard.press('c');
    await press(page, 'radio', 'before the last release');
    await press(page, 'radio', '4.18.0 of slots');
    await page.waitForFunction(() => location.search.includes('release='));
    await seen(page, 'Small figures: before 4.18.0 of slots.');
    await page.close();
  });
});
