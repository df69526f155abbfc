import { once } from 'node:events';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ask } from '../ask';
import { health } from '../health';
import type { TruthFile } from '../../scenario/src/pellwick/truth';
import { ROOT, freePort, removeFolder, start, startServerProcess, stop, temporaryFolder, until } from '../processes';

export interface DemoWorld {
  url: string;
  deskUrl: string;
  mailboxUrl: string;
  truth: TruthFile;
  close: () => Promise<void>;
}

/** Where the made world is kept, and what stands in its `made.json`. */
export const MADE_WORLD = join(ROOT, '.cache', 'demo-day');
interface Made {
  /** the moment that the world plays up to */
  nowMs: number;
  /** what its server's clock said when it was stopped: time goes on from there */
  stoppedMs: number;
}

const SETTINGS = 'config/pellwick.json';

/** A server, a team desk, a mailbox and a gateway, as a visitor gets them, with clocks that are ahead. */
async function startProcesses(dataDir: string, clockOffsetMs: number) {
  const deskPort = await freePort();
  const deskUrl = `http://127.0.0.1:${deskPort}`;
  const env = {
    TOPLENS_TEST_CLOCK_OFFSET_MS: String(clockOffsetMs),
    TOPLENS_BROWSER_KEYS: 'portal-browser=demo-portal@https://portal.pellwick.example',
    TOPLENS_DESK_TOKEN: 'e2e',
    TOPLENS_DEMO_PEOPLE: 'config/pellwick-people.json',
    TOPLENS_PERSON_KEYS: 'first support=see',
  };
  const desk = start('desk-main', [String(deskPort), SETTINGS], { ...env, TOPLENS_DESK_TAKES_AFTER_MS: '1500' });
  const [smtpPort, mailboxPort, messagesPort] = [await freePort(), await freePort(), await freePort()];
  const mailbox = start('mailbox-main', [String(smtpPort), String(mailboxPort)], env);
  const messages = start('messages-main', [String(messagesPort)], env);
  const server = await startServerProcess(dataDir, {
    ...env,
    TOPLENS_SETTINGS: SETTINGS,
    TOPLENS_DESK_URL: `${deskUrl}/handoffs`,
    TOPLENS_SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    TOPLENS_MESSAGE_URL: `http://127.0.0.1:${messagesPort}/messages`,
  });
  const stopAll = async () => {
    await Promise.all([server.process, desk, mailbox, messages].map((child) => stop(child)));
  };
  return { url: server.url, deskUrl, mailboxUrl: `http://127.0.0.1:${mailboxPort}`, stopAll };
}

/**
 * Plays two weeks of the demo into a server, up to the moment of `nowMs`, and keeps its folder: tests of the
 * interface start copies of it.
 */
export async function makeDemoWorld(nowMs: number): Promise<void> {
  const dir = temporaryFolder();
  const dataDir = join(dir, 'data');
  const clockOffsetMs = nowMs - Date.now();
  const { url, deskUrl, stopAll } = await startProcesses(dataDir, clockOffsetMs);
  const world = start('load-and-play', [url, join(dir, 'truth.json'), 'load'], {
    TOPLENS_TEST_CLOCK_OFFSET_MS: String(clockOffsetMs),
    TOPLENS_SCENARIO_NOW: String(nowMs),
    TOPLENS_SCENARIO_BROWSER_KEY: 'demo-portal',
  });
  const [code] = (await once(world, 'exit')) as [number];
  if (code !== 0) throw new Error(`the demo world could not be loaded (exit code ${code})`);
  await untilJudged(url, nowMs);
  await untilStill(url, nowMs);
  const past = start('past-handoffs', [url, deskUrl], { TOPLENS_TEST_CLOCK_OFFSET_MS: String(clockOffsetMs) });
  const [ended] = (await once(past, 'exit')) as [number];
  if (ended !== 0) throw new Error(`nothing could be handed over (exit code ${ended})`);
  await stopAll();
  // All of it is in the database; without it a copy takes a second.
  const journal = join(dataDir, 'journal');
  for (const file of readdirSync(journal).sort().slice(0, -1)) rmSync(join(journal, file));
  const made: Made = { nowMs, stoppedMs: Date.now() + clockOffsetMs };
  writeFileSync(join(dir, 'made.json'), JSON.stringify(made));
  rmSync(MADE_WORLD, { recursive: true, force: true });
  mkdirSync(dirname(MADE_WORLD), { recursive: true });
  cpSync(dir, `${MADE_WORLD}.unfinished`, { recursive: true });
  renameSync(`${MADE_WORLD}.unfinished`, MADE_WORLD);
  removeFolder(dir);
}

/** A copy of the made world, with a server of its own. */
export async function startDemoWorld(): Promise<DemoWorld & Made & { clockOffsetMs: number }> {
  if (!existsSync(join(MADE_WORLD, 'made.json')))
    throw new Error('the demo day is not made yet: run `npm test -- e2e`');
  const made = JSON.parse(readFileSync(join(MADE_WORLD, 'made.json'), 'utf8')) as Made;
  const dir = temporaryFolder();
  cpSync(MADE_WORLD, dir, { recursive: true });
  const clockOffsetMs = made.stoppedMs - Date.now();
  const { url, deskUrl, mailboxUrl, stopAll } = await startProcesses(join(dir, 'data'), clockOffsetMs);
  await untilJudged(url, made.nowMs);
  return {
    ...made,
    clockOffsetMs,
    url,
    deskUrl,
    mailboxUrl,
    truth: JSON.parse(readFileSync(join(dir, 'truth.json'), 'utf8')) as TruthFile,
    close: async () => {
      await stopAll();
      removeFolder(dir);
    },
  };
}

function untilJudged(url: string, nowMs: number): Promise<unknown> {
  return until(
    'all minutes to be judged',
    async () => {
      const { judgedMs, watermarkMs } = await ask(url, '/api/status');
      return (
        judgedMs !== null && watermarkMs !== null && watermarkMs - judgedMs < 70_000 && nowMs - watermarkMs < 70_000
      );
    },
    180_000,
  );
}

const STILL_MS = 20_000;

/**
 * What came last belongs to hours that were judged before it came, and they are judged once more after it is stored: on
 * a busy machine seconds later. Waits until the day's list has been the same for a while.
 */
async function untilStill(url: string, nowMs: number): Promise<void> {
  const day = new URLSearchParams({
    from: new Date(nowMs - 86_400_000).toISOString(),
    to: new Date(nowMs - 60_000).toISOString(),
  });
  let seen = '';
  let sinceMs = Date.now();
  await until(
    'the list to stay as it is',
    async () => {
      // Whoever asks without pause keeps the server from judging.
      await sleep(1_000);
      const { backlogRecords } = await health(url);
      const { rows } = await ask(url, '/api/worst-first', { query: day.toString() });
      const now = JSON.stringify(rows);
      if (now !== seen || backlogRecords > 0) [seen, sinceMs] = [now, Date.now()];
      return Date.now() - sinceMs >= STILL_MS;
    },
    180_000,
  );
}
