import { openPage, type Size } from '../browser';
import { press, seen, tap, textOf, violations } from '../page';
import { getJson, until } from '../processes';
import { ask, type AnswerTo } from '../ask';
import { demoDayStage } from './stage';

/** The whole life of a handoff, driven in the browser: sent, returned, sent on, accepted, a fix, what the figures say. */
const stage = demoDayStage();

type Handoffs = AnswerTo<'/api/handoffs'>['handoffs'];
const handoffs = async (): Promise<Handoffs> => (await ask(stage().url, '/api/handoffs')).handoffs;
const answer = async (id: string, what: string, body: object) => {
  const response = await fetch(`${stage().deskUrl}/tickets/${id}/${what}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect({ what, status: response.status }).toEqual({ what, status: 200 });
};

describe.each<Size>(['phone', 'wide'])('on the %s size', (size) => {
  test('what was handed over before stands under Sent: proven with its cost, and what came back', async () => {
    const page = await openPage(stage().browser, `${stage().url}/sent`, size);
    await seen(page, 'Proven ·');
    await seen(page, 'Returned ·');
    expect(await violations(page)).toEqual([]);
    await press(page, 'button', 'How long it takes');
    await seen(page, 'Half of the handoffs of the last 6 months');
    const proven = (await handoffs()).find(({ state }) => state === 'proven');
    await page.goto(`${stage().url}/handoff/${proven?.id}`, { waitUntil: 'networkidle2' });
    await seen(page, 'Proven: back to normal.');
    expect(await textOf(page, 'total')).toMatch(/harm points, .* people hurt and €[\d,]+ not earned/);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await page.close();
  });

  test('returned: the next team is proposed, and gets what the first one said', async () => {
    const returned = (await handoffs()).find(({ state }) => state === 'returned');
    const page = await openPage(stage().browser, `${stage().url}/handoff/${returned?.id}`, size);
    await page.waitForSelector('[data-testid="send-next"]');
    const words = await textOf(page, 'send-next');
    expect(words).toBe('Send to Sites & Network');
    expect(words).not.toContain(returned?.team);
    await tap(page, 'send-next');
    await page.waitForSelector('[data-testid="note"]');
    await press(page, 'button', 'Show the brief as it will be sent');
    await seen(page, 'returned it: our servers are as usual');
    expect(await violations(page)).toEqual([]);
    await page.close();
  });
});

test('sent, accepted, a fix that did not do, and what goes on is offered to the team behind it', async () => {
  const { rows } = await ask(stage().url, '/api/worst-first');
  const [worst] = rows;
  const page = await openPage(stage().browser, `${stage().url}/incident/${worst?.id}`, 'phone');
  await tap(page, 'send');
  await page.waitForSelector('[data-testid="note"]');
  await page.type('[data-testid="note"]', 'Is it the new index?');
  await tap(page, 'send-now');
  const mine = async () => (await handoffs()).find(({ note }) => note === 'Is it the new index?');
  await until('the team to accept it', async () => (await mine())?.state === 'taken');
  const { id } = (await mine()) as Handoffs[number];
  await page.goto(`${stage().url}/handoff/${id}`, { waitUntil: 'networkidle2' });
  await seen(page, 'Waits for a fix for');
  // The team says that it is in for forty minutes: the figures say that it changed nothing.
  const fixedAt = new Date(stage().nowMs - 40 * 60_000).toISOString();
  await answer(id, 'fixReported', { reason: 'index rebuilt', fixedAt });
  await seen(page, 'Not proven: it goes on.');
  await seen(page, 'of the harm goes on');
  await page.waitForSelector('[data-testid="send-left-over"]');
  expect(await textOf(page, 'send-left-over')).toMatch(/^Send what goes on to /);
  expect(await violations(page)).toEqual([]);
  await tap(page, 'send-left-over');
  await page.waitForSelector('[data-testid="note"]');
  expect(await page.$eval('[data-testid="note"]', (field) => (field as HTMLTextAreaElement).value)).toContain(
    'What goes on seems to come from',
  );
  await page.keyboard.press('Escape');
  const report = await (await fetch(`${stage().url}/api/handoffs/${id}/report`)).text();
  expect(report).toContain('**Not proven: it goes on.**');
  await page.close();
});

test('a link opens the brief without a login until it is revoked', async () => {
  const [{ id }] = (await handoffs()) as [Handoffs[number]];
  const page = await openPage(stage().browser, `${stage().url}/handoff/${id}`, 'wide');
  await tap(page, 'make-link');
  await page.waitForSelector('[data-testid="made-link"]');
  const link = await textOf(page, 'made-link');
  const opened = await openPage(stage().browser, link, 'phone');
  await seen(opened, 'persons are left out');
  await seen(opened, 'The harm bill');
  expect(await violations(opened)).toEqual([]);
  expect(await opened.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  await page.bringToFront();
  await tap(page, 'revoke-link');
  await seen(page, 'revoked');
  expect((await fetch(link)).status).toBe(404);
  await opened.close();
  await page.close();
});

test('swiped with a thumb: sent unless it is taken back, by mail, accepted by the link in it, all by itself', async () => {
  const returned = (await handoffs()).find(({ state }) => state === 'returned');
  const page = await openPage(stage().browser, `${stage().url}/`, 'phone');
  await seen(page, 'Swipe a row to the right');
  const { rows } = await ask(stage().url, '/api/worst-first');
  const row = rows.find(({ id }) => id === returned?.incident);
  expect(row?.proposedTeam).toBe('Sites & Network');
  const swipe = async (by: number) => {
    const at = await page.$eval(`[data-testid="row-${row?.rank}"]`, (door) => {
      door.scrollIntoView({ block: 'center' });
      const { left, top } = door.getBoundingClientRect();
      return { x: left + (innerWidth - left) / 2, y: top + 12 };
    });
    await page.touchscreen.touchStart(at.x, at.y);
    for (let step = 1; step <= 6; step += 1) await page.touchscreen.touchMove(at.x + (by * step) / 6, at.y);
    await page.touchscreen.touchEnd();
  };
  const count = async () => (await handoffs()).length;
  const before = await count();
  await swipe(60);
  expect(await page.$('[data-testid="undo-bar"]')).toBeNull();
  await swipe(150);
  await page.waitForSelector('[data-testid="undo"]');
  expect(await textOf(page, 'undo-bar')).toContain('Sending to Sites & Network');
  expect(await violations(page)).toEqual([]);
  await tap(page, 'undo');
  await new Promise((resolve) => setTimeout(resolve, 8_000));
  expect(await count()).toBe(before);
  await swipe(150);
  const sent = await until('the handoff', async () =>
    (await handoffs()).find(({ team, incident }) => team === 'Sites & Network' && incident === row?.id),
  );
  const link = await until('its mail', async () => {
    const mails = await getJson<{ text: string }[]>(`${stage().mailboxUrl}/mails`);
    const mail = mails.find(({ text }) => text.includes('/shared/') && text.includes('Brackwater'));
    return mail && /https?:\/\/\S+\/shared\/\S+/.exec(mail.text)?.[0];
  });
  const team = await openPage(stage().browser, link.replace(/^https?:\/\/[^/]+/, stage().url), 'phone');
  await seen(team, 'Accept');
  expect(await violations(team)).toEqual([]);
  await team.$eval('button[value="taken"]', (button) => button.click());
  await until('its acceptance', async () =>
    (await handoffs()).some(({ id, state }) => id === sent.id && state === 'taken'),
  );
  await team.close();
  await page.bringToFront();
  await page.close();
});

test('alerts reach the teams of the demo by mail, and Settings say who is told and who has duty', async () => {
  const told = await until('what was told', async () => {
    const { messages } = await ask(stage().url, '/api/alerts');
    const some = messages.filter(({ stage: what }) => what === 'opened' || what === 'digest');
    return some.length > 0 && some.every(({ deliveredMs }) => deliveredMs !== null) && some;
  });
  expect(told.map(({ receiver }) => receiver)).toContain('Data Stores');
  for (const { deliveredMs, trouble } of told)
    expect({ isDelivered: deliveredMs !== null, trouble }).toEqual({ isDelivered: true, trouble: '' });
  const page = await openPage(stage().browser, `${stage().url}/settings`, 'phone');
  await page.waitForSelector('[data-testid="alerts-sentence"]');
  expect(await textOf(page, 'alerts-sentence')).toContain('4 rules');
  await press(page, 'button', 'Receivers ·');
  await seen(page, 'nobody has it');
  await tap(page, 'test-First on call');
  await until('the test message', async () =>
    (await getJson<{ subject: string }[]>(`${stage().mailboxUrl}/mails`)).some(({ subject }) =>
      subject.includes('test message'),
    ),
  );
  expect(await violations(page)).toEqual([]);
  await page.close();
});
