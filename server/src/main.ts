import { readConfig } from './config';
import { startServer } from './server';

try {
  const server = await startServer(readConfig());
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void server.close().then(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  console.error(`Top Lens cannot start: ${(error as Error).message}`);
  process.exit(1);
}
