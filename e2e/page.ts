import type AxeBuilder from 'axe-core';
import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';

/** What a person sees and does on a page, in a word each. */
export const textOf = (page: Page, testId: string): Promise<string> =>
  page.$eval(`[data-testid="${testId}"]`, (element) => (element as HTMLElement).innerText);

export const seen = (page: Page, words: string) =>
  page.waitForFunction((wanted: string) => document.body.innerText.includes(wanted), { timeout: 30_000 }, words);

export const gone = (page: Page, selector: string) => page.waitForSelector(selector, { hidden: true });

/** Presses what holds these words: a radio button, a button, a link. */
export async function press(page: Page, role: string, words: string): Promise<void> {
  await page.waitForFunction(
    (wanted: string, inRole: string) =>
      [...document.querySelectorAll<HTMLElement>(`[role="${inRole}"]`)].some((one) => one.innerText.includes(wanted)),
    { timeout: 20_000 },
    words,
    role,
  );
  await page.evaluate(
    (wanted: string, inRole: string) =>
      [...document.querySelectorAll<HTMLElement>(`[role="${inRole}"]`)]
        .find((one) => one.innerText.includes(wanted))
        ?.click(),
    words,
    role,
  );
}

/** Clears a field and types into it. */
export async function fill(page: Page, testId: string, text: string): Promise<void> {
  const selector = `[data-testid="${testId}"]`;
  await page.waitForSelector(selector);
  await page.focus(selector);
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.press('Backspace');
  await page.type(selector, text);
}

export async function tap(page: Page, testId: string): Promise<void> {
  await page.waitForSelector(`[data-testid="${testId}"]`);
  await page.$eval(`[data-testid="${testId}"]`, (element) => (element as HTMLElement).click());
}

const axeSource = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** Waits until nothing moves: a label that floats away from what is typed has any contrast on its way. */
async function atRest(page: Page): Promise<void> {
  let before = '';
  for (let look = 0; look < 30; look += 1) {
    const now = await page.evaluate(() => document.body.innerHTML);
    if (now === before) return;
    before = now;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Violations of WCAG 2.2 A and AA that axe finds on the page at rest, and what the page was kept from by its policy. */
export async function violations(page: Page): Promise<string[]> {
  await atRest(page);
  await page.evaluate(axeSource);
  return page.evaluate(async () => {
    const { axe, blocked = [] } = window as unknown as { axe: typeof AxeBuilder; blocked?: string[] };
    const results = await axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] });
    return [
      ...blocked,
      ...results.violations.map(
        (violation) => `${violation.id}: ${violation.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
      ),
    ];
  });
}
