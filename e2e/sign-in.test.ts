import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { oneTimePassword } from './authenticator';
import { openBrowser, openPage, type Size } from './browser';
import { fill, press, seen, tap, textOf, violations } from './page';
import { removeFolder, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

/** From the first start of an installation: who signs in, what they see, and what is kept of it. */
const PASSWORD = 'fixture lantern gravel orchid';
const INES = 'ines.moor@pellwick.example';

let folder: string;
let server: ServerProcess;
let browser: Browser;
let close: () => Promise<void>;
const written = () => readFileSync(join(folder, 'server.log'), 'utf8');
const startServer = (port?: string) =>
  startServerProcess(join(folder, 'data'), {
    ...(port !== undefined && { TOPLENS_PORT: port }),
    TOPLENS_DEMO: '0',
    TOPLENS_TEST_LOG: join(folder, 'server.log'),
  });
beforeAll(async () => {
  folder = temporaryFolder();
  server = await startServer();
  ({ browser, close } = await openBrowser());
}, 120_000);
afterAll(async () => {
  await close();
  await stop(server.process);
  removeFolder(folder);
});

/** A page with cookies of its own: another person's browser. */
async function open(path: string, size: Size, scheme: 'light' | 'dark' = 'light'): Promise<Page> {
  const context = await browser.createBrowserContext();
  return openPage(context as unknown as Browser, `${server.url}${path}`, size, scheme);
}
const isSignedOut = (page: Page) => page.waitForSelector('[data-testid="sign-in-mail"]');
async function signIn(page: Page, mail: string, password = PASSWORD): Promise<void> {
  await fill(page, 'sign-in-mail', mail);
  await fill(page, 'sign-in-password', password);
  await page.keyboard.press('Enter');
}
const isNarrow = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth);

test('whoever starts it becomes the administrator, by a link that opens once', async () => {
  const page = await open('/flows', 'phone');
  await isSignedOut(page);
  expect(await violations(page)).toEqual([]);
  // Nothing of what the server holds was told.
  expect(await page.evaluate(() => fetch('/api/flows').then(({ status }) => status))).toBe(401);
  const link = await until('the link', () => Promise.resolve(/http\S+\/welcome\/\S+/.exec(written())?.[0]));
  await page.goto(link, { waitUntil: 'networkidle2' });
  await fill(page, 'welcome-name', 'Ines Moor');
  await fill(page, 'welcome-mail', INES);
  await fill(page, 'welcome-password', 'passwordpassword');
  await tap(page, 'welcome');
  await seen(page, 'would soon be guessed');
  expect([await violations(page), await isNarrow(page)]).toEqual([[], true]);
  await fill(page, 'welcome-password', PASSWORD);
  await tap(page, 'welcome');
  await seen(page, 'Worst first');
  await page.goto(link, { waitUntil: 'networkidle2' });
  await seen(page, 'This link is over');
  await page.browserContext().close();
});

describe.each<[Size, 'light' | 'dark']>([
  ['phone', 'light'],
  ['wide', 'dark'],
])('on the %s size, %s', (size, scheme) => {
  test('signing in leads to where one wanted to go; a wrong password says so, and keeps the address', async () => {
    const page = await open('/promises', size, scheme);
    await isSignedOut(page);
    await signIn(page, INES, 'lantern gravel lantern');
    await seen(page, 'The mail address or the password is not right.');
    expect([await violations(page), await isNarrow(page)]).toEqual([[], true]);
    await signIn(page, INES);
    await page.waitForSelector('[role="navigation"]');
    expect(new URL(page.url()).pathname).toBe('/promises');
    await page.goto(`${server.url}/account`, { waitUntil: 'networkidle2' });
    await seen(page, 'Administrator');
    expect([await violations(page), await isNarrow(page)]).toEqual([[], true]);
    await tap(page, 'sign-out');
    await isSignedOut(page);
    await page.goBack();
    await isSignedOut(page);
    await page.browserContext().close();
  });

  test('an account is given with a role; who has it sees what they may, and whom to ask', async () => {
    const admin = await open('/settings', size, scheme);
    await signIn(admin, INES);
    await tap(admin, 'account-new');
    const name = `Ada ${size}`;
    await fill(admin, 'account-name', name);
    await fill(admin, 'account-mail', `ada.${size}@pellwick.example`);
    expect(await violations(admin)).toEqual([]);
    await tap(admin, 'account-add');
    await admin.waitForSelector('[data-testid="account-url"]');
    const url = await textOf(admin, 'account-url');

    const ada = await open(new URL(url).pathname, size, scheme);
    await seen(ada, `Welcome, ${name}`);
    await fill(ada, 'welcome-password', PASSWORD);
    await tap(ada, 'welcome');
    await ada.waitForSelector('[role="navigation"]');
    await ada.goto(`${server.url}/settings`, { waitUntil: 'networkidle2' });
    await seen(ada, 'You may not change settings. Ask an administrator.');
    await seen(ada, 'You may not read who did what. Ask an administrator.');
    expect(await ada.$('[data-testid="save-rates"]')).toBeNull();
    expect(await violations(ada)).toEqual([]);
    await ada.goto(`${server.url}/people/find`, { waitUntil: 'networkidle2' });
    await seen(ada, 'You may not see persons by name.');

    // Given the right to see persons, she gives a reason, and it is found in the records.
    await admin.goto(`${server.url}/settings`, { waitUntil: 'networkidle2' });
    await tap(admin, `account-${name}`);
    await tap(admin, 'grant-add');
    await press(admin, 'radio', 'Sees persons by name');
    await tap(admin, 'grant-give');
    await tap(admin, 'account-give');
    await seen(admin, 'Sees persons by name, Viewer');
    await ada.goto(`${server.url}/people/find`, { waitUntil: 'networkidle2' });
    await fill(ada, 'find-person', 'person-7');
    await fill(ada, 'find-why', `a ticket of ${size}`);
    expect(await ada.$('[data-testid="find-key"]')).toBeNull();
    await tap(ada, 'find-now');
    await seen(ada, 'Nobody is known under that id');
    await admin.goto(`${server.url}/people/find`, { waitUntil: 'networkidle2' });
    await seen(admin, `${name}: a ticket of ${size}`);

    // Ended, she is out at once.
    await admin.goto(`${server.url}/settings`, { waitUntil: 'networkidle2' });
    await tap(admin, `account-${name}`);
    await press(admin, 'checkbox', 'Cannot sign in any more');
    await tap(admin, 'account-give');
    await seen(admin, 'ended');
    await ada.goto(`${server.url}/flows`, { waitUntil: 'networkidle2' });
    await isSignedOut(ada);
    for (const page of [admin, ada]) await page.browserContext().close();
  }, 120_000);
});

