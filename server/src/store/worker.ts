import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker, type WorkerOptions } from 'node:worker_threads';
import { projectRoot } from '../config';

/** Starts a TypeScript file below server/src as a worker thread. */
export function startWorker(entry: string, workerData: object, options: WorkerOptions = {}): Worker {
  const src = join(projectRoot(), 'server', 'src');
  return new Worker(join(src, 'store', 'boot-worker.mjs'), {
    ...options,
    workerData: { ...workerData, entry: pathToFileURL(join(src, entry)).href },
    // Flags of the parent (jest's, a debugger's) are not for the worker.
    execArgv: [],
  });
}
