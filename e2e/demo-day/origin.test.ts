import { openPage, type Size } from '../browser';
import { sendLongAttempt } from '../long-attempt';
import { fill, press, seen, tap, textOf, violations } from '../page';
import { type AnswerTo, ask } from '../ask';
import { until } from '../processes';
import { demoDayStage } from './stage';

type Incident = AnswerTo<'/api/incidents/{id}'>;

/** From the ranked row to the component that it comes from, and to the failing line. */
const stage = demoDayStage();
const incidentOf = async (words: string): Promise<Incident> => {
  const { rows } = await ask(stage().url, '/api/worst-first', { query: stage().day });
  const id = rows.find(({ title }) => title.includes(words))?.id ?? NaN;
  return ask(stage().url, '/api/incidents/{id}', { id, query: stage().day });
};
const flowOf = async (technicalName: string) =>
  (await ask(stage().url, '/api/flows', { query: stage().day })).rows.find(
    (row) => row.technicalName === technicalName,
  );

test('the planted origins are proposed first, and the team follows them', async () => {
  const slow = await incidentOf('Pick a slot');
  expect(slow.origin?.candidates[0]).toMatchObject({ component: 'parcels-db', team: 'Data Stores' });
  expect(slow.proposedTeam?.team).toBe('Data Stores');
  expect(slow.origin?.rungs.map(({ component }) => component)).toEqual(
    expect.arrayContaining(['portal-web', 'slots', 'parcels-db']),
  );
  const { statements } = await ask(stage().url, '/api/incidents/{id}/statements', { id: slow.id });
  expect(statements).toMatchObject([
    { component: 'parcels-db', statement: expect.stringMatching(/^SELECT .* s\.depot = \?/) as string, nowCalls: 1 },
  ]);
  expect(statements[0]?.shareOfExcess).toBeGreaterThan(0.9);
  const { markdown } = await ask(stage().url, '/api/incidents/{id}/brief', {
    id: slow.id,
    query: `${stage().day}&team=Data Stores`,
  });
  expect(markdown).toMatch(/statement of parcels-db, [\d.]+ s of an attempt, usually \d+ ms: .* FROM slots/);
  const failing = await incidentOf('Print labels');
  expect(failing.origin?.candidates[0]?.component).toBe('labels');
  expect(failing.origin?.candidates[0]?.reasons[0]).toMatch(
    /^is the innermost component to fail in \d+ of \d+ attempts$/,
  );
  expect((await incidentOf('Shipper Link')).origin).toBeNull();
});

