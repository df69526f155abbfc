import type { Page } from 'puppeteer-core';
import { ask } from '../ask';
import { openPage, type Size } from '../browser';
import { fill, press, seen, tap, textOf, violations } from '../page';
import { demoDayStage } from './stage';

/** Boards: those that ship, one that is built by keyboard alone, a wall, and links without a login. */
const stage = demoDayStage();
const SHIPPED = ['Duty desk', 'Application owner', 'Executives', 'Web team'];
const isNarrow = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth).then((over) => over <= 0);
const tilesOn = (page: Page) =>
  page.$$eval('[role="region"][data-testid^="tile-"]', (tiles) =>
    tiles.map((tile) => tile.getAttribute('aria-label') ?? ''),
  );

describe.each<Size>(['phone', 'wide'])('on the %s size', (size) => {
  test('four boards ship; each shows what is worst, as the views behind its tiles do', async () => {
    const page = await openPage(stage().browser, `${stage().url}/`, size);
    await tap(page, 'boards-door');
    for (const name of SHIPPED) await seen(page, name);
    expect(await violations(page)).toEqual([]);
    const { rows, together } = await ask(stage().url, '/api/worst-first');
    await tap(page, 'board-Duty desk');
    await seen(page, 'Whoever is on duty');
    await page.waitForSelector('[data-testid="tile-list"]');
    expect(await textOf(page, 'tile-figure')).toContain(Math.round(together.people.estimate).toLocaleString('en'));
    const list = await textOf(page, 'tile-list');
    for (const { title } of rows.slice(0, 5)) expect(list).toContain(title);
    expect(await violations(page)).toEqual([]);
    expect(await isNarrow(page)).toBe(true);
    for (const name of SHIPPED.slice(1)) {
      await page.goto(`${stage().url}/board/${encodeURIComponent(name)}`, { waitUntil: 'networkidle2' });
      await page.waitForSelector('[data-testid="tile-figure"]', { timeout: 30_000 });
      expect([name, await violations(page), await isNarrow(page)]).toEqual([name, [], true]);
    }
    await page.close();
  });

  test('a wall shows tile after tile, larger, and can be held', async () => {
    const page = await openPage(stage().browser, `${stage().url}/wall/Duty%20desk`, size);
    await page.waitForSelector('[data-testid="tile-figure"]', { timeout: 30_000 });
    expect(await textOf(page, 'wall-state')).toContain('1 of ');
    const seenTiles = new Set(await tilesOn(page));
    const [, screens = '1'] = / of (\d+)/.exec(await textOf(page, 'wall-state')) ?? [];
    for (let turn = 1; turn < Number(screens); turn += 1) {
      await page.keyboard.press('ArrowRight');
      for (const tile of await tilesOn(page)) seenTiles.add(tile);
    }
    const { boards } = await ask(stage().url, '/api/boards');
    expect(seenTiles.size).toBe(boards.find(({ name }) => name === 'Duty desk')?.tiles.length);
    await page.keyboard.press('Space');
    expect(await textOf(page, 'wall-state')).toContain(', held');
    expect(await violations(page)).toEqual([]);
    await tap(page, 'leave-wall');
    await page.waitForSelector('[data-testid="arrange"]');
    expect(await page.evaluate(() => document.body.style.zoom)).toBe('');
    await page.close();
  });

  test('a board is built by keyboard, brought into order, shared, and taken away again', async () => {
    const name = `Night ${size}`;
    const page = await openPage(stage().browser, `${stage().url}/boards`, size);
    const key = async (pressed: Parameters<typeof page.keyboard.press>[0]) => {
      await page.keyboard.press(pressed);
      await new Promise((resolve) => setTimeout(resolve, 350));
    };
    const focusOn = (selector: string) => page.focus(selector);
    await page.waitForSelector('[data-testid="new-board"]');
    await focusOn('[data-testid="new-board"]');
    await key('Enter');
    await fill(page, 'board-name', name);
    for (const _tile of [1, 2]) {
      await focusOn('[data-testid="add-tile"]');
      await key('Enter');
    }
    // The second becomes a text.
    await page.$$eval('[aria-label^="Change Incidents"]', (buttons) => (buttons[1] as HTMLElement).focus());
    await key('Enter');
    await press(page, 'radio', 'A text');
    await fill(page, 'tile-1-text', 'Ring the duty manager first.');
    // Space lifts it, the arrow moves it up, Space puts it down: said as it happens.
    await focusOn('[aria-label^="Move A text"]');
    await key('Space');
    await seen(page, 'is lifted, at place 2 of 2');
    await key('ArrowUp');
    await key('Space');
    await seen(page, 'stands at place 1 of 2');
    expect(await violations(page)).toEqual([]);
    expect(await isNarrow(page)).toBe(true);
    await fill(page, 'board-who', 'Noor');
    await focusOn('[data-testid="save-board"]');
    await key('Enter');
    await seen(page, 'Ring the duty manager first.');
    expect(await tilesOn(page)).toEqual(['A text', 'Incidents, worst first']);

    await tap(page, 'share-board');
    await press(page, 'radio', 'A text');
    await tap(page, 'make-link');
    await page.waitForSelector('[data-testid="made-link"]');
    const link = (await textOf(page, 'made-link')).replace(/^https?:\/\/[^/]+/, stage().url);
    expect(await violations(page)).toEqual([]);
    const guest = await openPage(stage().browser, link, size);
    await seen(guest, 'Ring the duty manager first.');
    expect(await guest.$$('[role="navigation"]')).toEqual([]);
    expect(await guest.$$('a')).toEqual([]);
    expect(await violations(guest)).toEqual([]);
    await page.bringToFront();
    await tap(page, 'revoke-link');
    await seen(page, 'revoked');
    await guest.bringToFront();
    await guest.reload({ waitUntil: 'networkidle2' });
    await seen(guest, 'This link is over');
    await guest.close();

    await page.bringToFront();
    await page.goto(`${stage().url}/board/${encodeURIComponent(name)}/arrange`, { waitUntil: 'networkidle2' });
    await tap(page, 'remove-board');
    await page.waitForSelector('[data-testid="new-board"]');
    const { boards } = await ask(stage().url, '/api/boards');
    expect(boards.map((board) => board.name)).toEqual(SHIPPED);
    await page.close();
  });
});
