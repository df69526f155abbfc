import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, openSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MEMORY } from '../tools/memory.mjs';

/** Jest starts in the folder of its project, everything else at the top. */
export const ROOT = process.cwd().replace(/\/e2e$/, '');

export async function freePort(): Promise<number> {
  const server = createServer();
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  await once(server, 'close');
  return port;
}

export const temporaryFolder = () => mkdtempSync(join(tmpdir(), 'toplens-e2e-'));
export const removeFolder = (dir: string) => rmSync(dir, { recursive: true, force: true });

/**
 * A bundled entry of the project (tools/bundle.mjs) as a process of its own: what people run.
 * `TOPLENS_TEST_LOG` names a file for what it logs, `TOPLENS_TEST_CLOCK_OFFSET_MS` or a file with
 * that number, `TOPLENS_TEST_CLOCK_FILE`, sets its clock ahead (shifted-clock.mjs).
 */
export function start(entry: string, args: readonly string[], env: Record<string, string>): ChildProcess {
  return spawn(process.execPath, ['--import', './e2e/shifted-clock.mjs', `dist/node/${entry}.mjs`, ...args], {
    cwd: ROOT,
    env: { ...MEMORY, ...process.env, NODE_OPTIONS: '', ...env },
    stdio: ['ignore', env.TOPLENS_TEST_LOG === undefined ? 'ignore' : openSync(env.TOPLENS_TEST_LOG, 'a'), 'inherit'],
  });
}

export async function stop(child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  child.kill(signal);
  await once(child, 'exit');
}

export async function until<T>(
  what: string,
  look: () => Promise<T | undefined | false>,
  timeoutMs = 60_000,
): Promise<T> {
  const end = Date.now() + timeoutMs;
  for (;;) {
    const found = await look().catch(() => undefined);
    if (found !== undefined && found !== false) return found;
    if (Date.now() > end) throw new Error(`waited ${timeoutMs / 1000} s in vain for: ${what}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

export interface ServerProcess {
  url: string;
  process: ChildProcess;
}

/**
 * @param waitFor all parts well; telemetry is taken, though the journal may still be read; any answer, whatever it says
 */
export async function startServerProcess(
  dataDir: string,
  env: Record<string, string> = {},
  timeoutMs = 60_000,
  waitFor: 'health' | 'telemetry taken' | 'any answer' = 'health',
): Promise<ServerProcess> {
  // One that is started again where others still look for it keeps its port.
  const port = env.TOPLENS_PORT ?? (await freePort());
  const url = `http://127.0.0.1:${port}`;
  const server = start('main', [], {
    TOPLENS_PORT: String(port),
    TOPLENS_OTLP_GRPC_PORT: '0',
    TOPLENS_OTLP_HTTP_PORT: '0',
    TOPLENS_DATA: dataDir,
    TOPLENS_DEMO: '1',
    TOPLENS_LOG: 'error',
    ...env,
  });
  const ended = once(server, 'exit').then(([code]) =>
    Promise.reject(new Error(`the server ended with code ${String(code)}`)),
  );
  ended.catch(() => undefined);
  const started = until(
    'the server to start',
    async () => {
      const { ok, body } = await fetch(`${url}/healthz`);
      await body?.cancel();
      if (waitFor !== 'telemetry taken') return ok || waitFor === 'any answer';
      // Nothing in it: it is answered without being stored.
      return (
        await fetch(`${url}/v1/traces`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' })
      ).ok;
    },
    timeoutMs,
  );
  started.catch(() => undefined);
  await Promise.race([started, ended]);
  return { url, process: server };
}

export async function getJson<T>(url: string): Promise<T> {
  // A connection that lay idle may be closed under the request: asked again, as a browser would.
  const response = await fetch(url).catch(() => fetch(url));
  if (!response.ok) throw new Error(`${url}: ${response.status} ${await response.text()}`);
  return (await response.json()) as T;
}
