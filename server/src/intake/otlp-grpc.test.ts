import { fork } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { Client, credentials, Metadata, type ServiceError } from '@grpc/grpc-js';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { post, requestOf, testSpan } from '../fixtures/traffic';
import { linesOfTrace } from '../store/logs';
import { loadSeries } from '../store/metrics';

const KEY = 'k-1';
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({
    otlpPorts: { grpc: 0, http: 0 },
    demo: false,
    ingestKeys: new Map([[KEY, 'shop']]),
  });
});
afterAll(() => server.remove());

const addressOf = (protocol: string) => server.otlp.ways.find((way) => way.protocol === protocol)?.address ?? '';
const METHOD = '/opentelemetry.proto.collector.trace.v1.TraceService/Export';

/** One call with a body of our own, to see what is answered to what no SDK would send. */
async function call(body: Buffer, headers: Record<string, string> = {}): Promise<Buffer | ServiceError> {
  const client = new Client(addressOf('OTLP/gRPC').replace('http://', ''), credentials.createInsecure());
  const metadata = new Metadata();
  for (const [name, value] of Object.entries(headers)) metadata.set(name, value);
  const asIs = (bytes: Buffer) => bytes;
  const answer = await new Promise<Buffer | ServiceError>((resolve) =>
    client.makeUnaryRequest(METHOD, asIs, asIs, body, metadata, (error, response) =>
      resolve(error ?? (response as Buffer)),
    ),
  );
  client.close();
  return answer;
}

test.each(['none', 'gzip'])(
  'what the OpenTelemetry SDK sends by gRPC, packed as %s, is taken whole: traces, metrics, logs',
  async (compression) => {
    const client = fork(
      join(__dirname, '..', 'fixtures', 'telemetry-service-grpc.cjs'),
      [addressOf('OTLP/gRPC'), KEY, compression],
      { execArgv: [], stdio: ['ignore', 'inherit', 'inherit', 'ipc'] },
    );
    const [told] = (await once(client, 'message')) as [{ orders: number; traceId: string }];
    await once(client, 'exit');
    await server.intake.settled();
    expect(server.intake.figures.rejectedRecords).toBe(0);
    const ever = { fromMs: 0, toMs: Date.now() + 60_000 };
    const component = `packing-${compression}`;
    const [orders] = await loadSeries(server.database, (series) => series.component === component, ever);
    expect(orders?.points.at(-1)?.value).toBe(told.orders);
    const lines = await linesOfTrace(server.database, told.traceId, { components: [component], window: ever, most: 9 });
    expect(lines.map(({ body }) => body)).toEqual(['packed']);
    const [attempt] = await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
    expect(attempt?.n).toBeGreaterThan(0);
    const sender = server.intake.senders.list.find((one) => one.component === component);
    expect(sender).toMatchObject({ sdk: expect.stringContaining('nodejs opentelemetry') as string, refused: 0 });
    // A span, a line, a point; and the point once more at its end.
    expect(sender?.came).toBeGreaterThanOrEqual(3);
  },
  60_000,
);

test('without a key, and with what is no telemetry, it is turned away with the reason, and said on the screen', async () => {
  expect(await call(Buffer.alloc(0))).toMatchObject({
    code: 16,
    details: expect.stringContaining('ingest key') as string,
  });
  const authorized = { authorization: `Bearer ${KEY}` };
  expect(await call(Buffer.from([0xff, 0xff, 0xff]), authorized)).toMatchObject({ code: 3 });
  expect(await call(Buffer.alloc(0), authorized)).toEqual(Buffer.alloc(0));
  expect(server.intake.senders.refusedRequests.map(({ way }) => way)).toEqual([
    'OTLP/gRPC, traces',
    'OTLP/gRPC, traces',
  ]);
  expect(server.intake.figures.turnedAwayRequests).toBe(2);
});

test('what should be sent again says so, and when', async () => {
  await server.intake.settled();
  const stopping = jest.spyOn(server.intake, 'take').mockRejectedValueOnce(
    Object.assign(
      new (jest.requireActual<typeof import('../errors')>('../errors').Problem)('cannotKeepUp', 'wait', {
        retryAfterS: 7,
      }),
    ),
  );
  const error = (await call(Buffer.alloc(0), { 'toplens-key': KEY })) as ServiceError;
  stopping.mockRestore();
  expect(error.code).toBe(14);
  // google.rpc.Status with RetryInfo { retry_delay { seconds: 7 } } at its end.
  const status = error.metadata.get('grpc-status-details-bin')[0] as Buffer;
  expect(status.includes('type.googleapis.com/google.rpc.RetryInfo')).toBe(true);
  expect([...status.subarray(-4)]).toEqual([0x0a, 0x02, 0x08, 7]);
});

test('port 4318 takes OTLP/HTTP, and nothing else', async () => {
  const url = addressOf('OTLP/HTTP');
  const body = JSON.stringify(requestOf([testSpan(1, Date.now() - 1000, 100)]));
  expect((await post(url, body, { 'content-type': 'application/json' })).status).toBe(401);
  const refused = await post(url, body, { 'content-type': 'application/json' });
  expect(refused.headers.get('www-authenticate')).toBe('Bearer');
  expect((await post(url, body, { 'content-type': 'application/json', 'toplens-key': KEY })).status).toBe(200);
  expect((await fetch(`${url}/api/flows`)).status).toBe(404);
});

test('a port that is taken stops nothing: it is told', async () => {
  const blocker = createServer().listen(0, '127.0.0.1');
  await once(blocker, 'listening');
  const { port } = blocker.address() as AddressInfo;
  const other = await startTestServer({ otlpPorts: { grpc: port, http: port } });
  expect(other.otlp.ways.map(({ trouble }) => trouble)).toEqual([
    `Port ${port} cannot be opened; TOPLENS_OTLP_GRPC_PORT names another, 0 for none.`,
    `Port ${port} cannot be opened; TOPLENS_OTLP_HTTP_PORT names another, 0 for none.`,
  ]);
  expect((await fetch(`${other.url}/healthz`)).status).toBe(200);
  await other.remove();
  blocker.close();
});
