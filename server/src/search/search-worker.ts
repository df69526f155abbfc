import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { Pseudonyms } from '../names/pseudonyms';
import { Database } from '../store/database';
import { serve } from '../threads/ask-and-serve';
import { logPatterns } from './log-patterns';
import { pageLoad } from './page-load';
import { pageLoads } from './page-loads';
import { crash } from './crash';
import { crashGroup, phone } from './phone';
import { phoneAddresses, phoneSession, phoneSessions } from './phone-sessions';
import type { SearchQuestions } from './questions';
import { scriptErrors } from './script-errors';

const { port, secret } = workerData as { port: MessagePort; secret: Uint8Array };
const pseudonyms = new Pseudonyms(secret);
const database = new Database(port);

const main = parentPort as MessagePort;
main.on(
  'message',
  serve<SearchQuestions>(main, {
    logPatterns: (question) => logPatterns(database, pseudonyms, question),
    pageLoads: (question) => pageLoads(database, question),
    pageLoad: (id) => pageLoad(database, id),
    phone: (question) => phone(database, question),
    crashGroup: (question) => crashGroup(database, question),
    crash: (id) => crash(database, id),
    phoneAddresses: (question) => phoneAddresses(database, question),
    phoneSessions: (question) => phoneSessions(database, question),
    phoneSession: (session) => phoneSession(database, session),
    scriptErrors: (question) => scriptErrors(database, question),
  }),
);