test('a key is made, and its secret replaced, while telemetry flows: nothing is turned away', async () => {
  const page = await open('/settings', 'phone');
  await signIn(page, INES);
  await tap(page, 'key-new');
  await fill(page, 'key-name', 'labels');
  expect(await violations(page)).toEqual([]);
  await tap(page, 'key-make');
  await page.waitForSelector('[data-testid="key-secret"]');
  let secret = (await textOf(page, 'key-secret')).trim();
  const answers: number[] = [];
  let isDone = false;
  const sending = (async () => {
    while (!isDone) {
      const { status, body } = await fetch(`${server.url}/v1/traces`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', authorization: `Bearer ${secret}` },
        body: '{}',
      });
      await body?.cancel();
      answers.push(status);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  await page.goto(`${server.url}/settings`, { waitUntil: 'networkidle2' });
  await tap(page, 'key-replace-labels');
  await press(page, 'radio', '1 hour');
  await tap(page, 'key-replace-now');
  await page.waitForSelector('[data-testid="key-secret"]');
  expect(await violations(page)).toEqual([]);
  const before = secret;
  secret = (await textOf(page, 'key-secret')).trim();
  expect(secret).not.toBe(before);
  await new Promise((resolve) => setTimeout(resolve, 500));
  isDone = true;
  await sending;
  expect(answers.length).toBeGreaterThan(10);
  expect(new Set(answers)).toEqual(new Set([200]));
  await page.goto(`${server.url}/settings`, { waitUntil: 'networkidle2' });
  await seen(page, 'the secret before it holds until');
  expect([await violations(page), await isNarrow(page)]).toEqual([[], true]);
  await tap(page, 'key-revoke-labels');
  await seen(page, 'revoked');
  await page.browserContext().close();
}, 120_000);

test('a second factor is set up, asked for from then on, and a recovery code stands in for it once', async () => {
  const page = await open('/account', 'phone');
  await signIn(page, INES);
  await tap(page, 'second-factor');
  await tap(page, 'second-factor-begin');
  await page.waitForSelector('[aria-label^="Code with the secret"] svg');
  expect(await violations(page)).toEqual([]);
  const secret = (await textOf(page, 'second-factor-secret')).replaceAll(/\s/g, '');
  await fill(page, 'second-factor-code', oneTimePassword(secret, Date.now()));
  await tap(page, 'second-factor-confirm');
  await page.waitForSelector('[data-testid="recovery-codes"]');
  const [code = ''] = (await textOf(page, 'recovery-codes')).split('\n');
  await tap(page, 'recovery-kept');
  await seen(page, 'On. 10 recovery codes left.');

  const other = await open('/', 'wide');
  await signIn(other, INES);
  await fill(other, 'sign-in-code', '000000');
  await tap(other, 'give-code');
  await seen(other, 'This code is not right, or was used.');
  expect(await violations(other)).toEqual([]);
  await fill(other, 'sign-in-code', code.toUpperCase());
  await tap(other, 'give-code');
  await other.waitForSelector('[role="navigation"]');
  // From here the other browser is signed out.
  await other.goto(`${server.url}/account`, { waitUntil: 'networkidle2' });
  await seen(other, '9 recovery codes left');
  await tap(other, 'sign-out-elsewhere');
  await other.waitForSelector('[data-testid="sign-out-elsewhere"]', { hidden: true });
  await page.goto(`${server.url}/flows`, { waitUntil: 'networkidle2' });
  await isSignedOut(page);

  // A start signs nobody out.
  await stop(server.process, 'SIGKILL');
  server = await startServer(new URL(server.url).port);
  await other.goto(`${server.url}/account`, { waitUntil: 'networkidle2' });
  await seen(other, '9 recovery codes left');
  for (const one of [page, other]) await one.browserContext().close();
}, 120_000);