describe.each<Size>(['phone', 'wide'])('where it comes from, on the %s size', (size) => {
  test('the slow statement stands with the incident', async () => {
    const { id } = await incidentOf('Pick a slot');
    const page = await openPage(stage().browser, `${stage().url}/incident/${id}?${stage().day}`, size);
    await page.waitForSelector('[data-testid="slower-statements"]');
    expect(await textOf(page, 'slower-statements')).toMatch(/parcels-db: [\d.]+ s of an attempt, usually \d+ ms/);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('from the ranked row to the failing line, and back with window and focus kept', async () => {
    const { id, samples } = await incidentOf('Print labels');
    const page = await openPage(
      stage().browser,
      `${stage().url}/incident/${id}?${stage().day}&promotion=SPRING10`,
      size,
    );
    await seen(page, 'Likely origin');
    expect(await textOf(page, 'origin-first')).toBe('labels');
    expect(await violations(page)).toEqual([]);
    const traces = (await ask(stage().url, '/api/incidents/{id}', { id, query: `${stage().day}&promotion=SPRING10` }))
      .samples;
    expect(traces.length).toBeGreaterThan(0);
    await tap(page, `sample-${traces[0]?.traceId}`);
    await page.waitForFunction(
      () => location.pathname.startsWith('/attempt/') && location.search.includes('promotion=SPRING10'),
    );
    await seen(page, 'no surcharge for weight band 7');
    expect(await textOf(page, 'failing-place')).toContain('in labels, Surcharges.forBand (Surcharges.java:88)');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    expect(await violations(page)).toEqual([]);
    await press(page, 'button', 'Back');
    await page.waitForFunction(
      (path: string) => location.pathname === path && location.search.includes('promotion=SPRING10'),
      {},
      `/incident/${id}`,
    );
    expect(samples.length).toBeGreaterThan(0);
    await page.close();
  });

  test('what the logs say leads to lines, and from a line to its attempt and back; hosts are ruled out or left over', async () => {
    const { id } = await incidentOf('Pick a slot');
    const page = await openPage(stage().browser, `${stage().url}/incident/${id}?${stage().day}`, size);
    await seen(page, 'What the logs say');
    await page.waitForSelector('[data-testid="log-pattern"]');
    await seen(page, 'CPU, north-db-1:');
    expect(
      await page.$$eval('[data-testid="left-over"]', (lines) => lines.map((line) => line.textContent ?? '').join()),
    ).toMatch(/Connection pool, slots on .* 100 % now, nothing left/);
    expect(await page.$eval('[data-testid="hosts-part"]', (part) => part.textContent)).toMatch(/Ruled out: .*heap/);
    const patterns = await page.$$('[data-testid="log-pattern"]');
    const texts = await Promise.all(patterns.map((pattern) => pattern.evaluate((node) => node.textContent ?? '')));
    expect(texts[0]).toMatch(/duration: ‹…› ms statement: SELECT s\.id/);
    const slow = texts.findIndex((text) => text.startsWith('slot search for ‹…› took'));
    expect(slow).toBeGreaterThan(0);
    await patterns[slow]?.evaluate((node) => (node as HTMLElement).click());
    const line = await page.waitForSelector('[data-testid="log-part"] a[href^="/attempt/"]');
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await line?.evaluate((node) => (node as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/attempt/'));
    await seen(page, 'Log lines of this attempt');
    await page.waitForFunction(() =>
      /slot search for .* took/.test(document.querySelector('[data-testid="attempt-lines"]')?.textContent ?? ''),
    );
    await page.waitForSelector('[data-testid="attempt-hosts"]');
    expect(await violations(page)).toEqual([]);
    await press(page, 'button', 'Back');
    await page.waitForFunction((path: string) => location.pathname === path, {}, `/incident/${id}`);
    await page.close();
  });

  test('an attempt says how much its person matters, and who it is to whoever may see that', async () => {
    const { samples } = await incidentOf('Pick a slot');
    const page = await openPage(
      stage().browser,
      `${stage().url}/attempt/${samples[0]?.traceId}/${samples[0]?.spanId}?${stage().day}`,
      size,
    );
    await page.waitForSelector('[data-testid="person-standing"]');
    expect(await textOf(page, 'person-standing')).toMatch(
      /(^|\. )(No attempt of this person in the 24 h before this one|In the 24 h before, this person made \d+ attempts?, .*)\.$/,
    );
    await seen(page, samples[0]?.person ?? 'nobody is told');
    await tap(page, 'unmask');
    await fill(page, 'unmask-why', `a call, on the ${size}`);
    await fill(page, 'unmask-key', 'wrong');
    await tap(page, 'unmask-now');
    await seen(page, 'Nothing was shown; what you typed is kept.');
    expect(await violations(page)).toEqual([]);
    await fill(page, 'unmask-key', 'see');
    await tap(page, 'unmask-now');
    await page.waitForSelector('[data-testid="by-name"]');
    expect(await page.evaluate(() => document.body.innerText)).toMatch(/person sender-\d{5}/);
    expect(await violations(page)).toEqual([]);
    const { looks } = await ask(stage().url, '/api/person-looks');
    expect(looks[0]).toMatchObject({ who: 'first support', why: `a call, on the ${size}`, people: 1 });
    await page.close();
  });

  test('a plan chosen as a file is read in plain words', async () => {
    const { samples } = await incidentOf('Pick a slot');
    const page = await openPage(
      stage().browser,
      `${stage().url}/attempt/${samples[0]?.traceId}/${samples[0]?.spanId}?${stage().day}`,
      size,
    );
    await seen(page, 'select slots');
    const { rows } = await ask(stage().url, '/api/attempts/{traceId}/{spanId}', {
      traceId: samples[0]?.traceId,
      spanId: samples[0]?.spanId,
    });
    await tap(page, `span-${rows.find(({ name }) => name === 'select slots')?.id}`);
    await tap(page, 'open-plan');
    const [chooser] = await Promise.all([page.waitForFileChooser(), tap(page, 'pick-plan')]);
    await chooser.accept(['core/src/statements/fixtures/postgresql-15-cartesian.json']);
    await page.waitForFunction(() =>
      /are joined without a condition/.test(document.querySelector('[data-testid="plan-findings"]')?.textContent ?? ''),
    );
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('everything that runs: what was off stands first, groups change at a tap, and a part leads to its component', async () => {
    const { rows } = await ask(stage().url, '/api/worst-first', { query: stage().day });
    const onsetMs = rows.find(({ title }) => title.includes('Pick a slot'))?.onsetMs ?? NaN;
    const then = `from=${new Date(onsetMs - 3_600_000).toISOString()}&to=${new Date(onsetMs + 6 * 60_000).toISOString()}`;
    const page = await openPage(stage().browser, `${stage().url}/estate?${then}`, size);
    await seen(page, 'Everything that runs');
    await page.waitForSelector('[data-testid^="part-slots|"]');
    // One of its many statements is slow: the mean of the store alone would hide it.
    await page.waitForSelector('[data-testid="part-parcels-db|"]');
    expect(await textOf(page, 'part-parcels-db|')).toMatch(/select slots \d[\d.]*× as long/);
    expect(await violations(page)).toEqual([]);
    await press(page, 'radio', 'version');
    await page.waitForFunction(() => location.search.includes('groupBy=version'));
    await seen(page, 'slots 4.18.0');
    const strip = await page.waitForSelector('[role="slider"][aria-label^="slots 4.18.0"]');
    await strip?.focus();
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(() =>
      /slots on .*: hurting/.test(document.activeElement?.getAttribute('aria-valuetext') ?? ''),
    );
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await tap(page, 'part-parcels-db|');
    await page.waitForFunction(() => location.pathname === '/component/parcels-db');
    await page.close();
  });

  test('an attempt of 5,000 spans opens, and further rows are there as it is scrolled', async () => {
    const { traceId, spanId } = await sendLongAttempt(
      stage().url,
      5_000,
      stage().nowMs - (size === 'phone' ? 300_000 : 330_000),
    );
    const page = await openPage(stage().browser, `${stage().url}/attempt/${traceId}/${spanId}`, size);
    await seen(page, 'All 5000 spans');
    await page.mouse.move(180, 500);
    await until('rows further down', async () => {
      await page.mouse.wheel({ deltaY: 700 });
      return page.evaluate(() => document.body.innerText.includes('step 300 '));
    });
    await page.close();
  });

  test('a component tells who calls it, its hosts and who needs it; the way of a flow leads there', async () => {
    const slots = await flowOf('GET /slots/search');
    const page = await openPage(stage().browser, `${stage().url}/flow/${slots?.id}?${stage().day}`, size);
    const door = await page.waitForSelector('[data-testid="path-part"] a[href^="/component/parcels-db"]');
    await door?.evaluate((node) => (node as HTMLElement).click());
    await page.waitForFunction(() => location.pathname === '/component/parcels-db');
    await seen(page, 'Likely origin of');
    await seen(page, 'Pick a slot');
    await page.waitForSelector('[aria-label="Callers"] a[href^="/component/slots"]');
    expect(await page.evaluate(() => document.body.textContent)).toContain('Changed in the last day');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    expect(await violations(page)).toEqual([]);
    await press(page, 'button', 'Back');
    await page.waitForFunction((path: string) => location.pathname === path, {}, `/flow/${slots?.id}`);
    await page.close();
  });

  test('a region of time and duration lists its attempts, by keyboard as well', async () => {
    const slots = await flowOf('GET /slots/search');
    const page = await openPage(stage().browser, `${stage().url}/flow/${slots?.id}?${stage().day}`, size);
    const field = await page.waitForSelector('[data-testid="field"]');
    await field?.focus();
    await page.keyboard.press('ArrowUp');
    await page.waitForSelector('[data-testid="region-words"]');
    await page.keyboard.down('Shift');
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
    await page.keyboard.up('Shift');
    await page.waitForFunction(() =>
      /^\d[\d,]* attempts? from .* or longer, \d/.test(
        document.querySelector('[data-testid="region-words"]')?.textContent ?? '',
      ),
    );
    await page.waitForSelector('[data-testid="field-part"] [data-testid^="sample-"]');
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[data-testid="region-words"]'));
    // Brushed with the pointer: the right half, from top to bottom.
    await field?.scrollIntoView();
    const box = await field?.boundingBox();
    if (!box) throw new Error('the field is not drawn');
    await page.mouse.move(box.x + box.width * 0.5, box.y + 3);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.98, box.y + box.height - 3, { steps: 8 });
    await page.mouse.up();
    await page.waitForSelector('[data-testid="region-words"]');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('a figure of a flow lists what it is made of: the failed alone, and all that were bad', async () => {
    const flow = await flowOf('POST /labels/{parcel}');
    const id = flow?.id ?? NaN;
    const region = (only: string) =>
      ask(stage().url, '/api/flows/{id}/region', { id, query: `${stage().day}&only=${only}` });
    const [failed, bad] = [await region('failed'), await region('bad')];
    expect(failed.attempts / (flow?.attempts ?? NaN)).toBeCloseTo(flow?.failedShare ?? NaN, 4);
    expect(failed.samples.map(({ outcome }) => outcome)).toEqual(failed.samples.map(() => 'failed'));
    expect(failed.samples.length).toBeGreaterThan(5);
    expect(bad.attempts).toBeGreaterThanOrEqual(failed.attempts);
    expect(bad.bad).toBe(bad.attempts);
    const page = await openPage(stage().browser, `${stage().url}/flow/${id}?${stage().day}`, size);
    await press(page, 'button', 'failed');
    await page.waitForSelector('[data-testid="region-words"]');
    expect(await textOf(page, 'region-words')).toMatch(
      new RegExp(`^${failed.attempts.toLocaleString('en-GB')} failed attempts from`),
    );
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('a flow tells its statements, and nothing lies over anything else', async () => {
    const track = await flowOf('GET /track/{parcel}');
    const page = await openPage(stage().browser, `${stage().url}/flow/${track?.id}?${stage().day}`, size);
    await seen(page, 'Asked 5 times in each attempt');
    const [low, column] = await page.$eval('[data-testid="statements"]', (part) => [
      part.getBoundingClientRect().bottom,
      part.parentElement?.getBoundingClientRect().bottom ?? 0,
    ]);
    expect(low).toBeLessThanOrEqual((column as number) + 1);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });

  test('a span opens with its statement, host and own time; repeated calls unfold', async () => {
    const track = await flowOf('GET /track/{parcel}');
    const { slowest } = await ask(stage().url, '/api/flows/{id}', { id: track?.id, query: stage().day });
    const sample = slowest.find(({ outcome }) => outcome !== 'failed');
    const page = await openPage(
      stage().browser,
      `${stage().url}/attempt/${sample?.traceId}/${sample?.spanId}?${stage().day}`,
      size,
    );
    await seen(page, 'select events ×5');
    const { rows } = await ask(stage().url, '/api/attempts/{traceId}/{spanId}', {
      traceId: sample?.traceId,
      spanId: sample?.spanId,
    });
    const folded = rows.find(({ calls }) => calls === 5);
    const shownRows = () => page.$$eval('[data-testid^="span-"]', (found) => found.length);
    const before = await shownRows();
    await tap(page, `span-${folded?.id}`);
    await seen(page, 'WHERE e.parcel = ? AND e.leg = ?');
    await seen(page, 'What else ran on parcels-db then');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'toggle-calls');
    await page.waitForFunction(
      (n: number) => document.querySelectorAll('[data-testid^="span-"]').length === n,
      {},
      before + 4,
    );
    await page.close();
  });
});
