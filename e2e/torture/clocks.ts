import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask } from '../ask';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../processes';
import { postJson, requestOf } from './sender';

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;

export interface ClockResult {
  /** the trouble that came after the clock was right again stood in the list after so long, seconds */
  seenAfterS: number;
  headline: string;
}

/**
 * Two hours of steady traffic, then the clock of server and sender jumps, for as long as one request takes, and comes
 * back; then everything fails. The trouble must be seen as if nothing had been.
 *
 * @param jumpMs ahead when positive
 */
export async function clockJump(jumpMs: number, restartAfter = false): Promise<ClockResult> {
  const dataDir = temporaryFolder();
  const clockFile = join(dataDir, 'clock');
  const setClock = (offsetMs: number) => writeFileSync(clockFile, String(offsetMs));
  setClock(0);
  const env = { TOPLENS_TEST_CLOCK_FILE: clockFile };
  let server = await startServerProcess(dataDir, env);
  const attempts = async (fromMs: number, toMs: number, failed: boolean, everyMs = 5_000) => {
    const n = Math.floor((toMs - fromMs) / everyMs);
    for (let at = 0; at < n; at += 200) {
      const bodies = Array.from({ length: Math.min(200, n - at) }, (_, i) => {
        const { resourceSpans } = JSON.parse(
          requestOf(1, {
            startMs: fromMs + (at + i) * everyMs,
            durationMs: 80 + ((at + i) % 40),
            attributes: { 'user.id': `p-${at + i}` },
          }),
        ) as {
          resourceSpans: [{ resource: object; scopeSpans: [{ spans: object[] }] }];
        };
        return { ...resourceSpans[0].scopeSpans[0].spans[0], ...(failed && { status: { code: 2 } }) };
      });
      const resource = { attributes: [{ key: 'service.name', value: { stringValue: 'shop' } }] };
      const answer = await postJson(
        `${server.url}/v1/traces`,
        JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans: bodies }] }] }),
      );
      if (!answer.ok) throw new Error(`${answer.status}`);
      await answer.text();
    }
  };
  try {
    const now = Date.now();
    // What is usual takes days to learn; failures are judged by share within hours.
    await attempts(now - 26 * HOUR_MS, now - 8 * MINUTE_MS, false, 20_000);
    setClock(jumpMs);
    await new Promise((resolve) => setTimeout(resolve, 300));
    await attempts(Date.now() + jumpMs - 20_000, Date.now() + jumpMs - 1_000, false, 1_000);
    await new Promise((resolve) => setTimeout(resolve, 2_000));
    setClock(0);
    await new Promise((resolve) => setTimeout(resolve, 300));
    if (restartAfter) {
      await stop(server.process, 'SIGKILL');
      server = await startServerProcess(dataDir, env);
    }
    const begun = performance.now();
    await attempts(Date.now() - 8 * MINUTE_MS, Date.now() - 1_000, true, 2_000);
    const list = await until(
      'the trouble in the list',
      async () => {
        // A request now and then, as a live system sends them.
        await attempts(Date.now() - 3_000, Date.now() - 1_000, true, 1_000);
        const answer = await ask(server.url, '/api/worst-first', { query: 'last=60' });
        return answer.rows.length > 0 && answer;
      },
      60_000,
    );
    return { seenAfterS: (performance.now() - begun) / 1000, headline: list.headline };
  } finally {
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
}
