import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { MINUTE_MS } from '@toplens/core/time';
import { pino, type Logger } from 'pino';
import { Accounts } from './access/accounts';
import { firstSignIn } from './access/first-sign-in';
import { InstallationKeys } from './access/installation-keys';
import { Pseudonyms } from './names/pseudonyms';
import { Provider } from './access/provider';
import { SenderKeys } from './access/sender-keys';
import { SessionStore } from './access/session-store';
import { buildApp } from './app';
import type { Config, RunningConfig } from './config';
import { closeHttp, httpServer, listen } from './http-server';
import { WithoutSecrets } from './intake/without-secrets';
import { OtlpPorts } from './otlp-ports';
import { projectRoot } from './project-root';
import { Engine } from './engine/engine';
import { Intake } from './intake/intake';
import { Journal, START, type JournalMark } from './intake/journal';
import { AdminSocket } from './maintenance/admin-socket';
import { BackupRota } from './maintenance/backup-rota';
import { DiskGuard, giveUpReserve, isDiskFault } from './maintenance/disk-guard';
import { Health } from './maintenance/health';
import { openDatabase, type OpenOptions } from './maintenance/open-database';
import { Recovery } from './maintenance/recovery';
import { startingHandler } from './maintenance/starting-handler';
import { Tidy } from './maintenance/tidy';
import { diskHealth, watchParts } from './maintenance/watch-parts';
import { alertSubjects } from './alert-subjects';
import { Alerter } from './outbound/alerter';
import { Channels } from './outbound/channels';
import { Desk } from './outbound/desk';
import { OutboxSender } from './outbound/outbox-sender';
import { readRota } from './outbound/rota';
import { FixWatch } from './outbound/watch-fixes';
import { handoffSummary } from './api/handoff-shapes';
import { Search } from './search/search';
import { changingSettings } from './api/change-settings';
import { keepFoundEntries } from './found-entries';
import { readSettings } from './settings/settings';
import { keptDays, keptFrom } from './settings/retention';
import { readBook } from './store/settings';
import { readingOf } from './reading-of-settings';
import type { Database } from './store/database';
import { listHandoffs } from './store/handoffs';
import { loadApplied } from './store/journal-applied';
import { lockDataFolder, OwnershipLost } from './store/lock';

export interface RunningServer {
  url: string;
  intake: Intake;
  engine: Engine;
  accounts: Accounts;
  search: Search;
  database: Database;
  health: Health;
  recovery: Recovery;
  backups: BackupRota;
  /** beside the main port */
  otlp: OtlpPorts;
  /** looks now for services that begin attempts; done every few seconds */
  findEntries: (nowMs?: number) => Promise<void>;
  close: () => Promise<void>;
}

/** How often attempts are looked for whose end nobody waits for any longer. */
const UNENDED_EVERY_MS = 20_000;
/** How often it is looked whether services begin attempts that are not known to. */
const ENTRIES_EVERY_MS = 5_000;
const GRACE_MS = 1_000;
/** What is judged up to then is the present. */
const STALE_MS = 30 * MINUTE_MS;

/**
 * Brings everything up on the configured port (0: any free one). The port opens first and says how far the start is;
 * telemetry is taken as soon as the database is open, while the journal is still being applied.
 */
