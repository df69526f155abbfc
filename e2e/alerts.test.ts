import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { gsmLength } from '../core/src/alerts';
import { startMailbox, type RunningMailbox } from '../scenario/src/stand-ins/mailbox';
import { startMessages, type RunningMessages } from '../scenario/src/stand-ins/messages';
import { ask, type AnswerTo } from './ask';
import {
  freePort,
  removeFolder,
  startServerProcess,
  stop,
  temporaryFolder,
  until,
  type ServerProcess,
} from './processes';

/** Alerts as people get them: a server with its clock, a mail server, a gateway; each may be away. */
const MINUTE = 60_000;
let folder: string;
let settingsFile: string;
let mailbox: RunningMailbox;
let messages: RunningMessages;
let smtpPort: number;
let mailboxPort: number;
let port: number;
let server: ServerProcess;

const startTop = () =>
  startServerProcess(join(folder, 'data'), {
    TOPLENS_PORT: String(port),
    TOPLENS_SETTINGS: settingsFile,
    TOPLENS_SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    TOPLENS_MAIL_FROM: 'Top Lens <toplens@lens.test>',
    TOPLENS_MESSAGE_URL: messages.url,
  });

beforeAll(async () => {
  folder = temporaryFolder();
  settingsFile = join(folder, 'settings.json');
  writeFileSync(
    settingsFile,
    JSON.stringify({
      ownership: [{ team: 'Shop Team' }],
      receivers: [
        { name: 'Shop Team', mail: 'shop@teams.test', phone: '+353 1 555 0100' },
        { name: 'Gone Team', mail: 'nobody@teams.test' },
      ],
      alertRules: [
        { name: 'Hurt', watches: 'incident', points: 1, people: 5, to: ['the team that should get it'] },
        { name: 'To who is gone', watches: 'incident', points: 1, to: ['Gone Team'] },
      ],
    }),
  );
  [smtpPort, mailboxPort, port] = [await freePort(), await freePort(), await freePort()];
  mailbox = await startMailbox({ smtpPort, port: mailboxPort });
  messages = await startMessages({ port: 0 });
  server = await startTop();
}, 120_000);
afterAll(async () => {
  await stop(server.process);
  await Promise.all([mailbox.close(), messages.close()]);
  removeFolder(folder);
});

const ATTEMPTS_A_MINUTE = 15;
let ids = 0;

