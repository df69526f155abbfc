import { existsSync } from 'node:fs';
import puppeteer, { type Browser, type HTTPRequest, type Page } from 'puppeteer-core';
import { LONGEST_STEP_MS, type ProbeStep, type RequestParts } from '@toplens/core/probes';
import { PROBE_AGENT } from '@toplens/core/telemetry';
import type { Guard } from './guard';
import type { StepHeaders } from './request-step';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** Where a browser is; `undefined` when this machine has none. */
export const findBrowser = (told?: string): string | undefined => told ?? PLACES.find((path) => existsSync(path));

/** The pages of one run: a browser is started with the first of them, and ends with the run. */
export class BrowserSteps {
  #browser: Browser | undefined;
  #page: Page | undefined;
  #headers: StepHeaders = {};
  #refused: Error | undefined;

  constructor(
    private readonly guard: Guard,
    private readonly path: string | undefined,
  ) {}

  /** @throws Error that says in words what went wrong */
  async run(step: ProbeStep, headers: StepHeaders): Promise<RequestParts | undefined> {
    this.#headers = headers;
    this.#refused = undefined;
    const page = await this.#opened();
    try {
      return await this.#do(page, step);
    } catch (error) {
      throw this.#refused ?? inWords(error as Error, step);
    }
  }

  async #do(
    page: Page,
    { kind, url, selector = '', text = '', contains }: ProbeStep,
  ): Promise<RequestParts | undefined> {
    switch (kind) {
      case 'open': {
        const response = await page.goto(url ?? '', { waitUntil: 'load' });
        const status = response?.status() ?? 0;
        if (status >= 400) throw new Error(`status ${status}, expected below 400`);
        if (contains !== undefined) await this.#see(page, contains);
        return navigationParts(page);
      }
      case 'see':
        await this.#see(page, text);
        return undefined;
      case 'type':
        await page.waitForSelector(selector, { visible: true });
        await page.type(selector, text);
        return undefined;
      case 'tap':
        await page.waitForSelector(selector, { visible: true });
        await page.click(selector);
        return undefined;
      case 'request':
        return undefined;
    }
  }

  #see = (page: Page, text: string) =>
    page.waitForFunction((wanted) => document.body?.innerText.includes(wanted), {}, text);

  async #opened(): Promise<Page> {
    if (this.#page) return this.#page;
    if (this.path === undefined)
      throw new Error('this machine has no browser; --browser says where one is, or leave the step to another site');
    // Chromium refuses its sandbox to root, as whom containers often run.
    const args = process.getuid?.() === 0 ? ['--no-sandbox'] : [];
    this.#browser = await puppeteer.launch({ executablePath: this.path, args: [...args, '--disable-dev-shm-usage'] });
    const page = (this.#page = await this.#browser.newPage());
    page.setDefaultTimeout(LONGEST_STEP_MS);
    await page.setUserAgent({ userAgent: `${await this.#browser.userAgent()} ${PROBE_AGENT}/1` });
    await page.setRequestInterception(true);
    page.on('request', (request) => void this.#pass(request, page));
    return page;
  }

  /** What the page asks goes through the guard as well; its own server is told what asks it. */
  async #pass(request: HTTPRequest, page: Page): Promise<void> {
    const url = new URL(request.url());
    try {
      if (/^https?:$/.test(url.protocol)) await this.guard.checkName(url);
      const isOwn = request.isNavigationRequest() || originOf(page.url()) === url.origin;
      await request.continue({ headers: { ...request.headers(), ...(isOwn && this.#headers) } });
    } catch (error) {
      if (request.isNavigationRequest()) this.#refused = error as Error;
      await request.abort().catch(() => undefined);
    }
  }

  async close(): Promise<void> {
    await this.#browser?.close().catch(() => undefined);
  }
}

const originOf = (url: string): string => (URL.canParse(url) ? new URL(url).origin : '');

/** Of the page's own document, by W3C Navigation Timing 2. */
const navigationParts = (page: Page): Promise<RequestParts | undefined> =>
  page.evaluate(() => {
    const [load] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
    return (
      load && {
        nameMs: load.domainLookupEnd - load.domainLookupStart,
        connectMs: load.connectEnd - load.connectStart,
        waitMs: load.responseStart - load.requestStart,
        transferMs: load.responseEnd - load.responseStart,
      }
    );
  });

function inWords(error: Error, { kind, selector, text, contains }: ProbeStep): Error {
  if (error.name === 'TimeoutError' || /waiting failed/i.test(error.message)) {
    const seconds = `within ${LONGEST_STEP_MS / 1000} s`;
    const shown = kind === 'see' ? text : contains;
    return new Error(
      selector !== undefined
        ? `nothing is shown as ${selector} ${seconds}`
        : shown !== undefined
          ? `“${shown}” is not shown ${seconds}`
          : `the page does not come ${seconds}`,
    );
  }
  const net = /net::(ERR_\w+)/.exec(error.message)?.[1];
  return net === undefined ? error : new Error(`the page does not come (${net})`);
}
