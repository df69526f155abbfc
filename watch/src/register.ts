import { isMainThread } from 'node:worker_threads';
import { startWatch } from './watch';

/** `node --import ./watch.mjs service.js`: nothing in the service itself has to change. */
const { TOPLENS_WATCH_URL, TOPLENS_WATCH_KEY = '', OTEL_SERVICE_NAME, TOPLENS_WATCH_VERSION = '' } = process.env;
if (isMainThread) {
  if (TOPLENS_WATCH_URL && OTEL_SERVICE_NAME)
    startWatch({
      url: TOPLENS_WATCH_URL.replace(/\/$/, ''),
      key: TOPLENS_WATCH_KEY,
      component: OTEL_SERVICE_NAME,
      version: TOPLENS_WATCH_VERSION,
    });
  else console.error('watch: set TOPLENS_WATCH_URL and OTEL_SERVICE_NAME; nothing is watched until then');
}