/** So many minutes of `GET /shop` up to now, steady; failing for the most part or not at all. */
async function come(minutes: number, failing: boolean): Promise<void> {
  const now = Date.now();
  const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
  const all = Array.from({ length: minutes * ATTEMPTS_A_MINUTE }, (_, i) => {
    const startMs = now - (MINUTE * (i + 1)) / ATTEMPTS_A_MINUTE - 500;
    const id = (++ids).toString(16);
    return {
      traceId: id.padStart(32, '0'),
      spanId: id.padStart(16, '0'),
      name: 'GET',
      kind: 2,
      startTimeUnixNano: `${Math.round(startMs)}000000`,
      endTimeUnixNano: `${Math.round(startMs) + 90}000000`,
      attributes: [
        text('http.request.method', 'GET'),
        text('http.route', '/shop'),
        text('user.id', `person-${(ids * 7) % 3_000}`),
      ],
      status: failing && i % 4 !== 0 ? { code: 2 } : {},
    };
  });
  for (let i = 0; i < all.length; i += 1_000) {
    const response = await fetch(`${server.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        resourceSpans: [
          {
            resource: { attributes: [text('service.name', 'shop-web'), text('service.namespace', 'Shop')] },
            scopeSpans: [{ spans: all.slice(i, i + 1_000) }],
          },
        ],
      }),
    });
    expect(response.status).toBe(200);
  }
}

type Alerts = AnswerTo<'/api/alerts'>;
const alerts = (): Promise<Alerts> => ask(server.url, '/api/alerts');

test('from the detection to the mailbox and the telephone in seconds, once each, and the link opens it', async () => {
  await come(180, false);
  await come(6, true);
  const seen = await until('the incident', async () => {
    const { rows } = await ask(server.url, '/api/worst-first', {});
    return rows.length > 0 && Date.now();
  });
  const mail = await until('the mail', () => Promise.resolve(mailbox.mails.find(({ to }) => to === 'shop@teams.test')));
  const short = await until('the short message', () => Promise.resolve(messages.messages[0]));
  expect(Date.now() - seen).toBeLessThan(20_000);
  expect(mail).toMatchObject({ subject: expect.stringContaining('GET /shop') as string, received: 1 });
  expect(mail.text).toContain('You get this by the rule “Hurt”.');
  expect(gsmLength(short.text)).toBeLessThanOrEqual(160);
  const [link = ''] = /https?:\/\/\S+/.exec(short.text) ?? [];
  const opened = await fetch(link, { redirect: 'manual' });
  expect(opened.headers.get('location')).toMatch(/^\/incident\/\d+\?from=/);
  // Nothing is said twice for the same fact.
  await sleep(10_000);
  expect(mailbox.mails.filter(({ to }) => to === 'shop@teams.test')).toHaveLength(1);
  const gone = (await alerts()).messages.find(({ receiver }) => receiver === 'Gone Team');
  expect(gone).toMatchObject({ isGivenUp: true, trouble: expect.stringContaining('no such mailbox') as string });
}, 180_000);

test('killed at any moment, every message comes once after doubles are dropped', async () => {
  for (let round = 0; round < 20; round++) {
    await fetch(`${server.url}/api/alerts/test`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ receiver: 'Shop Team' }),
    });
    await sleep((round * 37) % 700);
    await stop(server.process, 'SIGKILL');
    server = await startTop();
  }
  const tests = () => mailbox.mails.filter(({ subject }) => subject.includes('test message'));
  await until('all test messages', () => Promise.resolve(tests().length >= 20), 60_000);
  await until('all delivered', async () =>
    (await alerts()).messages.every(({ deliveredMs, isGivenUp }) => deliveredMs !== null || isGivenUp),
  );
  expect(tests()).toHaveLength(20);
  expect(messages.messages.filter(({ text }) => text.includes('test message'))).toHaveLength(20);
}, 300_000);

test('a mail server that is away loses nothing, and a gateway that fails is told and tried again', async () => {
  await mailbox.close();
  messages.answerWith(500);
  const before = messages.messages.length;
  await fetch(`${server.url}/api/alerts/test`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ receiver: 'Shop Team' }),
  });
  const waiting = await until('the trouble to be told', async () => {
    const { messages: all } = await alerts();
    const some = all.filter(({ stage, deliveredMs }) => stage === 'test' && deliveredMs === null);
    return some.length === 2 && some.every(({ trouble }) => trouble !== '') && some;
  });
  expect(waiting.map(({ trouble }) => trouble).sort()).toEqual([
    expect.stringContaining('the mail server said'),
    'the message gateway answered 500',
  ]);
  mailbox = await startMailbox({ smtpPort, port: mailboxPort });
  messages.answerWith(202);
  await until(
    'both to arrive',
    () => Promise.resolve(mailbox.mails.length === 1 && messages.messages.length === before + 1),
    90_000,
  );
}, 180_000);

test('a rule tells before it is saved how often it would have spoken; a wrong one names its field', async () => {
  const post = async (rule: object) => {
    const response = await fetch(`${server.url}/api/alerts/try`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ rule }),
    });
    return {
      status: response.status,
      ...((await response.json()) as { words?: string; detail?: string; times?: number }),
    };
  };
  const good = await post({ name: 'All', watches: 'incident', people: 5, to: ['Shop Team'] });
  expect(good).toMatchObject({ status: 200, times: 1 });
  expect(good.words).toMatch(/^would have spoken 1 time in 14 days/);
  expect(await post({ name: 'Crashes', watches: 'crash', to: ['Shop Team'] })).toMatchObject({ times: null });
  expect(await post({ name: 'None', watches: 'incident', to: [] })).toMatchObject({
    status: 400,
    detail: expect.stringContaining('name at least one receiver') as string,
  });
});
