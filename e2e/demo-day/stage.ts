import type { Browser } from 'puppeteer-core';
import { openBrowser } from '../browser';
import { startDemoWorld, type DemoWorld } from './world';

export interface Stage extends Pick<DemoWorld, 'url' | 'deskUrl' | 'mailboxUrl' | 'truth'> {
  browser: Browser;
  /** the moment that the demo plays up to */
  nowMs: number;
  /** end of the last minute that is complete: minutes are judged a few seconds after their end */
  toMs: number;
  /** query of the demo day */
  day: string;
}

/** Starts a copy of the demo day and a browser before the tests of a file, and ends them afterwards. */
export function demoDayStage(): () => Stage {
  let stage: Stage;
  const ends: (() => Promise<void>)[] = [];
  beforeAll(async () => {
    const { nowMs, clockOffsetMs, close, ...world } = await startDemoWorld();
    ends.push(close);
    const opened = await openBrowser(clockOffsetMs);
    ends.unshift(opened.close);
    const toMs = nowMs - 60_000;
    const day = `from=${new Date(nowMs - 24 * 3_600_000).toISOString()}&to=${new Date(toMs).toISOString()}`;
    stage = { ...world, browser: opened.browser, nowMs, toMs, day };
  }, 240_000);
  afterAll(async () => {
    for (const end of ends) await end();
  });
  return () => stage;
}
