import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Webhook } from 'standardwebhooks';
import { post, signatureOf } from './post';

const SECRET = `whsec_${Buffer.from('a key of thirty-two bytes, really').toString('base64')}`;

test('what is posted is signed as the reference library of Standard Webhooks verifies it', async () => {
  const taken: { headers: Record<string, string>; body: string }[] = [];
  const receiver = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => (body += String(chunk)));
    request.on('end', () => {
      taken.push({ headers: request.headers as Record<string, string>, body });
      response.writeHead(204).end();
    });
  });
  await new Promise<void>((resolve) => receiver.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(receiver.address() as AddressInfo).port}/`;
  const asked = {
    who: 'the webhook',
    url,
    id: 'm-1',
    body: { title: 'Zahlt nicht – größer' },
    type: 'application/json',
    inside: 'any' as const,
  };
  expect(await post({ ...asked, secret: SECRET })).toEqual({ delivered: true });
  expect(await post({ ...asked, secret: '' })).toEqual({ delivered: true });
  await new Promise((resolve) => receiver.close(resolve));
  const [signed, plain] = taken;
  expect(new Webhook(SECRET).verify(signed?.body ?? '', signed?.headers ?? {})).toEqual(asked.body);
  expect(() => new Webhook(SECRET).verify(`${signed?.body} `, signed?.headers ?? {})).toThrow();
  expect(plain?.headers).not.toHaveProperty('webhook-signature');
});

test('the example of the specification', () => {
  // https://github.com/standard-webhooks/standard-webhooks, libraries' common test vector; from memory.
  expect(
    signatureOf('whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw', {
      id: 'msg_p5jXN8AQM9LWM0D4loKWxJek',
      text: '{"test": 2432232314}',
      atMs: 1614265330_000,
    }),
  ).toEqual({
    'webhook-id': 'msg_p5jXN8AQM9LWM0D4loKWxJek',
    'webhook-timestamp': '1614265330',
    'webhook-signature': 'v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=',
  });
});

describe('what somebody wrote into the settings leads inside only where it is allowed', () => {
  const to = (url: string, ...inside: string[]) =>
    post({
      who: 'the webhook',
      url,
      id: 'm-2',
      body: {},
      type: 'application/json',
      secret: '',
      inside: new Set(inside),
    });

  test.each([
    'http://127.0.0.1:9/',
    'http://10.0.0.7/',
    'http://169.254.169.254/latest',
    'http://[::1]:9/',
    'http://[::ffff:10.0.0.7]/',
  ])('%s is not asked', async (url) => {
    const outcome = await to(url);
    expect(outcome).toMatchObject({ delivered: false, mayRetry: false });
    expect('why' in outcome && outcome.why).toContain('TOPLENS_WEBHOOK_HOSTS=');
  });

  test('neither is a name that points inside', async () => {
    const outcome = await to('http://localhost:9/');
    expect(outcome).toMatchObject({ delivered: false, mayRetry: false });
    expect('why' in outcome && outcome.why).toContain('TOPLENS_WEBHOOK_HOSTS=localhost');
  });

  test('what is allowed is asked; an inner address that answers with a redirect leads nowhere', async () => {
    const asked: string[] = [];
    const receiver = createServer((request, response) => {
      asked.push(request.url ?? '');
      response.writeHead(302, { location: '/elsewhere' }).end();
    });
    await new Promise<void>((resolve) => receiver.listen(0, '127.0.0.1', resolve));
    const { port } = receiver.address() as AddressInfo;
    for (const host of ['127.0.0.1', 'localhost'])
      expect(await to(`http://${host}:${port}/hook`, host)).toMatchObject({
        why: 'the webhook answered 302',
        mayRetry: false,
      });
    expect(asked).toEqual(['/hook', '/hook']);
    await new Promise((resolve) => receiver.close(resolve));
  });
});
