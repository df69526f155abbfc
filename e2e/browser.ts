import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launch, type Browser, type Page } from 'puppeteer-core';
import { shiftClock } from './shifted-clock.mjs';

export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true, deviceScaleFactor: 1 };
export const WIDE = { width: 1280, height: 800, deviceScaleFactor: 1 };
export type Size = 'phone' | 'wide';

/** How far the clock of a browser's pages is ahead. */
const clockOffsets = new WeakMap<Browser, number>();

/** Debian's Chromium with a profile of its own that goes away with it. */
export async function openBrowser(clockOffsetMs = 0): Promise<{ browser: Browser; close: () => Promise<void> }> {
  const executablePath = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
  if (!executablePath) throw new Error('Chromium is missing: apt-get install chromium');
  const userDataDir = mkdtempSync(join(tmpdir(), 'toplens-browser-'));
  const browser = await launch({
    executablePath,
    userDataDir,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  clockOffsets.set(browser, clockOffsetMs);
  return {
    browser,
    close: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true });
    },
  };
}

/** Runs in the page: what its Content-Security-Policy kept from it, as `window.blocked`. */
function noteWhatIsBlocked(): void {
  const blocked: string[] = [];
  Object.assign(window, { blocked });
  document.addEventListener('securitypolicyviolation', ({ effectiveDirective, blockedURI, sourceFile, lineNumber }) =>
    blocked.push(`${effectiveDirective} blocked ${blockedURI} of ${sourceFile}:${lineNumber}`),
  );
}

export async function openPage(
  browser: Browser,
  url: string,
  size: Size,
  scheme: 'light' | 'dark' = 'light',
): Promise<Page> {
  const page = await browser.newPage();
  await page.evaluateOnNewDocument(shiftClock, clockOffsets.get(browser) ?? 0);
  await page.evaluateOnNewDocument(noteWhatIsBlocked);
  await page.setViewport(size === 'phone' ? PHONE : WIDE);
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: scheme },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.goto(url, { waitUntil: 'networkidle2' });
  return page;
}
