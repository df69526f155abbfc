import { Store, type SessionData } from 'express-session';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { dropSessions, loadSessions, saveSession, type SessionRow } from '../store/sessions';
import type { Database } from '../store/database';
import { hashOf } from '../store/secrets';

declare module 'express-session' {
  interface SessionData {
    /** who is signed in */
    account: number;
    /** who gave a right password, and has a second factor to give */
    awaiting: number;
    /** ms since the epoch: when the password, the code or the provider was asked last */
    signedInMs: number;
    /** network address and browser, as they were at the sign-in */
    address: string;
    browser: string;
    /** what goes on at the provider where they sign in */
    atProvider: { state: string; nonce: string; verifier: string };
    /** that the provider gave: by it it knows whom to sign out */
    idToken: string;
  }
}

/** After so long everybody signs in anew (OWASP ASVS 4.0, 3.3.2). */
export const LONGEST_SESSION_MS = 12 * HOUR_MS;
/** Whoever is away for so long as well. */
export const IDLE_MS = 2 * HOUR_MS;
/** Until then a password given waits for its second factor. */
const AWAITING_MS = 10 * MINUTE_MS;
/** How exactly it is known when somebody was seen. */
const SEEN_EVERY_MS = MINUTE_MS;

/**
 * Sessions: in memory, so that no request waits for the database to know who asks, and in the database, so that a start
 * signs nobody out. What the browser holds is kept as its hash.
 */
export class SessionStore extends Store {
  #rows = new Map<string, SessionRow>();

  constructor(private readonly database: Database) {
    super();
  }

  async read(nowMs: number): Promise<void> {
    this.#rows = new Map((await loadSessions(this.database, nowMs)).map((row) => [row.idHash, row]));
  }

  override get(id: string, done: (error: unknown, session?: SessionData | null) => void): void {
    const row = this.#rows.get(hashOf(id));
    if (!row || !isOpen(row, Date.now())) return done(null, null);
    // express-session makes the cookie anew of what stands in it.
    done(null, JSON.parse(row.data) as SessionData);
  }

  override set(id: string, session: SessionData, done: (error?: unknown) => void = () => undefined): void {
    const nowMs = Date.now();
    const idHash = hashOf(id);
    const madeMs = session.signedInMs ?? this.#rows.get(idHash)?.madeMs ?? nowMs;
    const row: SessionRow = {
      idHash,
      account: session.account ?? null,
      data: JSON.stringify(session),
      madeMs,
      seenMs: nowMs,
      endsMs: madeMs + (session.account === undefined ? AWAITING_MS : LONGEST_SESSION_MS),
      address: session.address ?? '',
      browser: session.browser ?? '',
    };
    this.#keep(row).then(() => done(), done);
  }

  override touch(id: string, _session: SessionData, done: () => void = () => undefined): void {
    const row = this.#rows.get(hashOf(id));
    const nowMs = Date.now();
    if (!row || nowMs - row.seenMs < SEEN_EVERY_MS) return done();
    // Nobody waits for it: that somebody was seen is known in memory at once.
    this.#keep({ ...row, seenMs: nowMs }).catch(() => undefined);
    done();
  }

  override destroy(id: string, done: (error?: unknown) => void = () => undefined): void {
    this.#drop([hashOf(id)]).then(() => done(), done);
  }

  async #keep(row: SessionRow): Promise<void> {
    this.#rows.set(row.idHash, row);
    await saveSession(this.database, row);
  }

  async #drop(idHashes: readonly string[]): Promise<void> {
    for (const one of idHashes) this.#rows.delete(one);
    await dropSessions(this.database, idHashes);
  }

  /** Where somebody is signed in, the one that was seen last first. @param id what the browser that asks holds */
  of(account: number, id = ''): (SessionRow & { isThis: boolean })[] {
    const nowMs = Date.now();
    const own = hashOf(id);
    return [...this.#rows.values()]
      .filter((row) => row.account === account && isOpen(row, nowMs))
      .map((row) => ({ ...row, isThis: row.idHash === own }))
      .toSorted((one, other) => other.seenMs - one.seenMs);
  }

  /** Signs somebody out everywhere, but where `except` is what the browser holds. */
  endAll(account: number, except = ''): Promise<void> {
    const kept = hashOf(except);
    const ends = [...this.#rows.values()].filter((row) => row.account === account && row.idHash !== kept);
    return this.#drop(ends.map(({ idHash }) => idHash));
  }
}

const isOpen = ({ endsMs, seenMs }: SessionRow, nowMs: number): boolean => nowMs < endsMs && nowMs - seenMs < IDLE_MS;
