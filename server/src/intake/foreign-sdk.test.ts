import { fork } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { figuresOf } from '@toplens/core/hosts';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { linesOfTrace } from '../store/logs';
import { loadSeries } from '../store/metrics';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.remove());

test.each(['protobuf', 'json'])(
  'metrics of the OpenTelemetry SDK, of its host and runtime libraries, and its logs, as %s: taken whole, and figures of hosts are made of them',
  async (encoding) => {
    const client = fork(join(__dirname, '..', 'fixtures', 'telemetry-service.cjs'), [server.url, encoding], {
      execArgv: [],
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    });
    const [told] = (await once(client, 'message')) as [{ orders: number; lines: number; traceId: string }];
    await once(client, 'exit');
    await server.intake.settled();
    expect(server.intake.figures.rejectedRecords).toBe(0);
    const service = `warehouse-${encoding}`;
    const ever = { fromMs: 0, toMs: Date.now() + 60_000 };
    const all = await loadSeries(server.database, ({ component }) => component === service, ever);
    const lines = await linesOfTrace(server.database, told.traceId, {
      components: [service],
      window: ever,
      most: 1000,
    });
    // What the service counted itself.
    const last = (metric: string) =>
      all
        .filter(({ series }) => series.metric === metric)
        .reduce((sum, { points }) => sum + (points.at(-1)?.value ?? 0), 0);
    expect(last('orders')).toBe(told.orders);
    expect(last('picked')).toBe(4650);
    expect(lines).toHaveLength(told.lines);
    expect(lines.filter(({ severity }) => severity === 17).map(({ body, host }) => [body, host])).toEqual([
      ['shelf 7 is empty', `shelf-${encoding}`],
    ]);
    // What its libraries tell of host and runtime, under the names that we look for.
    const made = new Map(figuresOf(all).map(({ figure, minutes }) => [figure, [...minutes.values()].at(-1) as number]));
    for (const figure of ['cpu', 'memory', 'heap'] as const) {
      expect([figure, made.has(figure)]).toEqual([figure, true]);
      expect(made.get(figure)).toBeGreaterThan(0);
      expect(made.get(figure)).toBeLessThanOrEqual(1);
    }
    expect(made.get('eventLoop')).toBeGreaterThan(0);
  },
  60_000,
);
