import { openPage, type Size } from '../browser';
import { fill, gone, press, seen, tap, textOf, violations } from '../page';
import { type AnswerTo, ask } from '../ask';
import { until } from '../processes';
import { demoDayStage } from './stage';

type Row = AnswerTo<'/api/worst-first'>['rows'][number];

/**
 * A rank that can be trusted, driven through the interface: narrowing, comparing, past moments, limits, rates,
 * decisions.
 */
const stage = demoDayStage();
const list = (query = stage().day) => ask(stage().url, '/api/worst-first', { query });
const open = (path: string, size: Size) => openPage(stage().browser, `${stage().url}${path}`, size);
const rowOf = async (words: string) => (await list()).rows.find(({ title }) => title.includes(words)) as Row;

describe.each<Size>(['phone', 'wide'])('trust, on the %s size', (size) => {
  test('a tap on who is hit narrows everything, says how many sessions remain, and goes away again', async () => {
    const { id } = await rowOf('Print labels');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    await seen(page, 'Who is hit most');
    await seen(page, 'No difference by');
    await tap(page, 'hit-SPRING10');
    await page.waitForFunction(() => location.search.includes('promotion=SPRING10'));
    await seen(page, 'remain.');
    await page.waitForSelector('[aria-label="Filter promotion SPRING10. Remove"]');
    const narrowed = await ask(stage().url, '/api/worst-first', { query: `${stage().day}&promotion=SPRING10` });
    await page.goto(`${stage().url}/?${stage().day}&promotion=SPRING10`, { waitUntil: 'networkidle2' });
    expect(await textOf(page, 'headline')).toBe(narrowed.headline);
    expect(await violations(page)).toEqual([]);
    await page.evaluate(() =>
      document.querySelector<HTMLElement>('[aria-label="Filter promotion SPRING10. Remove"]')?.click(),
    );
    await page.waitForFunction(() => !location.search.includes('promotion'));
    await page.close();
  });

  test('comparing with the day before says what was then, and draws it', async () => {
    const { id } = await rowOf('Pick a slot');
    const page = await open(`/?${stage().day}`, size);
    await page.waitForSelector('[data-testid="row-1"]');
    await page.keyboard.press('c');
    await press(page, 'radio', 'the day before');
    await page.waitForFunction(() => location.search.includes('against=day'));
    await page.waitForSelector('[data-testid="compared"]');
    expect(await textOf(page, 'compared')).toMatch(/^The day before: /);
    await page.goto(`${stage().url}/incident/${id}?${stage().day}&against=day`, { waitUntil: 'networkidle2' });
    await seen(page, 'Dashed: the day before.');
    await page.close();
  });

  test('a past moment shows what was wrong then, marked apart from what is wrong now', async () => {
    // In the middle of the past outage of payments: in trouble then, long over by now.
    const back = (days: number) => new Date(stage().nowMs - days * 86_400_000).toISOString();
    const past = (await list(`from=${back(6)}&to=${back(4.5)}`)).rows.find(({ title }) =>
      title.includes(': Pay'),
    ) as Row;
    const from = new Date(past.onsetMs - 30 * 60_000).toISOString();
    const then = new Date(Math.floor((past.onsetMs + past.endMs) / 2)).toISOString();
    const row = (await list(`from=${from}&to=${then}`)).rows.find(({ id }) => id === past.id) as Row;
    expect(row).toMatchObject({ activeAtEnd: true, inTroubleNow: false });
    const page = await open(`/incident/${row.id}?from=${from}&to=${then}`, size);
    await seen(page, 'in trouble then; over by now');
    await page.close();
  });

  test('flows are sorted by any column, and a flow shows its limits, bands and sides', async () => {
    const page = await open(`/flows?${stage().day}&sort-flows=-p95Ms`, size);
    await page.waitForSelector('[data-testid^="flow-"]');
    const { rows } = await ask(stage().url, '/api/flows', { query: stage().day });
    const slowest = rows
      .filter(({ attempts }) => attempts >= 30)
      .sort((a, b) => (b.p95Ms ?? -1) - (a.p95Ms ?? -1))[0] as {
      id: number;
      name: string;
    };
    const first = await page.$eval(
      '[data-testid^="flow-"]:not([data-testid="flows-headline"])',
      (element) => (element as HTMLElement).innerText,
    );
    expect(first).toContain(slowest.name);
    expect(await violations(page)).toEqual([]);
    await tap(page, `flow-${slowest.id}`);
    for (const words of ['What became of the attempts', 'Response bands', 'Limits', 'Side by side', 'Slowest attempts'])
      await seen(page, words);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('a limit set by hand judges at once, beside the learned one, and is undone', async () => {
    const { rows } = await ask(stage().url, '/api/flows', { query: stage().day });
    const flow = rows.find(({ name }) => name === 'Pay') as { id: number };
    const page = await open(`/flow/${flow.id}`, size);
    await seen(page, 'Limits');
    expect(await textOf(page, 'limit-Owner’s')).toBe('not set');
    const learned = await textOf(page, 'limit-Learned');
    await tap(page, 'edit-flow');
    await fill(page, 'flow-limit', '1.2');
    await fill(page, 'flow-who', 'Kim');
    await tap(page, 'save-flow');
    await gone(page, '[data-testid="save-flow"]');
    await page.waitForFunction(
      () => document.querySelector<HTMLElement>('[data-testid="limit-Owner’s"]')?.innerText === '1.2 s',
    );
    expect(await textOf(page, 'limit-Learned')).toBe(learned);
    const judged = await ask(stage().url, '/api/flows/{id}', { id: flow.id });
    expect(judged.normal.limitBy).toBe('owner');
    expect(judged.row.apdexWords).toContain('[1.2]');
    await tap(page, 'undo-flow');
    await page.waitForFunction(
      () => document.querySelector<HTMLElement>('[data-testid="limit-Owner’s"]')?.innerText === 'not set',
    );
    await page.close();
  });

  test('a single site gets a limit of its own; a site that nobody knows is refused with the way on', async () => {
    const { rows } = await ask(stage().url, '/api/flows', { query: stage().day });
    const flow = rows.find(({ name }) => name === 'Pay') as { id: number };
    const { sites } = await ask(stage().url, '/api/flows/{id}', { id: flow.id });
    const site = sites[0] as string;
    const page = await open(`/flow/${flow.id}`, size);
    await seen(page, 'Limits');
    await tap(page, 'edit-flow');
    await fill(page, 'flow-site-limits', 'Nowhere at all: 2');
    await fill(page, 'flow-who', 'Kim');
    await seen(page, 'Line 1: no site is called “Nowhere at all”.');
    await fill(page, 'flow-site-limits', `${site.toLowerCase()}: 0,7`);
    expect(await violations(page)).toEqual([]);
    await tap(page, 'save-flow');
    await gone(page, '[data-testid="save-flow"]');
    await page.waitForSelector(`[data-testid="limit-${site}"]`);
    expect(await textOf(page, `limit-${site}`)).toBe('700 ms');
    await tap(page, 'undo-flow');
    await gone(page, `[data-testid="limit-${site}"]`);
    await page.close();
  });

  test('charts show one moment together', async () => {
    const { id } = await rowOf('Pick a slot');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    await page.waitForSelector('[role="slider"]');
    await page.focus('[role="slider"]');
    await page.keyboard.press('ArrowLeft');
    const shown = await page.$$eval('[data-testid^="at-"]', (all) =>
      all.map((one) => /^(?:\w{3} \d+ \w{3} )?\d\d:\d\d/.exec((one as HTMLElement).innerText)?.[0]),
    );
    expect(shown.length).toBeGreaterThanOrEqual(3);
    expect(new Set(shown).size).toBe(1);
    // Of another day once midnight has passed since.
    expect(shown[0]).toMatch(/\d\d:\d\d$/);
    await page.close();
  });

  test('a rate changed in the settings moves the bill, with who and when, and is undone', async () => {
    const { id } = (await list('last=60')).rows.find(({ title }) => title.includes('Print labels')) as Row;
    const failed = async () => {
      const { bill } = await ask(stage().url, '/api/incidents/{id}', { id, query: `${stage().day}&rates=today` });
      const line = bill.find(({ name }) => name === 'failed');
      return { rate: line?.rate, harm: Math.round(line?.harm.estimate ?? NaN) };
    };
    const before = await failed();
    expect(before.rate).toBe(5);
    expect(before.harm).toBeGreaterThan(0);
    const page = await open('/settings', size);
    await fill(page, 'rate-failed', 'much');
    await fill(page, 'rates-who', 'Kim');
    await tap(page, 'save-rates');
    await seen(page, 'A number, at least 0.');
    await fill(page, 'rate-failed', '10');
    await tap(page, 'save-rates');
    await until('the new rate', async () => (await failed()).rate === 10);
    expect(Math.abs((await failed()).harm - 2 * before.harm)).toBeLessThanOrEqual(1);
    await seen(page, 'a failed attempt 10');
    expect(await violations(page)).toEqual([]);
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label="Undo harm rates"]')?.click());
    await seen(page, 'undone');
    await until('the old rate', async () => (await failed()).rate === 5);
    expect(await failed()).toEqual(before);
    await page.close();
  });
});

describe.each<Size>(['phone', 'wide'])('what a screen gives away, on the %s size', (size) => {
  test('a link to exactly this moment, from every view', async () => {
    const page = await open('/flows?last=480&sort-flows=-p95Ms&fewest=100', size);
    await page.evaluate(() => {
      const given: string[] = [];
      Object.assign(window, { given });
      Object.defineProperty(navigator, 'clipboard', {
        value: { writeText: (text: string) => Promise.resolve(void given.push(text)) },
      });
    });
    await page.waitForSelector('[data-testid^="flow-"]');
    await press(page, 'button', 'Copy link');
    await seen(page, 'Copied');
    const [link] = await page.evaluate(() => (window as unknown as { given: string[] }).given);
    expect(link).toMatch(/\/flows\?from=.*&to=.*&sort-flows=-p95Ms&fewest=100$/);
    await page.close();
  });

  test('a chart gives its figures, and itself as CSV, SVG and PNG', async () => {
    const { id } = await rowOf('Pick a slot');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    await seen(page, 'Compared with normal');
    await page.evaluate(() => {
      const saved: string[] = [];
      Object.assign(window, { saved });
      HTMLAnchorElement.prototype.click = function save(this: HTMLAnchorElement) {
        saved.push(this.download);
      };
    });
    await press(page, 'button', 'Figures');
    await page.waitForSelector('[role="table"][aria-label^="Figures of"]');
    expect(await violations(page)).toEqual([]);
    for (const kind of ['csv', 'svg', 'png']) await tap(page, `save-${kind}`);
    const saved = () => page.evaluate(() => (window as unknown as { saved: string[] }).saved);
    await until('the files', async () => (await saved()).length === 3);
    expect((await saved()).sort()).toEqual(['csv', 'png', 'svg'].map((kind) => `pick-a-slot-duration-median.${kind}`));
    await page.close();
  });

  test('an outage says what usually serves the flow, and what it did meanwhile', async () => {
    const { id } = await rowOf('Shipper Link');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    await page.waitForSelector('[data-testid="outage"]');
    expect(await textOf(page, 'outage')).toMatch(/Nothing reaches shipper-link, the first component on the way/);
    await seen(page, 'Hosts: suspect or ruled out');
    await page.close();
  });

  test('who is hit most tells sites that wait longer and leave more often although all are late', async () => {
    const { id } = await rowOf('Pick a slot');
    const { mostHit } = await ask(stage().url, '/api/incidents/{id}', { id, query: stage().day });
    expect(mostHit.segments.map(({ value }) => value)).toEqual(expect.arrayContaining(['Ostrel', 'Tarn Cross']));
    expect(mostHit.ruledOut.map(({ dimension }) => dimension)).not.toContain('site');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    expect(await textOf(page, 'hit-Ostrel')).toMatch(/Waits .* longer than usual, elsewhere .*more leave than usual/s);
    await page.close();
  });

  test('a replica that died is an early warning and never ranks; what belongs to an incident is none', async () => {
    const { warnings } = await ask(stage().url, '/api/early-warnings', { query: 'last=60' });
    expect(warnings.map(({ kind, component, host, probe }) => `${kind} ${probe?.site ?? (component || host)}`)).toEqual(
      [
        // A probe that no longer gets through from one depot, where nobody works with what it checks.
        'probe Dunsel',
        'replica addresses',
        // The old device of one clerk: nobody but that clerk feels it.
        'full east-103',
      ],
    );
    const page = await open('/?last=60', size);
    await press(page, 'button', 'Early warnings: nobody hurt yet');
    await page.waitForSelector('[data-testid="early-warning"]');
    expect(await textOf(page, 'early-warning')).toMatch(
      /^Probe Shipper Link rates, from Dunsel: broken at Track a parcel/,
    );
    await seen(page, ': addresses on ');
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('a line of the bill is a door to the attempts of these minutes', async () => {
    const { id } = await rowOf('Pick a slot');
    const page = await open(`/incident/${id}?${stage().day}`, size);
    await tap(page, 'bill-door-waiting');
    await page.waitForFunction(() => location.pathname.startsWith('/flow/') && location.search.includes('from='));
    await seen(page, 'What became of the attempts');
    await page.close();
  });
});

test('at 1280 × 800 there is room for eight rows with all their words', async () => {
  const page = await open('/', 'wide');
  await page.waitForSelector('[data-testid="row-1"]');
  const [top, height] = await page.$eval('[role="list"][aria-label^="Incidents"] [role="listitem"]', (row) => {
    const box = row.getBoundingClientRect();
    // This world stands still, and a line says so: with data coming in it is not there.
    const stale = [...document.querySelectorAll('[role="status"]')].reduce(
      (sum, line) => sum + line.getBoundingClientRect().height,
      0,
    );
    return [box.top - stale, box.height] as const;
  });
  expect(top + 8 * height).toBeLessThanOrEqual(800);
  await page.close();
});

test('an incident is set aside with a reason, is out of the rank, and is taken back', async () => {
  const { id } = await rowOf('Shipper Link');
  const page = await open(`/incident/${id}?${stage().day}`, 'phone');
  await tap(page, 'set-aside');
  await fill(page, 'who', 'Kim');
  await tap(page, 'decide');
  await seen(page, 'Say why it is set aside.');
  await fill(page, 'reason', 'partners were told');
  await tap(page, 'decide');
  await gone(page, '[data-testid="decide"]');
  await seen(page, 'Set aside until');
  expect((await list()).setAside.map((one) => one.id)).toEqual([id]);
  expect((await list()).rows.some((row) => row.id === id)).toBe(false);
  await tap(page, 'take-back');
  await until('it to be back', async () => (await list()).rows.some((row) => row.id === id));
  await page.close();
});

test('an incident is split, the parts are joined again, and the rank follows', async () => {
  const { id } = await rowOf('Shipper Link');
  const before = (await list()).rows.length;
  const page = await open(`/incident/${id}?${stage().day}`, 'wide');
  await tap(page, 'split');
  await press(page, 'checkbox', 'Labels for partners');
  await fill(page, 'who', 'Kim');
  await tap(page, 'decide');
  await gone(page, '[data-testid="decide"]');
  await until('two of them', async () => (await list()).rows.length === before + 1);
  const part = (await list()).rows.find(({ title }) => title.includes('Labels for partners')) as Row;
  await page.goto(`${stage().url}/incident/${part.id}?${stage().day}`, { waitUntil: 'networkidle2' });
  await tap(page, 'join');
  await press(page, 'radio', 'partners');
  await tap(page, 'decide');
  await gone(page, '[data-testid="decide"]');
  await until('one again', async () => (await list()).rows.length === before);
  await seen(page, 'Decided by hand');
  await page.close();
});
