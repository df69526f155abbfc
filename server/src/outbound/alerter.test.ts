import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { AlertsShape } from '../contract/alerts';
import type { HappenedShape } from '../contract/happened';
import { send, steadyTraffic } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const nowMs = floorTo(Date.now(), MINUTE_MS);

interface Event {
  id: string;
  type: string;
  data: { receiver: string; title: string; link: string };
}
const events: Event[] = [];
let hook: Server;
let server: TestServer;

beforeAll(async () => {
  hook = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => (body += String(chunk)));
    request.on('end', () => {
      events.push(JSON.parse(body) as Event);
      response.statusCode = 204;
      response.end();
    });
  });
  await new Promise<void>((resolve) => hook.listen(0, '127.0.0.1', resolve));
  const webhook = `http://127.0.0.1:${(hook.address() as AddressInfo).port}/hook`;
  const mayWait = { accept: 0, fix: 60 };
  server = await startTestServer(
    { deskUrl: webhook, webhookHosts: ['127.0.0.1'] },
    {
      ownership: [{ team: 'Shop Team' }],
      receivers: [
        { name: 'Shop Team', webhook },
        { name: 'Desk', webhook },
        { name: 'Post', mail: 'post@teams.test' },
      ],
      alertRules: [
        { name: 'Hurt', watches: 'incident', points: 1, to: ['the team that should get it', 'Post'] },
        { name: 'Waits', watches: 'handoff', to: ['Desk', 'Moon'] },
      ],
      handoffs: { mayWait: { P1: mayWait, P2: mayWait, P3: mayWait, P4: mayWait } },
    },
  );
  const spans = steadyTraffic(nowMs - 150 * MINUTE_MS, 150, 20);
  for (let i = 0; i < spans.length; i += 1_000) await send(server.url, spans.slice(i, i + 1_000));
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(async () => {
  await server.remove();
  hook.close();
});

const get = async <Answer>(path: string): Promise<Answer> =>
  (await (await fetch(`${server.url}/api${path}`)).json()) as Answer;

async function until<Found>(find: () => Promise<Found | undefined>): Promise<Found> {
  for (let tries = 0; tries < 400; tries++) {
    const found = await find();
    if (found !== undefined) return found;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('waited in vain');
}

test('an incident is told as a CloudEvent to the webhook of its team, and what has no way out is told in Settings', async () => {
  const opened = await until(() => Promise.resolve(events.find(({ type }) => type === 'toplens.alert.opened')));
  expect(opened).toMatchObject({
    specversion: '1.0',
    data: { receiver: 'Shop Team', title: expect.stringContaining('GET /shop') as string },
  });
  expect(opened.data.link).toMatch(/\/incident\/\d+\?from=/);
  const stuck = await until(async () =>
    (await get<AlertsShape>('/alerts')).messages.find(({ receiver, isGivenUp }) => receiver === 'Post' && isGivenUp),
  );
  expect(stuck.trouble).toContain('no mail server is set up');
  const { ways, rules, teamsWithout } = await get<AlertsShape>('/alerts');
  expect(ways.find(({ channel }) => channel === 'mail')?.trouble).toContain('TOPLENS_SMTP_URL');
  expect(rules[1]?.trouble).toBe('Moon is no receiver');
  expect(teamsWithout).toEqual([]);
  const around = new URLSearchParams({
    kind: 'alert',
    from: new Date(nowMs - 10 * MINUTE_MS).toISOString(),
    to: new Date(nowMs + 10 * MINUTE_MS).toISOString(),
  }).toString();
  const { happenings } = await get<HappenedShape>(`/happened?${around}`);
  expect(happenings.map(({ title }) => title)).toContain(`Told Shop Team: ${opened.data.title}`);
});

test('a handoff that waits too long is told to whoever wants to know', async () => {
  const { rows } = await get<{ rows: { id: number }[] }>('/worst-first');
  const made = await fetch(`${server.url}/api/handoffs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'idempotency-key': 'one' },
    body: JSON.stringify({
      incident: rows[0]?.id,
      team: 'Shop Team',
      note: '',
      fromMs: nowMs - 60 * MINUTE_MS,
      toMs: nowMs,
    }),
  });
  expect(made.status).toBe(201);
  const late = await until(() => Promise.resolve(events.find(({ data }) => data.receiver === 'Desk')));
  expect(late.data.title).toMatch(/^Not accepted so far: /);
  expect(late.data.link).toMatch(/\/handoff\/[0-9a-f-]{36}$/);
});
