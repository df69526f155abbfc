import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { seen, textOf, violations } from '../page';
import { demoDayStage } from './stage';
import { truthWithin } from '../../scenario/src/pellwick/truth';

/** The drivers' application crashes on one device: from the ranked row to the crashing line, its session, and back. */
const stage = demoDayStage();
const open = (path: string, size: Size, scheme?: 'light' | 'dark') =>
  openPage(stage().browser, `${stage().url}${path}`, size, scheme);
const runsOver = (page: Awaited<ReturnType<typeof open>>) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

test('crashes are counted as they happened: people and launches within a tenth of the truth', async () => {
  const { window, applications, groups } = await ask(stage().url, '/api/phone', { query: stage().day });
  const truth = truthWithin(stage().truth.events, 3, window.fromMs, window.toMs);
  const photo = groups.find(({ place }) => place === 'PhotoStore.keep');
  expect(photo).toMatchObject({ application: 'Round', type: 'java.lang.IllegalStateException' });
  expect(Math.abs((photo?.people ?? 0) - truth.people)).toBeLessThanOrEqual(0.1 * truth.people);
  expect(Math.abs((photo?.crashes ?? 0) - truth.failed)).toBeLessThanOrEqual(0.1 * truth.failed);
  const [round] = applications;
  expect(round?.versions.map(({ version }) => version).slice(0, 2)).toEqual(['7.3.1', '7.3.0']);
  expect(round?.versions.find(({ version }) => version === '7.3.0')?.standsOut[0]).toMatchObject({
    what: 'crashes',
    isWorse: true,
  });
});

test('an address that fails for one carrier is told so; in its sessions the failing request stands on the clock', async () => {
  const { addresses } = await ask(stage().url, '/api/phone-addresses', { query: stage().day });
  const photos = addresses.find(({ address }) => address === 'photos.round.pellwick.example/photos/{id}');
  expect(photos?.where).toMatchObject({ dimension: 'carrier', value: 'Copperwave', times: null });
  expect(addresses[0]).toEqual(photos);
  expect(addresses.filter(({ where }) => where !== null)).toHaveLength(1);
  const { sessions } = await ask(stage().url, '/api/phone-sessions', {
    query: `${stage().day}&address=${encodeURIComponent(photos?.address ?? '')}`,
  });
  const hit = sessions.find(({ requestsFailed }) => requestsFailed > 0);
  const page = await ask(stage().url, '/api/phone-sessions/{session}', { session: hit?.session ?? '' });
  const asked = page.entries.find(({ kind, failed }) => kind === 'request' && failed);
  expect(asked).toMatchObject({ what: photos?.address, words: 'no answer' });
  expect(asked?.attempt).not.toBeNull();
});

test('the crash stands in the one rank, with people and the team that must act', async () => {
  const { rows } = await ask(stage().url, '/api/worst-first', { query: stage().day });
  const crash = rows.find(({ application }) => application === 'Round');
  expect(crash).toMatchObject({ title: 'Crashes for device Tessel 5: Take a photo', proposedTeam: "Drivers' App" });
  const { window } = await ask(stage().url, '/api/phone', { query: stage().day });
  const truth = truthWithin(stage().truth.events, 3, window.fromMs, window.toMs);
  expect(Math.abs((crash?.people.estimate ?? 0) - truth.people)).toBeLessThanOrEqual(0.1 * truth.people);
  const { markdown } = await ask(stage().url, '/api/incidents/{id}/brief', { id: crash?.id ?? 0, query: stage().day });
  expect(markdown).toContain('PhotoStore.keep');
  expect(markdown).toMatch(/7\.3\.1 has none so far; .* of launches are of it/);
});

