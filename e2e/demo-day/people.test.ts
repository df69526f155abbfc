import { openPage, type Size } from '../browser';
import { fill, gone, press, seen, tap, textOf, violations } from '../page';
import { ask } from '../ask';
import { demoDayStage } from './stage';

/** Who was hurt, where they leave on their way, and one person's sessions. */
const stage = demoDayStage();
const incidentOf = async (words: string) => {
  const { rows } = await ask(stage().url, '/api/worst-first', { query: stage().day });
  return rows.find(({ title }) => title.includes(words))?.id;
};

test('the journey of senders is told as it is, and names the three steps at which people leave because of trouble', async () => {
  const { journeys } = await ask(stage().url, '/api/journeys', { query: stage().day });
  const send = journeys.find(({ name }) => name === 'Send a parcel');
  expect(send?.steps.map(({ name, isBad }) => [name, isBad])).toEqual([
    ['Rate a parcel', false],
    ['Find an address', false],
    ['Pick a slot', true],
    ['Pay', true],
    ['Print labels', true],
  ]);
});

describe.each<Size>(['phone', 'wide'])('people, on the %s size', (size) => {
  test('a journey shows who leaves at each step and in which order to mend; from a step to its incident; named and taken back', async () => {
    const page = await openPage(stage().browser, `${stage().url}/flows?${stage().day}`, size);
    await press(page, 'link', 'Send a parcel');
    await page.waitForFunction(() => location.pathname.startsWith('/journey/') && location.search.includes('from='));
    await seen(page, 'Fix in this order');
    expect(await textOf(page, 'repairs')).toMatch(/Pick a slot[\s\S]*Print labels/);
    expect(await textOf(page, 'step-3')).toMatch(/left because of trouble \(/);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await tap(page, 'name-journey');
    await fill(page, 'journey-name', `Send it ${size}`);
    await fill(page, 'journey-who', 'a tester');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'save-journey');
    await gone(page, '[data-testid="journey-name"]');
    await seen(page, `Send it ${size}`);
    await tap(page, 'name-journey');
    await fill(page, 'journey-name', 'Send a parcel');
    await tap(page, 'save-journey');
    await gone(page, '[data-testid="journey-name"]');
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[data-testid="step-3"] a')]
        .find((door) => door.innerText.includes('the incident here'))
        ?.click(),
    );
    await page.waitForFunction(() => location.pathname.startsWith('/incident/'));
    await seen(page, 'Journeys affected');
    expect(await textOf(page, 'on-the-way')).toMatch(/Step 3 of 5 of Send a parcel[\s\S]*When fixed:/);
    await page.close();
  });

  test('the figures of a journey and of its money lead to the sessions and orders that they are made of', async () => {
    const page = await openPage(stage().browser, `${stage().url}/flows?${stage().day}`, size);
    await press(page, 'link', 'Send a parcel');
    await seen(page, 'Fix in this order');
    const { journeys } = await ask(stage().url, '/api/journeys', { query: stage().day });
    const send = journeys.find(({ name }) => name === 'Send a parcel');
    await tap(page, 'journey-3-leftAfterTrouble');
    await page.waitForSelector('[data-testid="journey-step-sentence"]');
    expect(await textOf(page, 'journey-step-sentence')).toMatch(
      /sessions met a late, hung or failed attempt here and ended here\. \d[\d,]* people left because of trouble/,
    );
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await press(page, 'link', 'left');
    const left = Math.round(send?.steps[2]?.left ?? NaN).toLocaleString('en-GB');
    await page.waitForFunction(
      (told) => document.querySelector('[data-testid="journey-step-sentence"]')?.textContent?.startsWith(told),
      {},
      `${left} sessions ended here.`,
    );
    await page.$eval('[data-testid^="sample-"]', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/attempt/'));
    // Orders that brought money: the same number as the figure tells.
    const { flows } = await ask(stage().url, '/api/money', { query: stage().day });
    const [earning] = flows;
    await page.goto(`${stage().url}/flows?${stage().day}`);
    await page.waitForSelector(`[data-testid="money-${earning?.flow}-orders"]`);
    await tap(page, `money-${earning?.flow}-orders`);
    await page.waitForSelector('[data-testid="region-words"]');
    expect(await textOf(page, 'region-words')).toMatch(
      new RegExp(`^${(earning?.orders.value ?? NaN).toLocaleString('en-GB')} attempts that succeeded from `),
    );
    expect(await textOf(page, 'field-part')).toMatch(/on time {2}€[\d,.]+/);
    expect(await violations(page)).toEqual([]);
    // What only happens lasts no time: nothing is told of durations.
    const event = flows.find(({ kind }) => kind === 'businessEvent');
    await page.goto(`${stage().url}/flows?${stage().day}`);
    await page.waitForSelector(`[data-testid="money-${event?.flow}-orders"]`);
    await tap(page, `money-${event?.flow}-orders`);
    await page.waitForSelector('[data-testid="event-part"]');
    expect(await textOf(page, 'region-words')).toMatch(
      new RegExp(`^${(event?.orders.value ?? NaN).toLocaleString('en-GB')} times from `),
    );
    expect(await page.evaluate(() => document.body.innerText)).not.toMatch(/Apdex|0 ms|limit/);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('who was hurt is listed without names; by name only with a key and a reason, which is recorded', async () => {
    const id = await incidentOf('Print labels');
    const page = await openPage(stage().browser, `${stage().url}/incident/${id}?${stage().day}`, size);
    await page.waitForSelector('[data-testid="hurt-words"]');
    expect(await textOf(page, 'hurt-part')).toMatch(/By promotion: SPRING10 \d+.* of \d+/);
    expect(await page.evaluate(() => document.body.innerText)).not.toMatch(/sender-\d{5}/);
    await tap(page, 'export-hurt');
    await fill(page, 'export-why', `winning back on the ${size}`);
    await fill(page, 'export-key', 'wrong');
    await tap(page, 'export-now');
    await seen(page, 'Nothing was saved; what you typed is kept.');
    expect(await violations(page)).toEqual([]);
    await fill(page, 'export-key', 'see');
    await tap(page, 'export-now');
    await gone(page, '[data-testid="export-now"]');
    const { looks } = await ask(stage().url, '/api/person-looks');
    expect(looks[0]).toMatchObject({ who: 'first support', why: `winning back on the ${size}` });
    expect(looks[0]?.people).toBeGreaterThan(20);
    await page.close();
  });

  test('the map stays empty for senders of one country: only there, the outside provider owes it, the attempt on the server is innocent', async () => {
    const page = await openPage(stage().browser, `${stage().url}/people?last=60`, size);
    await page.waitForSelector('[data-testid="pages-/send/pick-up"] [role="link"]');
    expect(await textOf(page, 'pages-where')).toMatch(
      /Something does not come on \d+ % of views from Ireland, elsewhere on [\d.]+ %: hardly anywhere else\./,
    );
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="pages-/send/pick-up"] [role="link"]', (link) => (link as HTMLElement).click());
    await seen(page, 'Tone: something does not come more often');
    expect(await textOf(page, 'resource-hosts')).toMatch(
      /^Hosts that pages load from\n[^]*Save as CSV\ntiles\.map-tiles\.example {2}third party\n.*did not come/,
    );
    await page.$eval('[data-testid="worst-loads"] a', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/page-load/'));
    await page.waitForSelector('[data-testid="resources"]');
    expect(await textOf(page, 'load-facts')).toContain('Ireland');
    expect(await textOf(page, 'resources')).toMatch(/did not come, from tiles\.map-tiles\.example/);
    expect(await violations(page)).toEqual([]);
    // From the call to the attempt on the server, and back to the page.
    await page.$eval('[data-testid="resources"] a', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/attempt/'));
    await page.waitForSelector('[data-testid="on-page"]');
    await tap(page, 'on-page');
    await page.waitForFunction(() => location.pathname.startsWith('/page-load/'));
    await page.close();
  });

  test('the parts of a country stand on a map of their own, one country after the other, and narrow to one', async () => {
    const page = await openPage(stage().browser, `${stage().url}/people?last=60&pagesBy=area`, size);
    await page.waitForSelector('[data-testid="country-parts"] [role="img"][aria-label^="Map of"]');
    await press(page, 'radio', 'Ireland');
    await page.waitForSelector('[role="img"][aria-label="Map of 4 parts of Ireland; the list says the same"]');
    expect(await textOf(page, 'country-parts')).toMatch(/Tone: something does not come more often[^]*Leinster/);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.$eval('[role="button"][aria-label^="Munster: "]', (circle) => (circle as HTMLElement).click());
    await page.waitForFunction(() => location.search.includes('area=IE-M'));
    await page.close();
  });

  test('the page that comes without its map stands in the rank: owed by the provider, and from an attempt to the load', async () => {
    const id = await incidentOf('ncomplete');
    const page = await openPage(stage().browser, `${stage().url}/incident/${id}?${stage().day}`, size);
    await page.waitForSelector('[data-testid="origin-first"]');
    expect(await textOf(page, 'origin-first')).toBe('tiles.map-tiles.example');
    await seen(page, 'belongs to Outside Partners');
    expect(await violations(page)).toEqual([]);
    await page.$eval('[data-testid^="sample-"]', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/page-load/'));
    await page.waitForSelector('[data-testid="resources"]');
    expect(await textOf(page, 'resources')).toMatch(/did not come, from tiles\.map-tiles\.example/);
    await page.close();
  });

  test('a few countries are kept in view; the others can be hidden', async () => {
    const page = await openPage(stage().browser, `${stage().url}/people?last=60&pagesBy=country`, size);
    await page.waitForSelector('[data-testid="pages-IE"] [role="checkbox"]');
    await page.$eval('[data-testid="pages-IE"] [role="checkbox"]', (keep) => (keep as HTMLElement).click());
    await press(page, 'radio', 'only those kept');
    await page.waitForFunction(() => document.querySelector('[data-testid="pages-GB"]') === null);
    expect(await textOf(page, 'countries')).toMatch(/5 other countries are not shown/);
    expect(await violations(page)).toEqual([]);
    await page.reload({ waitUntil: 'networkidle2' });
    await page.waitForSelector('[data-testid="pages-IE"] [aria-checked="true"]');
    await page.$eval('[data-testid="pages-IE"] [role="checkbox"]', (keep) => (keep as HTMLElement).click());
    await page.close();
  });

  test('orders and money stand against like days, on Flows and on the incident that costs them', async () => {
    const hour = `from=${new Date(stage().nowMs - 3_600_000).toISOString()}&to=${new Date(stage().nowMs - 60_000).toISOString()}`;
    const page = await openPage(stage().browser, `${stage().url}/flows?${hour}`, size);
    await page.waitForSelector('[data-testid="money"]');
    expect(await textOf(page, 'money')).toMatch(
      /Pay\n€[\d,]+ less than usual \(€[\d,]+ to €[\d,]+\)\norders\n\d+\nvalue\n€[\d,]+\n/,
    );
    // Each bar says in words what it shows.
    const bars = await page.$$eval('[data-testid="money"] a[aria-label]', (all) =>
      all.map((bar) => bar.getAttribute('aria-label') ?? ''),
    );
    expect(bars[0]).toMatch(/^\d+ orders, usually \d+ to \d+: below$/);
    expect(await violations(page)).toEqual([]);
    const id = await incidentOf('Pick a slot');
    await page.goto(`${stage().url}/incident/${id}?${hour}`, { waitUntil: 'networkidle2' });
    await page.waitForSelector('[data-testid="incident-money"]');
    expect(await textOf(page, 'incident-money')).toMatch(/of those who began, usually \d+ % to \d+ %: below/);
    // What comes from lines of the ledger's log, and its export of the days before.
    expect(await textOf(page, 'incident-money')).toMatch(
      /Insure a parcel \(business event\)\n\d+ times, usually \d+ to \d+/,
    );
    await page.waitForSelector('[data-testid="lost-by-tier"]');
    expect(await textOf(page, 'lost-by-tier')).toMatch(/Casual: €[\d,]+ \(€[\d,]+ to €[\d,]+\), [\d,]+ people/);
    await page.close();
  });

  test('one person is found, with sessions in order, and from an attempt to its spans; by keyboard', async () => {
    const page = await openPage(stage().browser, `${stage().url}/people/find?${stage().day}`, size);
    await page.waitForSelector('[data-testid="find-person"]');
    await fill(page, 'find-person', 'partner-007');
    await fill(page, 'find-why', `they called about the ${size}`);
    await fill(page, 'find-key', 'see');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-testid="sessions"] a');
    expect(await textOf(page, 'sessions')).toMatch(
      /^person [0-9a-f]{4}-[0-9a-f]{4}\n\d+ attempts(?: and \d+ page views?)? in \d+ sessions? since/,
    );
    await seen(page, `they called about the ${size}`);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="sessions"] a', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/attempt/'));
    await page.close();
  });

  test('a person who asks gets all that is stored, and is erased', async () => {
    const id = size === 'phone' ? 'partner-011' : 'partner-012';
    const page = await openPage(stage().browser, `${stage().url}/people/find?${stage().day}`, size);
    const find = async () => {
      await page.waitForSelector('[data-testid="find-person"]');
      await fill(page, 'find-person', id);
      await fill(page, 'find-why', `a letter, on the ${size}`);
      await fill(page, 'find-key', 'see');
      await tap(page, 'find-now');
    };
    await find();
    await page.waitForSelector('[data-testid="export-person"]');
    const [answer] = await Promise.all([
      page.waitForResponse((response) => response.url().endsWith('/api/people/export')),
      tap(page, 'export-person'),
    ]);
    expect(answer.status()).toBe(200);
    await tap(page, 'erase-person');
    await page.waitForSelector('[data-testid="erase-now"]');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'erase-now');
    await page.waitForSelector('[data-testid="erased"]');
    expect(await textOf(page, 'erased')).toMatch(
      /^Erased: nothing tells any more who person [\da-f-]{9} was\. [\d,]+ attempts stay/,
    );
    await page.reload();
    await find();
    await seen(page, 'Nobody is known under that id');
    await page.close();
  });
});
