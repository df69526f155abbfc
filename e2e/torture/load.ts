import { connect, type Socket } from 'node:net';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../processes';
import { balanceOf, type Balance } from './counted';
import { CountingSender, postJson, requestOf } from './sender';

const quantile = (values: number[], q: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))] ?? NaN;

export interface OverloadResult extends Balance {
  refused: number;
  healthP99Ms: number;
  homeP99Ms: number;
  /** from the end of the load until the server takes again what is sent, seconds */
  recoveryS: number;
  rssMb: number;
}

/** More senders than the server can follow, for so long; health and home are asked all the while. */
export async function overload(seconds: number): Promise<OverloadResult> {
  const dataDir = temporaryFolder();
  // Four requests: whatever the machine, 24 senders at once are more than may wait to be written.
  const server = await startServerProcess(dataDir, { TOPLENS_MAX_BACKLOG: '2000' });
  const sender = new CountingSender(500, 24);
  const times: { health: number[]; home: number[] } = { health: [], home: [] };
  try {
    // Of another flow: only what the senders send is counted.
    await postJson(`${server.url}/v1/traces`, requestOf(10, { attributes: { 'toplens.flow': 'first' } }));
    await new Promise((resolve) => setTimeout(resolve, 2_000));
    sender.start(() => server.url);
    const end = performance.now() + seconds * 1000;
    const ask = async (path: string, into: number[]) => {
      while (performance.now() < end) {
        const begun = performance.now();
        await fetch(`${server.url}${path}`).then((response) => response.text());
        into.push(performance.now() - begun);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    };
    await Promise.all([ask('/healthz', times.health), ask('/api/worst-first?last=60', times.home)]);
    await sender.stop();
    const stopped = performance.now();
    await until(
      'the server to take telemetry again',
      async () =>
        (await postJson(`${server.url}/v1/traces`, requestOf(0))).ok &&
        (await postJson(`${server.url}/v1/metrics`, '{}')).ok,
      60_000,
    );
    const recoveryS = (performance.now() - stopped) / 1000;
    const metrics = await (await fetch(`${server.url}/metrics`)).text();
    const rssMb = Number(/process_resident_memory_bytes (\d+)/.exec(metrics)?.[1] ?? 0) / 1024 / 1024;
    return {
      ...(await balanceOf(server.url, sender)),
      refused: sender.refused,
      healthP99Ms: quantile(times.health, 0.99),
      homeP99Ms: quantile(times.home, 0.99),
      recoveryS,
      rssMb,
    };
  } finally {
    await sender.stop();
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}

export interface ConnectionsResult {
  idle: number;
  slow: number;
  half: number;
  /** slowest answer to an ordinary request meanwhile */
  slowestMs: number;
  /** half bodies and slow heads that the server ended by itself within the time */
  ended: number;
}

/** Connections that say nothing, say it slowly, or stop in the middle; ordinary requests are answered meanwhile. */
export async function connections(
  idle: number,
  slow: number,
  half: number,
  seconds: number,
): Promise<ConnectionsResult> {
  const dataDir = temporaryFolder();
  const server = await startServerProcess(dataDir);
  const port = Number(new URL(server.url).port);
  const sockets: Socket[] = [];
  let ended = 0;
  const open = (begin: string, closes: boolean) =>
    new Promise<Socket>((resolve) => {
      const socket = connect(port, '127.0.0.1', () => {
        if (begin !== '') socket.write(begin);
        resolve(socket);
      });
      socket.on('error', () => undefined);
      if (closes) socket.on('close', () => ended++);
      socket.resume();
      sockets.push(socket);
    });
  try {
    for (let i = 0; i < idle; i++) await open('', false);
    const slowOnes = await Promise.all(
      Array.from({ length: slow }, () => open('POST /v1/traces HTTP/1.1\r\nhost: x\r\n', true)),
    );
    await Promise.all(
      Array.from({ length: half }, () =>
        open(
          'POST /v1/traces HTTP/1.1\r\nhost: x\r\ncontent-type: application/json\r\ncontent-length: 1000000\r\n\r\n{"resource',
          true,
        ),
      ),
    );
    const drip = setInterval(() => slowOnes.forEach((socket) => socket.writable && socket.write('x')), 1_000);
    let slowestMs = 0;
    const end = performance.now() + seconds * 1000;
    while (performance.now() < end) {
      const begun = performance.now();
      const answer = await postJson(`${server.url}/v1/traces`, requestOf(5));
      await answer.text();
      if (!answer.ok) throw new Error(`${answer.status}`);
      slowestMs = Math.max(slowestMs, performance.now() - begun);
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    clearInterval(drip);
    return { idle, slow, half, slowestMs, ended };
  } finally {
    for (const socket of sockets) socket.destroy();
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}

export interface SoakResult {
  days: number;
  attempts: number;
  /** resident memory after each fifth of the time, megabytes */
  rssMb: number[];
}

/** Days of telemetry as fast as they are taken: memory must not grow with them. */
export async function soak(days: number, attemptsADay: number): Promise<SoakResult> {
  const dataDir = temporaryFolder();
  const server = await startServerProcess(dataDir);
  const rssMb: number[] = [];
  try {
    const beginMs = Date.now() - days * 86_400_000;
    let attempts = 0;
    for (let day = 0; day < days; day++) {
      for (let hour = 0; hour < 24; hour++) {
        const n = Math.round(attemptsADay / 24);
        const startMs = Math.min(Date.now() - 2_000, beginMs + (day * 24 + hour) * 3_600_000 + 60_000);
        const body = requestOf(n, {
          startMs,
          attributes: { 'user.id': `p-${day}-${hour}`, 'toplens.site': `site ${hour % 5}` },
          resource: { 'service.version': `1.${day}` },
        });
        await until('the server to take it', async () => (await postJson(`${server.url}/v1/traces`, body)).ok, 60_000);
        attempts += n;
      }
      if (day % Math.ceil(days / 5) === Math.ceil(days / 5) - 1) {
        await new Promise((resolve) => setTimeout(resolve, 3_000));
        const metrics = await (await fetch(`${server.url}/metrics`)).text();
        rssMb.push(Math.round(Number(/process_resident_memory_bytes (\d+)/.exec(metrics)?.[1] ?? 0) / 1024 / 1024));
      }
    }
    return { days, attempts, rssMb };
  } finally {
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}
