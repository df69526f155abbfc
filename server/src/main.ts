import { pino } from 'pino';
import { readConfig, startWarnings } from './config';
import { startServer, type RunningServer } from './server';

/**
 * A supervisor waits ten seconds before it kills; what is not written to the database by then stands in the journal.
 */
const LONGEST_STOP_MS = 9_000;

// What is stored is for this server's user alone.
process.umask(0o077);

let server: RunningServer | undefined;
let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  setTimeout(() => process.exit(0), LONGEST_STOP_MS).unref();
  // While it starts there is nothing to close: all that was acknowledged is in the journal.
  if (!server) process.exit(0);
  void server.close().finally(() => process.exit(0));
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);

try {
  const config = readConfig();
  const log = pino({ level: config.logLevel });
  for (const words of startWarnings()) log.warn(words);
  server = await startServer(config, log);
} catch (error) {
  console.error(`Top Lens cannot start: ${(error as Error).message}`);
  process.exit(1);
}
