import { startServerProcess, stop, temporaryFolder, removeFolder, type ServerProcess } from '../processes';
import { balanceOf, type Balance } from './counted';
import { CountingSender } from './sender';

/** kill -9 in the middle of taking data, again and again. */
export async function killRounds(rounds: number): Promise<Balance> {
  const dataDir = temporaryFolder();
  const sender = new CountingSender();
  let server: ServerProcess | undefined;
  try {
    for (let round = 0; round < rounds; round++) {
      server = await startServerProcess(dataDir);
      sender.start(() => server?.url ?? '');
      await new Promise((resolve) => setTimeout(resolve, 300 + 130 * (round % 10)));
      await stop(server.process, 'SIGKILL');
      await sender.stop();
    }
    server = await startServerProcess(dataDir);
    return await balanceOf(server.url, sender);
  } finally {
    await sender.stop();
    if (server) await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}

/** SIGTERM in some state. @returns how long it took to end, and whether all is there afterwards */
export async function terminateIn(
  state: 'starting' | 'replaying' | 'taking' | 'idle',
): Promise<Balance & { seconds: number; code: number | null }> {
  const dataDir = temporaryFolder();
  const sender = new CountingSender(400, 4);
  let server = await startServerProcess(dataDir);
  try {
    sender.start(() => server.url);
    await new Promise((resolve) => setTimeout(resolve, 3_000));
    if (state !== 'taking') await sender.stop();
    if (state === 'starting' || state === 'replaying') {
      await stop(server.process, 'SIGKILL');
      server = await startServerProcess(dataDir, {}, 60_000, state === 'starting' ? 'any answer' : 'telemetry taken');
    }
    const begun = performance.now();
    await stop(server.process, 'SIGTERM');
    const seconds = (performance.now() - begun) / 1000;
    const code = server.process.exitCode;
    await sender.stop();
    server = await startServerProcess(dataDir);
    return { ...(await balanceOf(server.url, sender)), seconds, code };
  } finally {
    await sender.stop();
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}
