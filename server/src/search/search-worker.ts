import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { Database } from '../store/database';
import { logPatterns } from './log-patterns';
import { pageLoad } from './page-load';
import { pageLoads } from './page-loads';
import type { SearchName, SearchQuestions } from './questions';
import { scriptErrors } from './script-errors';

const { port } = workerData as { port: MessagePort };
const database = new Database(port);

const ANSWERS: { [Name in SearchName]: (database: Database, question: SearchQuestions[Name]['ask']) => Promise<SearchQuestions[Name]['answer']> } = {
  logPatterns,
  pageLoads: (own, question) => pageLoads(own, question),
  pageLoad,
  scriptErrors,
};

type Asked = { id: number; name: SearchName; question: never };

parentPort?.on('message', ({ id, name, question }: Asked) => {
  ANSWERS[name](database, question).then(
    (result) => parentPort?.postMessage({ id, ok: true, result }),
    (error: Error) => parentPort?.postMessage({ id, ok: false, message: error.stack ?? error.message }),
  );
});
