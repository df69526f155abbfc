import { ApiProblem, ask, send, sendForText } from './client';

const asked: { path: string; init: RequestInit | undefined }[] = [];
function serverAnswers(status: number, body: string): void {
  globalThis.fetch = ((path: string, init?: RequestInit) => {
    asked.push({ path, init });
    return Promise.resolve({
      ok: status < 400,
      status,
      text: () => Promise.resolve(body),
      json: () => Promise.resolve().then(() => JSON.parse(body) as unknown),
    });
  }) as never;
}
const problemOf = (call: Promise<unknown>) =>
  call.then(
    () => undefined,
    (error: unknown) => error as ApiProblem,
  );

beforeEach(() => (asked.length = 0));

test('an answer is what the server wrote', async () => {
  serverAnswers(200, '{"rows":[1]}');
  await expect(ask('/api/v1/worst-first')).resolves.toEqual({ rows: [1] });
  serverAnswers(204, '');
  await expect(ask('/api/v1/settings')).resolves.toBeUndefined();
});

test('what is sent is JSON, with whatever else the caller says of it', async () => {
  serverAnswers(200, '{}');
  await send('/api/v1/handoffs', { team: 'Payments', note: '“now”' }, { 'idempotency-key': 'k1' });
  expect(asked[0]?.init).toEqual({
    method: 'POST',
    headers: { 'content-type': 'application/json', 'idempotency-key': 'k1' },
    body: '{"team":"Payments","note":"“now”"}',
  });
});

test('files come as they are', async () => {
  serverAnswers(200, 'a,b\r\n1,2\r\n');
  await expect(sendForText('/api/v1/export', {})).resolves.toBe('a,b\r\n1,2\r\n');
});

test('what the server says is wrong is one sentence, with the field that it is about', async () => {
  serverAnswers(422, '{"title":"Unprocessable","detail":"rates.money: a number, at least 0","field":"rates.money"}');
  const problem = await problemOf(send('/api/v1/settings', {}));
  expect(problem).toBeInstanceOf(ApiProblem);
  expect(problem).toMatchObject({ message: 'rates.money: a number, at least 0', status: 422, field: 'rates.money' });
});

test('an answer that says nothing, and a server that cannot be reached, are sentences too', async () => {
  serverAnswers(502, '<html>bad gateway</html>');
  expect(await problemOf(ask('/x'))).toMatchObject({
    message: 'The server answered 502.',
    status: 502,
    field: undefined,
  });
  globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
  expect(await problemOf(ask('/x'))).toMatchObject({ message: 'The server cannot be reached.', status: 0 });
});
