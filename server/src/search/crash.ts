import { maskText } from '@toplens/core/masking';
import { sessionId } from '@toplens/core/phones';
import { MINUTE_MS } from '@toplens/core/time';
import type { CrashPageShape } from '../contract/phones';
import { parseFlowText } from '../names/flow-text';
import type { Database } from '../store/database';
import { attemptsOfSession, loadCrash } from '../store/phones';
import { CrashReader } from './read-crash';

/** So long before a crash its session is shown. */
const BEFORE_MS = 30 * MINUTE_MS;
const MOST_ATTEMPTS = 60;

/** One crash: exception, frames with their names restored, all threads, the trail, and its session before it. */
export async function crash(database: Database, id: string): Promise<CrashPageShape | null> {
  const stored = await loadCrash(database, id);
  if (!stored) return null;
  const { person: _person, session, stack, message, detail, component, ...told } = stored;
  const { group, frames, isRestored } = await new CrashReader(database).read(stored);
  const window = { fromMs: stored.atMs - BEFORE_MS, toMs: stored.atMs + 1 };
  const attempts = session === 0 ? [] : await attemptsOfSession(database, { session, window, most: MOST_ATTEMPTS });
  return {
    ...told,
    component,
    message: maskText(message),
    group,
    frames,
    isRestored,
    stack: maskText(stack),
    thread: detail.thread,
    threads: detail.threads.map((thread) => ({ name: thread.name, stack: maskText(thread.stack) })),
    trail: detail.trail.map(({ atMs, what }) => ({ atMs, what: maskText(what) })),
    sessionId: session === 0 ? null : sessionId(session),
    session: attempts.map(({ flow, ...attempt }) => ({ ...attempt, flow: parseFlowText(flow).technicalName })),
  };
}
