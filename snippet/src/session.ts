import { randomId } from './random-id';

export interface Session {
  id: string;
  /** this session is one of those that are told */
  isTold: boolean;
}

const KEY = 'toplens.session';

/** One session is one tab: a random id that goes with it. No cookie is set. */
export function openSession(share: number, keepsNothing: boolean): Session {
  const fresh = { id: randomId(8), isTold: Math.random() < share };
  if (keepsNothing) return fresh;
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Session | null;
    if (kept) return kept;
    sessionStorage.setItem(KEY, JSON.stringify(fresh));
  } catch {
    // A page may not be allowed to keep anything: each load is a session of its own then.
  }
  return fresh;
}
