import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { send, steadyTraffic } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const nowMs = floorTo(Date.now(), MINUTE_MS);
const TOKEN = 'desk-secret';

interface Received {
  headers: Record<string, unknown>;
  event: {
    id: string;
    specversion: string;
    type: string;
    data: { team: string; note: string; markdown: string; answerUrl: string };
  };
}

/** A desk that fails as often as it is told to. */
async function startFlakyDesk(): Promise<{
  url: string;
  received: Received[];
  failNext: (times: number, status: number) => void;
  server: Server;
}> {
  const received: Received[] = [];
  let failures = 0;
  let status = 500;
  const server = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => (body += String(chunk)));
    request.on('end', () => {
      received.push({ headers: request.headers, event: JSON.parse(body) as Received['event'] });
      response.statusCode = failures-- > 0 ? status : 202;
      response.end();
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/handoffs`,
    received,
    failNext: (times, failWith) => {
      failures = times;
      status = failWith;
    },
    server,
  };
}

let desk: Awaited<ReturnType<typeof startFlakyDesk>>;
let server: TestServer;
let incident: number;

beforeAll(async () => {
  desk = await startFlakyDesk();
  server = await startTestServer({ deskUrl: desk.url, deskToken: TOKEN }, { ownership: [{ team: 'Shop Team' }] });
  const spans = steadyTraffic(nowMs - 150 * MINUTE_MS, 150, 20);
  for (let i = 0; i < spans.length; i += 1000) await send(server.url, spans.slice(i, i + 1000));
  await server.intake.settled();
  await server.engine.ask('settle', null);
  const list = (await (await fetch(`${server.url}/api/worst-first`)).json()) as { rows: { id: number }[] };
  incident = list.rows[0]?.id as number;
});
afterAll(async () => {
  await server.remove();
  desk.server.close();
});

interface Handoff {
  id: string;
  state: string;
  trail: { what: string; detail: string }[];
}

async function hand(
  key: string,
  change: object = {},
): Promise<{ status: number; body: Handoff & { detail: string; field: string } }> {
  const response = await fetch(`${server.url}/api/handoffs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(key && { 'idempotency-key': key }) },
    body: JSON.stringify({
      incident,
      team: 'Shop Team',
      note: 'Since noon.',
      fromMs: nowMs - 60 * MINUTE_MS,
      toMs: nowMs,
      ...change,
    }),
  });
  return { status: response.status, body: (await response.json()) as Handoff & { detail: string; field: string } };
}

async function answer(id: string, body: object, token = TOKEN): Promise<Response> {
  return fetch(`${server.url}/api/handoffs/${id}/answer`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
    body: JSON.stringify(body),
  });
}

async function untilState(id: string, state: string): Promise<Handoff> {
  for (let tries = 0; tries < 100; tries++) {
    const handoff = (await (await fetch(`${server.url}/api/handoffs/${id}`)).json()) as Handoff;
    if (handoff.state === state) return handoff;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`handoff ${id} never became ${state}`);
}

test('is delivered as a CloudEvent, again after a failure, and the same key never sends twice', async () => {
  desk.failNext(1, 503);
  const first = await hand('key-1');
  const second = await hand('key-1', { note: 'pressed twice' });
  expect([first.status, second.status]).toEqual([201, 200]);
  expect(second.body.id).toBe(first.body.id);
  const sent = await untilState(first.body.id, 'sent');
  expect(sent.trail.map((event) => event.what)).toEqual(['written', 'not delivered', 'delivered']);
  expect(sent.trail[1]?.detail).toContain('the desk answered 503; next try in 1 s');
  const events = desk.received.filter(({ event }) => event.id === first.body.id);
  expect(events).toHaveLength(2);
  expect(events[0]?.event).toMatchObject({
    specversion: '1.0',
    type: 'toplens.handoff.sent',
    data: { team: 'Shop Team', note: 'Since noon.' },
  });
  expect(events[0]?.headers).toMatchObject({
    'content-type': 'application/cloudevents+json; charset=utf-8',
    'idempotency-key': first.body.id,
  });
  expect(events[0]?.event.data.markdown).toContain('## The harm bill');
});

