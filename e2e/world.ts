import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { TruthFile } from '../scenario/src/pellwick/truth';
import { freePort, getJson, removeFolder, start, startServerProcess, stop, temporaryFolder, until } from './processes';

export interface DemoWorld {
  url: string;
  deskUrl: string;
  truth: TruthFile;
  close: () => Promise<void>;
}

const SETTINGS = 'config/pellwick.json';

/**
 * The demo as a visitor gets it, up to the moment of `nowMs`, by clocks that are ahead: server, team desk, and two
 * weeks of the world.
 */
export async function startDemoWorld(nowMs: number, clockOffsetMs = 0): Promise<DemoWorld> {
  const clock = { TOPLENS_TEST_CLOCK_OFFSET_MS: String(clockOffsetMs) };
  const dataDir = temporaryFolder();
  const deskPort = await freePort();
  const deskUrl = `http://127.0.0.1:${deskPort}`;
  const env = {
    ...clock,
    TOPLENS_BROWSER_KEYS: 'portal-browser=demo-portal@https://portal.pellwick.example',
    TOPLENS_DESK_TOKEN: 'e2e',
    TOPLENS_PERSON_KEYS: 'first support=see',
  };
  const desk = start('desk-main', [String(deskPort), SETTINGS], { ...env, TOPLENS_DESK_TAKES_AFTER_MS: '1500' });
  const server = await startServerProcess(dataDir, {
    ...env,
    TOPLENS_SETTINGS: SETTINGS,
    TOPLENS_DESK_URL: `${deskUrl}/handoffs`,
  });
  const truthFile = join(dataDir, 'truth.json');
  const world = start('load-and-play', [server.url, truthFile, 'load'], {
    ...clock,
    TOPLENS_SCENARIO_NOW: String(nowMs),
    TOPLENS_SCENARIO_BROWSER_KEY: 'demo-portal',
  });
  const [code] = (await once(world, 'exit')) as [number];
  if (code !== 0) throw new Error(`the demo world could not be loaded (exit code ${code})`);
  await until(
    'all minutes to be judged',
    async () => {
      const { judgedMs, watermarkMs } = await getJson<{ judgedMs: number | null; watermarkMs: number | null }>(
        `${server.url}/api/status`,
      );
      return (
        judgedMs !== null && watermarkMs !== null && watermarkMs - judgedMs < 70_000 && nowMs - watermarkMs < 70_000
      );
    },
    180_000,
  );
  await untilStill(server.url, nowMs);
  return {
    url: server.url,
    deskUrl,
    truth: JSON.parse(readFileSync(truthFile, 'utf8')) as TruthFile,
    close: async () => {
      await Promise.all([stop(server.process), stop(desk)]);
      removeFolder(dataDir);
    },
  };
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
      const { backlogRecords } = await getJson<{ backlogRecords: number }>(`${url}/healthz`);
      const { rows } = await getJson<{ rows: object[] }>(`${url}/api/worst-first?${day}`);
      const now = JSON.stringify(rows);
      if (now !== seen || backlogRecords > 0) [seen, sinceMs] = [now, Date.now()];
      return Date.now() - sinceMs >= STILL_MS;
    },
    180_000,
  );
}
