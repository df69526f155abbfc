import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { lineReader } from '@toplens/core/money';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { pino, type Logger } from 'pino';
import { Pseudonyms } from './access/pseudonyms';
import { buildApp } from './app';
import { projectRoot, type Config } from './config';
import { Engine } from './engine/engine';
import { Intake } from './intake/intake';
import { Desk } from './outbound/desk';
import { Search } from './search/search';
import { readSettings } from './settings/settings';
import { dropOld } from './store/attempts';
import { Database } from './store/database';
import { lockDataFolder } from './store/lock';

export interface RunningServer {
  url: string;
  intake: Intake;
  engine: Engine;
  database: Database;
  close: () => Promise<void>;
}

const TIDY_EVERY_MS = 6 * HOUR_MS;
const FIRST_TIDY_MS = 10 * MINUTE_MS;

/** Brings everything up on the configured port (0: any free one). */
export async function startServer(config: Config, log: Logger = pino({ level: config.logLevel })): Promise<RunningServer> {
  const settings = readSettings(config.settingsFile);
  const unlock = lockDataFolder(config.dataDir);
  try {
    const database = await Database.open(join(config.dataDir, 'database'), join(projectRoot(), '.cache', 'toplens'));
    const running: { engine?: Engine } = {};
    // What the journal still holds is applied before the engine reads the database: then it is in there.
    const intake = await Intake.open({
      database,
      journalDir: join(config.dataDir, 'journal'),
      reading: { frontDoors: new Set(settings.frontDoors), readLine: lineReader(settings.businessEvents) },
      maxBacklogRecords: config.maxBacklogRecords,
      log,
      onCommitted: (batch) => running.engine?.append(batch),
    });
    const engine = await Engine.start(database, settings, join(config.dataDir, 'segments'), config.usualTracesAMinute, log);
    running.engine = engine;
    const search = Search.start(database);
    const pseudonyms = Pseudonyms.open(join(config.dataDir, 'pseudonyms.secret'));
    const http = createServer();
    await listen(http, config);
    const url = `http://${config.host}:${(http.address() as AddressInfo).port}`;
    const reachable = config.port === 0 ? { ...config, publicUrl: url } : config;
    http.on('request', buildApp({ config: reachable, settings, database, intake, engine, search, pseudonyms, log }));
    const desk = new Desk(database, { deskUrl: config.deskUrl, publicUrl: reachable.publicUrl, log });
    desk.start();
    const tidy = setInterval(() => void tidyUp(database, config, log), TIDY_EVERY_MS);
    const firstTidy = setTimeout(() => void tidyUp(database, config, log), FIRST_TIDY_MS);
    log.info({ url, dataDir: config.dataDir }, 'Top Lens is ready');
    return {
      url,
      intake,
      engine,
      database,
      close: async () => {
        clearInterval(tidy);
        clearTimeout(firstTidy);
        http.closeAllConnections();
        await new Promise((resolve) => http.close(resolve));
        await desk.stop();
        await intake.close();
        await engine.stop();
        await search.stop();
        await database.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

function listen(http: Server, { host, port }: Config): Promise<void> {
  return new Promise((resolve, reject) => {
    http.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'EADDRINUSE' ? new Error(`port ${port} is taken: choose another with TOPLENS_PORT`) : error),
    );
    http.listen(port, host, resolve);
  });
}

async function tidyUp(database: Database, config: Config, log: Logger): Promise<void> {
  const now = Date.now();
  await dropOld(database, { spansFromMs: now - config.keepSpansHours * HOUR_MS, attemptsFromMs: now - config.keepAttemptsDays * DAY_MS }).catch(
    (error: Error) => log.error({ error }, 'old telemetry cannot be dropped'),
  );
}
