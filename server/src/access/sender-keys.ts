import type { SenderKind } from '@toplens/core/access';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { BrowserKey, Config, KeyBook } from '../config';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import {
  insertSenderKey,
  insertSenderSecret,
  loadSenderKeys,
  revokeSenderKey,
  saveUses,
  type SenderKeyRow,
  type SenderSecretRow,
} from '../store/sender-keys';
import { byHash, hashOf, newSecret } from '../store/secrets';

const SAVE_USES_EVERY_MS = MINUTE_MS;

/**
 * Keys of what sends: those of the environment, and those that were made here, which are made, replaced and revoked while
 * telemetry flows. Looked up in memory for each request; when a key was used is written once a minute.
 */
export class SenderKeys {
  #all: SenderKeyRow[] = [];
  #byHash = new Map<string, { key: SenderKeyRow; secret: SenderSecretRow }>();
  /** when each secret was used last, since the start */
  #uses = new Map<string, number>();
  #unsaved = new Set<string>();
  #saving: NodeJS.Timeout | undefined;

  readonly ingestKeys: KeyBook<string>;
  readonly phoneKeys: KeyBook<string>;
  readonly browserKeys: KeyBook<BrowserKey>;

  constructor(
    private readonly database: Database,
    given: Pick<Config, 'ingestKeys' | 'phoneKeys' | 'browserKeys'>,
  ) {
    this.ingestKeys = this.#book('service', given.ingestKeys, ({ name }) => name);
    this.phoneKeys = this.#book('phone', given.phoneKeys, ({ name }) => name);
    this.browserKeys = this.#book('page', given.browserKeys, ({ name, origins }) => ({ component: name, origins }));
  }

  async load(): Promise<void> {
    this.#all = await loadSenderKeys(this.database);
    this.#byHash = new Map(
      this.#all.flatMap((key) =>
        key.revokedMs === null ? key.secrets.map((secret) => [secret.hash, { key, secret }] as const) : [],
      ),
    );
  }

  start(): void {
    this.#saving = setInterval(() => void this.#saveUses(), SAVE_USES_EVERY_MS);
    this.#saving.unref();
  }

  async stop(): Promise<void> {
    clearInterval(this.#saving);
    await this.#saveUses();
  }

  /** With when each was used, though it was not written yet. */
  get all(): readonly SenderKeyRow[] {
    return this.#all.map((key) => ({
      ...key,
      secrets: key.secrets.map((secret) => ({ ...secret, usedMs: this.#uses.get(secret.hash) ?? secret.usedMs })),
    }));
  }

  /** @returns its secret, which is not kept */
  async make(
    wanted: { kind: SenderKind; name: string; origins: string[]; madeBy: string },
    nowMs: number,
  ): Promise<{ id: number; secret: string }> {
    const id = await insertSenderKey(this.database, { ...wanted, madeMs: nowMs });
    return { id, secret: await this.#newSecretOf(id, nowMs, nowMs) };
  }

  /**
   * Another secret for a key: the one that it has is taken for some hours more, so that whatever sends can be changed in
   * peace.
   *
   * @throws Problem 'notFound'; 'conflict' for a key that was revoked
   */
  async replace(id: number, overlapHours: number, nowMs: number): Promise<{ id: number; secret: string }> {
    if (this.#get(id).revokedMs !== null)
      throw new Problem('conflict', 'This key was revoked: make a new one.', { field: 'id' });
    return { id, secret: await this.#newSecretOf(id, nowMs, nowMs + overlapHours * HOUR_MS) };
  }

  /** @throws Problem 'notFound' */
  async revoke(id: number, nowMs: number): Promise<void> {
    await revokeSenderKey(this.database, this.#get(id).id, nowMs);
    await this.load();
  }

  #get(id: number): SenderKeyRow {
    const key = this.#all.find((one) => one.id === id);
    if (!key) throw new Problem('notFound', 'There is no such key.', { field: 'id' });
    return key;
  }

  async #newSecretOf(key: number, nowMs: number, othersEndMs: number): Promise<string> {
    const secret = newSecret();
    await insertSenderSecret(this.database, { key, hash: hashOf(secret), madeMs: nowMs, othersEndMs });
    await this.load();
    return secret;
  }

  #find(kind: SenderKind, hash: string): SenderKeyRow | undefined {
    const found = this.#byHash.get(hash);
    const nowMs = Date.now();
    if (found?.key.kind !== kind || (found.secret.endsMs !== null && found.secret.endsMs <= nowMs)) return undefined;
    this.#uses.set(hash, nowMs);
    this.#unsaved.add(hash);
    return found.key;
  }

  #book<Meaning>(
    kind: SenderKind,
    given: ReadonlyMap<string, Meaning>,
    meaning: (key: SenderKeyRow) => Meaning,
  ): KeyBook<Meaning> {
    const known = byHash(given);
    const get = (secret: string): Meaning | undefined => {
      const hash = hashOf(secret);
      const meant = known.get(hash);
      if (meant !== undefined) return meant;
      const key = this.#find(kind, hash);
      return key && meaning(key);
    };
    return {
      get,
      has: (secret) => get(secret) !== undefined,
      values: () => {
        const made = this.#all.filter((key) => key.kind === kind && key.revokedMs === null);
        return [...given.values(), ...made.map(meaning)];
      },
    };
  }

  async #saveUses(): Promise<void> {
    const unsaved = this.#unsaved;
    if (unsaved.size === 0) return;
    this.#unsaved = new Set();
    try {
      await saveUses(this.database, new Map([...unsaved].map((hash) => [hash, this.#uses.get(hash) ?? 0])));
    } catch {
      // Written with the next ones.
      for (const hash of unsaved) this.#unsaved.add(hash);
    }
  }
}
