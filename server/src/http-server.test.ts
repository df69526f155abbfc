import { readFileSync } from 'node:fs';
import { get } from 'node:https';
import type { IncomingMessage } from 'node:http';
import { connect } from 'node:tls';
import { join } from 'node:path';
import { startTestServer } from './fixtures/test-server';

const file = (name: string) => readFileSync(join(__dirname, 'fixtures', 'tls', name), 'utf8');
const tls = { cert: file('cert.pem'), key: file('key.pem') };

test('with a certificate it speaks HTTPS, TLS 1.2 or later, and nothing else', async () => {
  const server = await startTestServer({ tls });
  try {
    expect(server.url).toMatch(/^https:/);
    const answer = await new Promise<IncomingMessage>((resolve, reject) =>
      get(`${server.url}/livez`, { ca: tls.cert }, resolve).on('error', reject),
    );
    answer.resume();
    expect(answer.statusCode).toBe(200);
    expect(answer.headers['strict-transport-security']).toContain('max-age=');
    await expect(fetch(server.url.replace('https', 'http'))).rejects.toThrow();
    const { port } = new URL(server.url);
    const old = await new Promise<string>((resolve) => {
      const socket = connect({
        port: Number(port),
        host: '127.0.0.1',
        ca: tls.cert,
        maxVersion: 'TLSv1.1',
        minVersion: 'TLSv1',
      });
      socket.on('error', (error: Error & { code?: string }) => resolve(error.code ?? 'refused'));
      socket.on('secureConnect', () => resolve('connected'));
    });
    expect(old).not.toBe('connected');
  } finally {
    await server.remove();
  }
});

test('a key that does not belong to its certificate is said at the start', async () => {
  await expect(startTestServer({ tls: { cert: tls.cert, key: 'no key' } })).rejects.toThrow();
});