describe.each<Size>(['phone', 'wide'])('phones, on the %s size', (size) => {
  test('from the versions to the place in the code, one crash, its trail and its session', async () => {
    const page = await open(`/people/phone?${stage().day}`, size);
    await page.waitForSelector('[data-testid="crash-groups"]');
    expect(await textOf(page, 'phone-sentence')).toMatch(
      /^[\d,]+ launches; [\d,]+ crashes at \w+ places? of the code\.$/,
    );
    expect(await textOf(page, 'version-7.3.0')).toMatch(
      /crashed, between .*\n.*crashes [\d.,]+× as often as all others/s,
    );
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="crash-group"]', (door) => (door as HTMLElement).click());
    await page.waitForSelector('[data-testid="crash-where"]');
    await seen(page, 'Where it happens');
    expect(await textOf(page, 'frames')).toContain('pellwick.round.photo.PhotoStore.keep, PhotoStore.kt:118');
    expect(await textOf(page, 'crash-where')).toMatch(/Tessel 5\n[\d,]+ of [\d,]+ launches: here alone/);
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="one-crash"]', (door) => (door as HTMLElement).click());
    await page.waitForSelector('[data-testid="crash-session"] a[href^="/attempt/"]');
    expect(await textOf(page, 'trail')).toMatch(/screen Scan\n.* before/);
    expect(await textOf(page, 'crash-facts')).toContain('7.3.0 · Tessel 5 · Android');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="whole-session"]', (door) => (door as HTMLElement).click());
    await page.waitForSelector('[data-testid="session-clock"]');
    expect(await textOf(page, 'session-sentence')).toMatch(/1 crash|[\d]+ crashes/);
    expect(await textOf(page, 'session-entries')).toContain('Crash: java.lang.IllegalStateException on Photo');
    expect(await violations(page)).toEqual([]);
    expect(await runsOver(page)).toBeLessThanOrEqual(0);
    await page.$eval('[data-testid="session-entries"] a[href^="/crash/"]', (door) => (door as HTMLElement).click());
    await page.waitForSelector('[data-testid="trail"]');
    await page.$eval('a[href^="/crash-group/"]', (door) => (door as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/crash-group/'));
    await page.close();
  });

  test('sessions of an address that fails, and what the person saw, step by step', async () => {
    const page = await open(`/people/phone?${stage().day}`, size);
    await page.waitForSelector('[data-testid="phone-addresses"]');
    expect(await textOf(page, 'phone-addresses')).toMatch(/carrier Copperwave: \d+ of \d+ failed, elsewhere none/);
    await page.$eval('[data-testid="sessions-of-photos.round.pellwick.example/photos/{id}"]', (button) =>
      (button as HTMLElement).click(),
    );
    await page.waitForSelector('[aria-label="Sessions of every address"]');
    const { sessions } = await ask(stage().url, '/api/phone-sessions', { query: stage().day });
    let seenShapes = false;
    for (const { session } of sessions.slice(0, 30)) {
      const { shapes, entries } = await ask(stage().url, '/api/phone-sessions/{session}', { session });
      if (shapes.length < 2 || !entries.some(({ kind }) => kind === 'crash')) continue;
      await page.goto(`${stage().url}/session/${session}`);
      await page.waitForSelector('[data-testid="screen-step"]');
      const last = await textOf(page, 'screen-step');
      expect(last).toMatch(/: .*\d+ (text|button|picture|field|list)s?.*\. (\d+) of \2\.$/);
      await page.$eval('[data-testid="screen-before"]', (button) => (button as HTMLElement).click());
      await page.waitForFunction(
        (before) => document.querySelector('[data-testid="screen-step"]')?.textContent !== before,
        {},
        last,
      );
      expect(await textOf(page, 'session-clock')).toMatch(/Processor.*%.*Memory.*MB/s);
      expect(await violations(page)).toEqual([]);
      expect(await runsOver(page)).toBeLessThanOrEqual(0);
      seenShapes = true;
      break;
    }
    expect(seenShapes).toBe(true);
    await page.close();
  });

  test('dark and narrowed to an application without crashes, it says so', async () => {
    const page = await open(`/people/phone?${stage().day}&application=Sender%20Portal`, size, 'dark');
    await page.waitForSelector('[data-testid="phone-sentence"]');
    expect(await textOf(page, 'phone-sentence')).toMatch(/^No data for this filter: /);
    expect(await violations(page)).toEqual([]);
    await page.close();
  });
});
