import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { MEMORY } from '../../tools/memory.mjs';
import { ROOT, freePort, removeFolder, startServerProcess, stop, temporaryFolder } from '../processes';
import { balanceOf, type Balance } from './counted';
import { CountingSender } from './sender';

/**
 * A second server on the folder of a first, with process numbers of its own as in another container. @returns what it
 * said
 */
export async function secondServer(): Promise<Balance & { code: number | null; said: string }> {
  const dataDir = temporaryFolder();
  const sender = new CountingSender();
  const server = await startServerProcess(dataDir);
  try {
    sender.start(() => server.url);
    const command = `${process.execPath} dist/node/main.mjs`;
    const asRoot = process.getuid?.() === 0 ? [] : ['--map-root-user'];
    const second = spawn('unshare', [...asRoot, '--pid', '--fork', '--kill-child', 'sh', '-c', command], {
      cwd: ROOT,
      env: {
        ...MEMORY,
        ...process.env,
        NODE_OPTIONS: '',
        TOPLENS_PORT: String(await freePort()),
        TOPLENS_DATA: dataDir,
        TOPLENS_DEMO: '1',
        TOPLENS_LOG: 'error',
      },
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    let said = '';
    second.stderr.on('data', (bytes: Buffer) => (said += bytes.toString()));
    const killed = setTimeout(() => second.kill('SIGKILL'), 30_000);
    const [code] = (await once(second, 'exit')) as [number | null];
    clearTimeout(killed);
    await sender.stop();
    return { ...(await balanceOf(server.url, sender)), code, said };
  } finally {
    await sender.stop();
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}
