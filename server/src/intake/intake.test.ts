import { gzipSync } from 'node:zlib';
import { post, requestOf, send, testSpan } from '../fixtures/traffic';
import { nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// eslint-disable-next-line @typescript-eslint/no-require-imports
const generated = require('@opentelemetry/otlp-transformer/build/src/generated/root') as {
  opentelemetry: {
    proto: {
      collector: {
        trace: {
          v1: {
            ExportTraceServiceRequest: {
              fromObject: (object: object) => object;
              encode: (message: object) => { finish: () => Uint8Array };
            };
            ExportTraceServiceResponse: {
              decode: (bytes: Uint8Array) => { partialSuccess?: { rejectedSpans: number; errorMessage: string } };
            };
          };
        };
      };
    };
  };
};
const { ExportTraceServiceRequest, ExportTraceServiceResponse } = generated.opentelemetry.proto.collector.trace.v1;

let server: TestServer;
let now: number;
beforeAll(async () => {
  server = await startTestServer({ maxBodyBytes: 1024 * 1024 });
  now = Date.now();
});
afterAll(() => server.remove());

async function stored(technicalName: string): Promise<{ attempts: number; failed: number }> {
  await server.intake.settled();
  const { flows } = (await (await fetch(`${server.url}/api/flow-counts`)).json()) as {
    flows: { technicalName: string; attempts: number; failed: number }[];
  };
  const flow = flows.find((candidate) => candidate.technicalName === technicalName);
  return { attempts: flow?.attempts ?? 0, failed: flow?.failed ?? 0 };
}

test('JSON, plain and packed, is taken and stored once, however often it is sent', async () => {
  const spans = Array.from({ length: 20 }, (_, i) =>
    testSpan(1000 + i, now - 60_000, 100, { route: '/once', failed: i < 3 }),
  );
  const body = JSON.stringify(requestOf(spans));
  const answers = [
    await post(server.url, body),
    await post(server.url, gzipSync(body), { 'content-encoding': 'gzip' }),
    await send(server.url, [...spans, ...spans]),
  ];
  for (const answer of answers) {
    expect(answer.status).toBe(200);
    expect(await answer.json()).toEqual({});
  }
  expect(await stored('GET /once')).toEqual({ attempts: 20, failed: 3 });
});

test('protobuf made by the reference is taken; the answer is protobuf too', async () => {
  const bytesOf = (hex: string) => Buffer.from(hex, 'hex');
  const spans = Array.from({ length: 7 }, (_, i) => {
    const span = testSpan(2000 + i, now - 60_000, i === 0 ? -5 : 100, { route: '/protobuf' });
    return { ...span, traceId: bytesOf(span.traceId), spanId: bytesOf(span.spanId) };
  });
  const body = ExportTraceServiceRequest.encode(ExportTraceServiceRequest.fromObject(requestOf(spans))).finish();
  const answer = await post(server.url, body as Uint8Array<ArrayBuffer>, { 'content-type': 'application/x-protobuf' });
  expect(answer.headers.get('content-type')).toContain('application/x-protobuf');
  const { partialSuccess } = ExportTraceServiceResponse.decode(new Uint8Array(await answer.arrayBuffer()));
  expect(Number(partialSuccess?.rejectedSpans)).toBe(1);
  expect(partialSuccess?.errorMessage).toContain('ends before it starts');
  expect(await stored('GET /protobuf')).toEqual({ attempts: 6, failed: 0 });
});

test('what cannot be taken is counted and told, the rest is taken', async () => {
  const good = testSpan(3000, now - 60_000, 100, { route: '/mixed' });
  const answer = await send(server.url, [
    good,
    { ...testSpan(3001, now, 100), traceId: 'abc' },
    testSpan(3002, now + 2 * 3_600_000, 100),
    testSpan(3003, now, -100),
    { ...testSpan(3004, now, 100), startTimeUnixNano: 'soon' },
  ]);
  expect(answer.status).toBe(200);
  const { partialSuccess } = (await answer.json()) as {
    partialSuccess: { rejectedSpans: string; errorMessage: string };
  };
  expect(partialSuccess.rejectedSpans).toBe('4');
  for (const reason of ['traceId', 'clock', 'ends before', 'startTimeUnixNano'])
    expect(partialSuccess.errorMessage).toContain(reason);
  expect(await stored('GET /mixed')).toEqual({ attempts: 1, failed: 0 });
});

test('odd but legal spans are taken: unknown enums, NaN, ten thousand attributes, markup, control characters, late by days', async () => {
  const bomb = Array.from({ length: 10_000 }, (_, i) => ({ key: `k${i}`, value: { stringValue: 'x' } }));
  const odd = [
    {
      ...testSpan(4000, now, 50),
      kind: 2,
      attributes: [...bomb, { key: 'toplens.flow', value: { stringValue: 'odd' } }],
    },
    {
      ...testSpan(4001, now, 50),
      status: { code: 77 },
      attributes: [
        { key: 'toplens.flow', value: { stringValue: 'odd' } },
        { key: 'toplens.value.amount', value: { doubleValue: 'NaN' } },
      ],
    },
    {
      ...testSpan(4002, now - 2 * 86_400_000, 50),
      attributes: [{ key: 'toplens.flow', value: { stringValue: 'odd' } }],
    },
    {
      ...testSpan(4003, now - 600_000, 50),
      attributes: [{ key: 'toplens.flow', value: { stringValue: '<img src=x>\u0000\u0007' } }],
    },
  ];
  const answer = await send(server.url, odd);
  expect([answer.status, await answer.json()]).toEqual([200, {}]);
  expect((await stored('odd')).attempts).toBe(3);
  expect((await stored('<img src=x>  ')).attempts).toBe(1);
});

describe('refused, with the reason', () => {
  const body = JSON.stringify(requestOf([testSpan(1, Date.now(), 1)]));
  test.each<[string, () => Promise<Response>, number, string]>([
    ['another content type', () => post(server.url, body, { 'content-type': 'text/plain' }), 415, 'content-type'],
    ['another packing', () => post(server.url, body, { 'content-encoding': 'br' }), 415, 'content-encoding'],
    [
      'a gzip that ends early',
      () => post(server.url, gzipSync(body).subarray(0, 60), { 'content-encoding': 'gzip' }),
      400,
      'unpacked',
    ],
    ['no JSON', () => post(server.url, '{"resourceSpans": ['), 400, 'not JSON'],
    ['another shape', () => post(server.url, '{"resourceSpans": {}}'), 400, 'resourceSpans: expected a list'],
    [
      'no protobuf',
      () => post(server.url, Uint8Array.of(0x0a, 0xff, 0x01, 0x02), { 'content-type': 'application/x-protobuf' }),
      400,
      'ends early',
    ],
    ['50 MB', () => post(server.url, Buffer.alloc(50 * 1024 * 1024, 32)), 413, 'larger than'],
    [
      '50 MB packed small',
      () => post(server.url, gzipSync(Buffer.alloc(50 * 1024 * 1024, 32)), { 'content-encoding': 'gzip' }),
      413,
      'larger than',
    ],
    ['another version', () => fetch(`${server.url}/v1/unknown`, { method: 'POST', body }), 404, 'not part of this API'],
  ])('%s', async (_name, ask, status, said) => {
    const answer = await ask();
    expect(answer.status).toBe(status);
    expect(await answer.text()).toContain(said);
  });

  test('nothing of what was refused is stored', async () => {
    const { flows } = (await (await fetch(`${server.url}/api/flow-counts`)).json()) as {
      flows: { technicalName: string }[];
    };
    expect(flows.map((flow) => flow.technicalName)).not.toContain('GET /shop');
  });
});

test('outside demo mode a key is needed', async () => {
  const closed = await startTestServer({ demo: false, ingestKeys: new Map([['secret', 'shop']]) });
  try {
    const body = JSON.stringify(requestOf([testSpan(1, now, 1)]));
    expect((await post(closed.url, body)).status).toBe(401);
    expect((await post(closed.url, body, { authorization: 'Bearer wrong' })).status).toBe(401);
    expect((await post(closed.url, body, { authorization: 'Bearer secret' })).status).toBe(200);
  } finally {
    await closed.remove();
  }
});

describe('a key of an application on phones', () => {
  let phones: TestServer;
  beforeAll(async () => {
    phones = await startTestServer({ demo: false, phoneKeys: new Map([['public', 'round-app']]) });
  });
  afterAll(() => phones.remove());

  const told = (service: string, more: object[] = [text('os.name', 'Android')]) => ({
    resourceSpans: [
      {
        resource: { attributes: [text('service.name', service), ...more] },
        scopeSpans: [{ spans: [{ ...testSpan(1, now, 10), attributes: [text('app.screen.name', 'Stop')] }] }],
      },
    ],
  });
  const answerTo = async (body: object, path = '/v1/traces') => {
    const answer = await fetch(`${phones.url}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'toplens-key': 'public' },
      body: JSON.stringify(body),
    });
    return [answer.status, await answer.text()];
  };

  test('takes what the application tells of itself', async () => {
    expect(await answerTo(told('round-app'))).toEqual([200, '{}']);
  });

  test.each([
    ['another component', 'payments', undefined, 'of payments'],
    ['a server', 'round-app', [], 'that names no device'],
  ])('takes nothing of %s', async (_what, service, more, words) => {
    expect(await answerTo(told(service, more))).toEqual([403, expect.stringContaining(words)]);
  });

  test('takes no run of a probe, and no way to a remote desktop: anybody can read the key', async () => {
    const run = {
      ...testSpan(2, now, 10),
      attributes: [text('toplens.probe', 'Sign in'), text('user_agent.synthetic.type', 'test')],
    };
    const device = [text('service.name', 'round-app'), text('os.name', 'Android')];
    const traces = { resourceSpans: [{ resource: { attributes: device }, scopeSpans: [{ spans: [run] }] }] };
    expect(await answerTo(traces)).toEqual([403, expect.stringContaining('a run of a probe')]);
    const point = { timeUnixNano: nanos(now), asDouble: 1, attributes: [text('toplens.remote.session', 'x')] };
    const metric = { name: 'toplens.remote.round_trip', unit: 's', gauge: { dataPoints: [point] } };
    const metrics = {
      resourceMetrics: [{ resource: { attributes: device }, scopeMetrics: [{ metrics: [metric] }] }],
    };
    expect(await answerTo(metrics, '/v1/metrics')).toEqual([403, expect.stringContaining('remote desktop')]);
  });

  test('and opens no other way in', async () => {
    for (const path of ['/v1/changes', '/v1/business-events', '/v1/har?component=x'])
      expect((await answerTo({}, path))[0]).toBeGreaterThanOrEqual(401);
    await phones.intake.settled();
    expect(await phones.database.query('SELECT 1 FROM attempt')).toHaveLength(1);
  });
});

test('when the database cannot keep up, senders are told to come back, and nothing taken is lost', async () => {
  const slow = await startTestServer({ maxBacklogRecords: 200 });
  try {
    const batch = (n: number) => Array.from({ length: 100 }, (_, i) => testSpan(n * 100 + i, now - 60_000, 10));
    const answers = await Promise.all(Array.from({ length: 60 }, (_, n) => send(slow.url, batch(n))));
    const refused = answers.filter((answer) => answer.status === 503);
    expect(refused.length).toBeGreaterThan(0);
    expect(refused[0]?.headers.get('retry-after')).toBe('1');
    await slow.intake.settled();
    const [row] = await slow.database.query<{ n: number }>('SELECT count(*)::int AS n FROM attempt');
    expect(row?.n).toBe((answers.length - refused.length) * 100);
  } finally {
    await slow.remove();
  }
});