export async function startServer(
  config: Config,
  log: Logger = pino({ level: config.logLevel }),
): Promise<RunningServer> {
  const settings = readSettings(config.settingsFile);
  const undo: (() => unknown)[] = [];
  try {
    const health = new Health();
    const http = httpServer(config.maxConnections, config.tls);
    const whileStarting = startingHandler(health);
    http.on('request', whileStarting);
    const port = await openMain(http, config);
    undo.unshift(() => (http.close(), http.closeAllConnections()));
    const { dataDir } = config;
    const room = { dataDir, health, log };
    const owner = await whenThereIsRoom(
      () => lockDataFolder(dataDir, { giveUp: (error) => isDiskFault(error.code) && giveUpReserve(dataDir) }),
      room,
    );
    undo.push(() => owner.release());
    const keys = await whenThereIsRoom(() => InstallationKeys.open(join(dataDir, 'pseudonyms.secret')), room);
    const disk = new DiskGuard({
      dataDir: config.dataDir,
      reserveBytes: config.diskReserveBytes,
      leastFreeBytes: config.leastFreeDiskBytes,
      log,
    });
    health.watch('disk', () => diskHealth(disk));
    await disk.start();
    undo.unshift(() => disk.stop());
    const journalDir = join(config.dataDir, 'journal');
    const opening: OpenOptions = {
      dataDir: config.dataDir,
      templateDir: join(projectRoot(), '.cache', 'toplens'),
      backupDir: config.backupDir,
      log,
      isJournalComplete: () => !existsSync(journalDir) || Journal.open(journalDir).isComplete,
      isDiskFull: () => disk.trouble !== undefined,
      acceptLoss: config.acceptLoss,
    };
    const { database, mended } = await openDatabase(opening);
    undo.unshift(() => database.close());
    const applied = await appliedMark(database, journalDir);
    const journal = Journal.open(journalDir, { above: applied.segment, epoch: owner.epoch, checkOwner: owner.check });
    const rota: { backups?: BackupRota } = {};
    const parts: { engine?: Engine } = {};
    const withoutSecrets = new WithoutSecrets(keys.of('mail addresses'));
    const now = async () => (await readBook(database, settings)).at();
    const atStart = await now();
    const intake = await Intake.open({
      database,
      journal,
      reading: { ...readingOf(atStart), limits: config.limits, withoutSecrets },
      maxBacklogRecords: config.maxBacklogRecords,
      log,
      onCommitted: (batch) => parts.engine?.append(batch),
      onJournalFault: (error) => {
        disk.report(error);
        if (error instanceof OwnershipLost) stopBecause(error, log);
      },
      refusal: () =>
        disk.trouble && {
          code: 'diskFull',
          detail: `${disk.trouble.words} Nothing of this request was taken: send it again.`,
          retryAfterS: 10,
        },
      keepJournalFrom: () => rota.backups?.keepJournal ?? { segment: 0, mostBytes: Infinity },
    });
    const engine = (parts.engine = new Engine(
      database,
      {
        settings,
        segmentsDir: join(config.dataDir, 'segments'),
        usualTracesAMinute: config.usualTracesAMinute,
        secret: keys.secret,
        usuallyKept: { keepAttemptsDays: config.keepAttemptsDays, keepSpansHours: config.keepSpansHours },
      },
      log,
    ));
    const search = Search.start(database, { secret: keys.secret, log });
    undo.unshift(
      () => engine.stop(),
      () => search.stop(),
    );
    const pseudonyms = new Pseudonyms(keys.secret);
    const accounts = new Accounts(database, keys, config.secondFactorOf);
    const store = new SessionStore(database);
    const senderKeys = new SenderKeys(database, config);
    // What cannot be read keeps people out, but no telemetry.
    await Promise.all([accounts.load(), store.read(Date.now()), senderKeys.load()]).catch((error: unknown) =>
      log.error({ err: error }, 'accounts cannot be read: nobody can sign in'),
    );
    const source = {
      database,
      dataDir: config.dataDir,
      withoutCheckpoints: <Result>(work: () => Promise<Result>) => intake.withoutCheckpoints(work),
    };
    const recovery = new Recovery({
      database,
      intake,
      engine,
      search,
      disk,
      opening,
      log,
      appliedMark: () => appliedMark(database, journalDir),
      mended,
    });
    const backups = (rota.backups = new BackupRota({
      source,
      dir: config.backupDir,
      kept: config.backupsKept,
      hour: config.backupHour,
      maxJournalBytes: config.maxJournalBytes,
      journalBytes: () => journal.bytes,
      isHindered: () => disk.trouble !== undefined || recovery.isUnderWay,
      log,
    }));
    watchParts(health, { intake, engine, search, disk, recovery, backups, config });

    const url = `${config.tls ? 'https' : 'http'}://${config.host}:${port}`;
    const { ingestKeys, phoneKeys, browserKeys } = senderKeys;
    const running: RunningConfig = { ...config, ingestKeys, phoneKeys, browserKeys };
    const reachable = config.port === 0 ? { ...running, publicUrl: url } : running;
    const tidy = new Tidy({
      database,
      keptFrom: async (nowMs) => keptFrom(keptDays((await now()).retention, config), nowMs),
      log,
    });
    let kept = atStart.retention;
    const changeSettings = changingSettings({
      database,
      engine,
      file: settings,
      onChanged: (changed) => {
        intake.readBy(readingOf(changed));
        if (isDeepStrictEqual(changed.retention, kept)) return;
        kept = changed.retention;
        void tidy.now();
      },
    });
    let told = '';
    const findEntries = async (nowMs = Date.now()) => {
      const verdicts = intake.entryFinder.verdicts(nowMs);
      if (JSON.stringify(verdicts) === told) return;
      await keepFoundEntries(await readBook(database, settings), verdicts, changeSettings);
      told = JSON.stringify(verdicts);
    };
    const channels = new Channels({ ...config, publicUrl: reachable.publicUrl });
    const desk = new Desk(database, {
      deskUrl: config.deskUrl,
      mailOf: async (team) => {
        const receiver = (await now()).receivers.find(({ name }) => name === team);
        return receiver?.takesHandoffs ? (receiver.mail ?? '') : '';
      },
      channels,
      publicUrl: reachable.publicUrl,
      webhookSecret: config.webhookSecret,
      log,
    });
    const otlp = await OtlpPorts.open(intake, { ...running, log });
    undo.unshift(() => otlp.close());
    http.off('request', whileStarting);
    http.on(
      'request',
      buildApp({
        config: reachable,
        settings,
        database,
        intake,
        engine,
        search,
        pseudonyms,
        keys,
        accounts,
        senderKeys,
        store,
        provider: config.provider && new Provider(config.provider, accounts, reachable.publicUrl),
        health,
        otlp,
        changeSettings,
        desk,
        channels,
        log,
      }),
    );
    const admin = await AdminSocket.open(config.dataDir, source, log);
    undo.unshift(() => admin.close());

    recovery.watch();
    await recovery.begin(applied);
    const fixes = new FixWatch(database, {
      askProof: (question) => engine.ask('proof', question),
      askIncident: (id, window) =>
        engine.ask('incident', { id, window, against: 'nothing', focus: { values: {} }, rates: 'then' }),
      judgedMs: () => engine.figures?.judgedMs ?? 0,
      log,
    });
    fixes.start();
    desk.start();
    const outbox = new OutboxSender(database, channels, { log });
    outbox.start();
    const handoffs = async () => {
      const { mayWait } = (await now()).handoffs;
      return (await listHandoffs(database)).map((row) => handoffSummary(row, mayWait));
    };
    const alerter = new Alerter(database, {
      subjects: (kinds) => alertSubjects({ engine, intake, search, handoffs }, kinds),
      settings: async () => {
        const { alertRules, receivers } = await now();
        return { rules: alertRules, receivers };
      },
      readRota,
      publicUrl: reachable.publicUrl,
      isReady: () => isLive(engine, Date.now()),
      log,
    });
    alerter.start();
    backups.start();
    senderKeys.start();
    tidy.start();
    const unended = setInterval(() => {
      intake.closeUnended().catch((error: unknown) => log.warn({ err: error }, 'what never ended is closed later'));
    }, UNENDED_EVERY_MS);
    const entries = setInterval(() => {
      findEntries().catch((error: unknown) => log.warn({ err: error }, 'entry services are looked for later'));
    }, ENTRIES_EVERY_MS);
    await firstSignIn(accounts, { ...config, publicUrl: reachable.publicUrl }, log).catch((error: unknown) =>
      log.error({ err: error }, 'whether anybody can sign in is not known'),
    );
    log.info({ url, dataDir: config.dataDir }, 'Top Lens is ready');
    return {
      url,
      intake,
      engine,
      accounts,
      search,
      database,
      health,
      recovery,
      backups,
      otlp,
      findEntries,
      close: async () => {
        tidy.stop();
        clearInterval(unended);
        clearInterval(entries);
        recovery.stop();
        disk.stop();
        await Promise.all([
          closeHttp(http),
          otlp.close(),
          admin.close(),
          backups.stop(),
          inTime(desk.stop()),
          inTime(fixes.stop()),
          inTime(alerter.stop()),
          inTime(outbox.stop()),
          inTime(senderKeys.stop()),
        ]);
        await Promise.all([intake.close(), engine.stop(), search.stop()]);
        await database.close();
        owner.release();
      },
    };
  } catch (error) {
    for (const one of undo) await Promise.resolve(one()).catch(() => undefined);
    throw error;
  }
}

