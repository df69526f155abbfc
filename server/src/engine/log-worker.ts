import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { Database } from '../store/database';
import { logPatterns } from './log-patterns';
import type { LogQuestion } from './log-search';

const { port } = workerData as { port: MessagePort };
const database = new Database(port);

parentPort?.on('message', ({ id, question }: { id: number; question: LogQuestion }) => {
  logPatterns(database, question).then(
    (result) => parentPort?.postMessage({ id, ok: true, result }),
    (error: Error) => parentPort?.postMessage({ id, ok: false, message: error.stack ?? error.message }),
  );
});
