import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker, type WorkerOptions } from 'node:worker_threads';
import { projectRoot } from '../project-root';

/**
 * Starts a file below server/src as a worker thread: from the bundle when this runs bundled, else the TypeScript
 * itself.
 *
 * @param entry as `engine/engine-worker.ts`
 */
export function startWorker(entry: string, workerData: object, options: WorkerOptions = {}): Worker {
  // Set by tools/bundle.mjs.
  if (process.env.TOPLENS_BUNDLE) {
    const file = join(projectRoot(), process.env.TOPLENS_BUNDLE, entry.replace(/^.*\//, '').replace(/\.ts$/, '.mjs'));
    return new Worker(file, { ...options, workerData, execArgv: [] });
  }
  const src = join(projectRoot(), 'server', 'src');
  return new Worker(join(src, 'threads', 'boot-worker.mjs'), {
    ...options,
    workerData: { ...workerData, entry: pathToFileURL(join(src, entry)).href },
    // Flags of the parent (jest's, a debugger's) are not for the worker.
    execArgv: [],
  });
}