test('is taken by the desk alone, or returned with a reason', async () => {
  const { body } = await hand('key-2');
  await untilState(body.id, 'sent');
  expect((await answer(body.id, { answer: 'taken' }, 'wrong')).status).toBe(403);
  expect((await answer(body.id, { answer: 'fixReported' })).status).toBe(409);
  expect((await answer(body.id, { answer: 'returned' })).status).toBe(400);
  expect((await answer(body.id, { answer: 'eaten' })).status).toBe(400);
  expect((await answer(body.id, { answer: 'returned', reason: 'not ours', by: 'Shop Team' })).status).toBe(200);
  const returned = await untilState(body.id, 'returned');
  expect(returned.trail.at(-1)).toMatchObject({ what: 'returned', detail: 'by Shop Team: not ours' });
  expect((await answer(body.id, { answer: 'taken' })).status).toBe(409);
});

test('is accepted here as well, by somebody of the team, with a name', async () => {
  const { body } = await hand('key-here');
  await untilState(body.id, 'sent');
  const accept = (who: string) =>
    fetch(`${server.url}/api/handoffs/${body.id}/accept`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ who }),
    });
  expect((await accept(' ')).status).toBe(400);
  expect((await accept('Noor')).status).toBe(200);
  const { state, trail } = await untilState(body.id, 'taken');
  expect([state, trail.at(-1)?.detail]).toEqual(['taken', 'by Noor']);
});

test('a desk that says the request itself is wrong is not asked again', async () => {
  desk.failNext(1, 400);
  const { body } = await hand('key-3');
  for (let tries = 0; tries < 50; tries++) {
    const { trail } = (await (await fetch(`${server.url}/api/handoffs/${body.id}`)).json()) as Handoff;
    if (trail.length > 1) {
      expect(trail[1]?.detail).toContain('given up');
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('nothing was tried');
});

test('wrong input names the field', async () => {
  expect(await hand('')).toMatchObject({ status: 400, body: { field: 'idempotency-key' } });
  expect(await hand('key-4', { team: ' ' })).toMatchObject({ status: 400, body: { field: 'team' } });
  expect(await hand('key-5', { incident: 999 })).toMatchObject({ status: 404 });
  expect(await hand('key-6', { toMs: 0 })).toMatchObject({ status: 400, body: { field: 'to' } });
  expect((await fetch(`${server.url}/api/handoffs/not-an-id`)).status).toBe(404);
});

test('what could not be delivered is with nobody, and goes out when it is sent again', async () => {
  // A request that is wrong is not tried again by itself.
  desk.failNext(1, 400);
  const { body } = await hand('undelivered');
  const failed = await untilState(body.id, 'notDelivered');
  expect(failed.trail.at(-1)).toMatchObject({
    what: 'not delivered',
    detail: expect.stringContaining('given up') as string,
  });
  const { detail } = (await (await fetch(`${server.url}/api/worst-first`)).json()) as { detail: string };
  expect(detail).toContain('with nobody yet');
  const again = await fetch(`${server.url}/api/handoffs/${body.id}/again`, { method: 'POST' });
  expect(again.status).toBe(200);
  expect((await untilState(body.id, 'sent')).trail.map(({ what }) => what)).toContain('sent again');
  const twice = await fetch(`${server.url}/api/handoffs/${body.id}/again`, { method: 'POST' });
  expect(twice.status).toBe(409);
  expect(await twice.json()).toMatchObject({ detail: 'The handoff is sent: there is nothing to send again.' });
});

test('without a desk a handoff is kept, is with nobody, and says why it cannot be sent', async () => {
  const alone = await startTestServer({ deskUrl: '' }, { ownership: [{ team: 'Shop Team' }] });
  try {
    const spans = steadyTraffic(nowMs - 150 * MINUTE_MS, 150, 20);
    for (let i = 0; i < spans.length; i += 1000) await send(alone.url, spans.slice(i, i + 1000));
    await alone.intake.settled();
    await alone.engine.ask('settle', null);
    const list = async () =>
      (await (await fetch(`${alone.url}/api/worst-first`)).json()) as { rows: { id: number }[]; detail: string };
    const response = await fetch(`${alone.url}/api/handoffs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'idempotency-key': 'kept' },
      body: JSON.stringify({
        incident: (await list()).rows[0]?.id,
        team: 'Shop Team',
        note: '',
        fromMs: nowMs - 60 * MINUTE_MS,
        toMs: nowMs,
      }),
    });
    const { id, state } = (await response.json()) as Handoff;
    expect(state).toBe('kept');
    expect((await list()).detail).toContain('with nobody yet');
    const again = await fetch(`${alone.url}/api/handoffs/${id}/again`, { method: 'POST' });
    expect(await again.json()).toMatchObject({
      detail: 'No desk is set up, so there is nowhere to send it. It is kept here.',
    });
  } finally {
    await alone.remove();
  }
});