/** Does what the start cannot go on without; while the disk has no room for a few bytes, waits and says so. */
async function whenThereIsRoom<Done>(
  work: () => Done,
  { dataDir, health, log }: { dataDir: string; health: Health; log: Logger },
): Promise<Done> {
  for (let tries = 0; ; tries++) {
    try {
      return work();
    } catch (error) {
      if (!isDiskFault((error as NodeJS.ErrnoException).code)) throw error;
      if (tries === 0) log.error({ err: error, dataDir }, 'the disk is full; the start waits for room');
      health.watch('disk', () => ({ state: 'down', words: 'The disk is full. The start waits for room.' }));
      await new Promise((resolve) => setTimeout(resolve, 1_000));
    }
  }
}

/** Nothing is told while only the past is judged: whoever is woken wants what goes on now. */
const isLive = (engine: Engine, nowMs: number): boolean => (engine.figures?.judgedMs ?? 0) > nowMs - STALE_MS;

const inTime = (work: Promise<unknown>) =>
  Promise.race([work, new Promise((resolve) => setTimeout(resolve, GRACE_MS).unref())]);

/** Another server has the folder: whatever this one still wrote would be lost, or worse. */
function stopBecause(error: Error, log: Logger): void {
  log.fatal({ err: error }, error.message);
  process.kill(process.pid, 'SIGKILL');
}

/** How far the journal is applied, as the database says; versions before 0.2 kept that beside the journal. */
async function appliedMark(database: Database, journalDir: string): Promise<JournalMark> {
  return (await loadApplied(database)) ?? Journal.oldMark(journalDir) ?? START;
}

/** @returns the port that is open */
const openMain = (http: Server, { host, port }: Config): Promise<number> =>
  listen(http, { host, port }).catch((error: NodeJS.ErrnoException) => {
    throw error.code === 'EADDRINUSE' ? new Error(`port ${port} is taken: choose another with TOPLENS_PORT`) : error;
  });
