import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { startDesk, type RunningDesk, type Ticket } from './desk';

const answers: { path: string; authorization: string; body: { answer: string; reason: string; by: string } }[] = [];
let listener: Server;
let desk: RunningDesk;

beforeAll(async () => {
  listener = createServer((request, response) => {
    let text = '';
    request.on('data', (part) => (text += String(part)));
    request.on('end', () => {
      answers.push({
        path: request.url ?? '',
        authorization: request.headers.authorization ?? '',
        body: JSON.parse(text) as never,
      });
      response.end('{}');
    });
  });
  await new Promise<void>((resolve) => listener.listen(0, '127.0.0.1', resolve));
  desk = await startDesk({ port: 0, token: 'secret', teams: ['Data Stores'], takesAfterMs: 1 });
});
afterAll(async () => {
  await desk.close();
  await new Promise((resolve) => listener.close(resolve));
});

function handoff(id: string, team: string, { samples = [{}] as object[], missing = 0 } = {}) {
  const answerUrl = `http://127.0.0.1:${(listener.address() as AddressInfo).port}/answers/${id}`;
  return {
    specversion: '1.0',
    id,
    data: {
      team,
      note: 'please look',
      answerUrl,
      brief: { title: 'Pick a slot is slow', samples, bill: [{ name: 'missing', quantity: missing }] },
    },
  };
}

async function post(path: string, body: object): Promise<number> {
  const url = new URL(path, desk.url);
  return (
    await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/cloudevents+json' },
      body: JSON.stringify(body),
    })
  ).status;
}

async function answerOf(id: string) {
  for (let tries = 0; tries < 200; tries++) {
    const found = answers.find(({ path }) => path === `/answers/${id}`);
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error(`no answer to ${id}`);
}

test('a handoff for a team that it knows is taken, with the token', async () => {
  expect(await post('/handoffs', handoff('1', 'Data Stores'))).toBe(202);
  const { authorization, body } = await answerOf('1');
  expect(authorization).toBe('Bearer secret');
  expect(body).toEqual({ answer: 'taken', reason: '', by: 'Data Stores' });
});

test('one for nobody, or without anything to look at, is returned with the reason; an outage has no attempts to look at', async () => {
  await post('/handoffs', handoff('2', 'Night Shift'));
  await post('/handoffs', handoff('3', 'Data Stores', { samples: [] }));
  await post('/handoffs', handoff('4', 'Data Stores', { samples: [], missing: 12 }));
  expect((await answerOf('2')).body).toMatchObject({ answer: 'returned', reason: 'nobody here is called Night Shift' });
  expect((await answerOf('3')).body).toMatchObject({
    answer: 'returned',
    reason: 'no attempt to look at: please send one',
  });
  expect((await answerOf('4')).body).toMatchObject({ answer: 'taken' });
});

test('the same event sent again is the same ticket; what is no event is refused', async () => {
  await post('/handoffs', handoff('5', 'Data Stores'));
  await post('/handoffs', handoff('5', 'Data Stores'));
  expect(desk.tickets.get('5')?.received).toBe(2);
  expect(await post('/handoffs', { id: '6' })).toBe(400);
  expect(await post('/handoffs', { ...handoff('6', 'Data Stores'), specversion: '0.3' })).toBe(400);
  expect(desk.tickets.has('6')).toBe(false);
});

test('a person at the desk reports the fix; a ticket or state that is not known is not found', async () => {
  await post('/handoffs', handoff('7', 'Data Stores'));
  await answerOf('7');
  expect(await post('/tickets/7/fixReported', { reason: 'index is back' })).toBe(200);
  const told = (await (await fetch(new URL('/tickets', desk.url))).json()) as Ticket[];
  expect(told.find(({ id }) => id === '7')).toMatchObject({
    state: 'fixReported',
    title: 'Pick a slot is slow',
    note: 'please look',
  });
  expect(answers.filter(({ path }) => path === '/answers/7').map(({ body }) => body.answer)).toEqual([
    'taken',
    'fixReported',
  ]);
  expect(await post('/tickets/7/lost', {})).toBe(404);
  expect(await post('/tickets/99/taken', {})).toBe(404);
});
