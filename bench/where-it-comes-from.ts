import { readFileSync } from 'node:fs';
import { rankOrigins, type ObservedAttempt } from '@toplens/core/incidents';
import { minePatterns } from '@toplens/core/logs';
import { median, normalDeviate, seededRandom } from '@toplens/core/stats';
import { Severity } from '@toplens/core/telemetry';
import { MINUTE_MS } from '@toplens/core/time';
import type { TraceSpan } from '@toplens/core/traces';
import { hasStoredAll } from '../e2e/health';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../e2e/processes';
import { labelledLines } from '../core/src/logs/fixtures/labelled-lines';
import { encodeLines } from '../scenario/src/otlp/encode';
import { spanWith } from '../core/src/fixtures/trace-span';
import { report } from './report';

const timed = (work: () => unknown): number => {
  const begun = performance.now();
  work();
  return performance.now() - begun;
};

/**
 * An hour's incident over forty components, one below the other in four branches: as many attempts as the engine looks
 * at.
 */
function attemptsOverForty(): ObservedAttempt[] {
  const random = seededRandom(40);
  const around = (us: number) => us * Math.exp(0.2 * normalDeviate(random));
  return Array.from({ length: 120 }, (_, n): ObservedAttempt => {
    const isBad = n >= 60;
    const atMs = (isBad ? 180 * MINUTE_MS : 0) + (n % 60) * (isBad ? 1 : 3) * MINUTE_MS;
    const spans: TraceSpan[] = [];
    const add = (id: number, parent: number, startUs: number, durationUs: number) =>
      spans.push(
        spanWith({
          spanId: String(id),
          parentSpanId: parent < 0 ? '' : String(parent),
          component: `component ${id}`,
          host: `host ${id % 14}`,
          name: 'work',
          startUs,
          durationUs,
        }),
      );
    let at = atMs * 1000;
    const begin = at;
    for (let branch = 0; branch < 4; branch++) {
      const own = Array.from(
        { length: 10 },
        (_unused, k) => around(5_000) * (isBad && branch === 2 && k === 9 ? 40 : 1),
      );
      let left = own.reduce((sum, us) => sum + us, 0);
      own.forEach((us, k) => {
        if (branch > 0 || k > 0) add(branch * 10 + k, k === 0 ? 0 : branch * 10 + k - 1, at, left);
        left -= us;
      });
      at += own.reduce((sum, us) => sum + us, 0);
    }
    add(0, -1, begin, at - begin);
    return { atMs, isBad, rootId: '0', spans };
  });
}

export async function whereItComesFrom(): Promise<void> {
  const attempts = attemptsOverForty();
  const originMs = median(
    Array.from({ length: 7 }, () => timed(() => rankOrigins(attempts, 'slow', 180 * MINUTE_MS, []))),
  ) as number;
  const [first] = rankOrigins(attempts, 'slow', 180 * MINUTE_MS, []).candidates;
  if (first?.component !== 'component 29')
    throw new Error(`expected component 29 to be proposed, got: ${first?.component}`);
  report('origin of an incident of 60 min over 40 components', originMs / 1000, {
    unit: ' s',
    goal: '< 1 s',
    met: originMs < 1000,
  });

  const catalogue = readFileSync('core/src/logs/fixtures/postgresql-15-messages.txt', 'utf8');
  const lines = labelledLines(catalogue, 201, 100_000).map(({ body }) => body);
  const miningMs = timed(() => minePatterns(lines));
  report('100,000 lines of logs brought to patterns', miningMs / 1000, {
    unit: ' s',
    goal: '< 5 s',
    met: miningMs < 5000,
  });

  const dataDir = temporaryFolder();
  const server = await startServerProcess(dataDir);
  const fromMs = Date.now() - 30 * MINUTE_MS;
  const bodies = Array.from({ length: 100 }, (_, b) =>
    encodeLines(
      lines.slice(b * 500, (b + 1) * 500).map((body, i) => ({
        service: `service ${b % 8}`,
        host: `host ${b % 14}`,
        version: '1',
        application: 'bench',
        atMs: fromMs + b * 500 + i,
        severity: Severity.INFO,
        body,
        traceId: undefined,
        spanId: undefined,
        eventName: '',
        attributes: [],
      })),
    ),
  );
  const begun = performance.now();
  const queue = [...bodies];
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (let body = queue.pop(); body; body = queue.pop())
        await (
          await fetch(`${server.url}/v1/logs`, {
            method: 'POST',
            headers: { 'content-type': 'application/x-protobuf' },
            body: body as Uint8Array<ArrayBuffer>,
          })
        ).arrayBuffer();
    }),
  );
  await until('the lines to be stored', () => hasStoredAll(server.url));
  const rate = 50_000 / ((performance.now() - begun) / 1000);
  report('lines of logs taken and stored', rate, { unit: ' lines/s', goal: 'told', met: true });
  await stop(server.process);
  removeFolder(dataDir);
}
