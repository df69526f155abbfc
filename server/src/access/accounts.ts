import { may, type Grant } from '@toplens/core/access';
import { DAY_MS } from '@toplens/core/time';
import { Problem } from '../errors';
import {
  changeAccount,
  findAccountLink,
  insertAccount,
  loadAccounts,
  setAccountLink,
  setGrants,
  spendAccountLink,
  type AccountChange,
  type AccountRow,
  type NewAccount,
} from '../store/accounts';
import type { SecondFactorOf } from '../config';
import type { Database } from '../store/database';
import type { InstallationKeys } from './installation-keys';
import { hashPassword, isPassword, whyWeak } from './passwords';
import { newRecoveryCodes, newSecondFactor, recoveryHash, stepOf, type NewSecondFactor } from './second-factor';
import { hashOf, newSecret } from '../store/secrets';
import { Throttle } from './throttle';

/** Until then an invitation opens. */
const LINK_MS = 7 * DAY_MS;
const SEALED_FOR = 'second factors';

export const WRONG_SIGN_IN = 'The mail address or the password is not right.';
const LINK_IS_OVER = 'This link is over, or was used. Ask an administrator for a new one.';

/**
 * People who sign in. All of them are in memory, so that no request waits for the database to know who asks; changes go
 * to the database first.
 */
export class Accounts {
  #byId = new Map<number, AccountRow>();
  /** whoever has the link for nobody becomes an administrator, although there is one */
  takesAdministrator = false;
  private readonly throttle: Throttle;

  constructor(
    private readonly database: Database,
    private readonly keys: InstallationKeys,
    private readonly secondFactorOf: SecondFactorOf,
  ) {
    this.throttle = new Throttle(database);
  }

  async load(): Promise<void> {
    this.#byId = new Map((await loadAccounts(this.database)).map((row) => [row.id, row]));
  }

  get all(): readonly AccountRow[] {
    return [...this.#byId.values()];
  }

  /** Undefined for one that is unknown, or ended. */
  active(id: number): AccountRow | undefined {
    const account = this.#byId.get(id);
    return account?.endedMs === null ? account : undefined;
  }

  /**
   * May nothing before they have set up a second factor: it is asked of whoever signs in here by a password; of those who
   * sign in at a provider the provider asks what it wants.
   */
  mustSetUpFactor({ password, secondFactor, grants }: AccountRow, nowMs: number): boolean {
    if (this.secondFactorOf === 'nobody' || password === '' || secondFactor !== '') return false;
    return this.secondFactorOf === 'everybody' || may(grants, 'accounts', {}, nowMs);
  }

  /** @throws Problem 'notFound' */
  get(id: number): AccountRow {
    const account = this.#byId.get(id);
    if (!account) throw new Problem('notFound', 'There is no such account.', { field: 'id' });
    return account;
  }

  /** Is there anybody who can give others an account? */
  hasAdministrator(nowMs: number): boolean {
    return this.all.some((one) => isWhole(one) && may(one.grants, 'accounts', {}, nowMs));
  }

  #isTaken(name: string, id?: number): boolean {
    return this.all.some((one) => one.id !== id && one.name.toLowerCase() === name.toLowerCase());
  }

  /** A name of a provider's, with a number where somebody has it here. */
  #freeName(name: string, id?: number): string {
    if (!this.#isTaken(name, id)) return name;
    for (let n = 2; ; n++) if (!this.#isTaken(`${name} (${n})`, id)) return `${name} (${n})`;
  }

  /** @throws Problem 'conflict' when somebody has that address, or that name */
  async add(account: NewAccount, grants: readonly Grant[], nowMs: number): Promise<AccountRow> {
    const mail = account.mail.toLowerCase();
    if (mail !== '' && this.all.some((one) => one.mail === mail))
      throw new Problem('conflict', 'Somebody has an account with this mail address.', { field: 'mail' });
    // The name stands under what they do: it must be nobody else's.
    if (this.#isTaken(account.name))
      throw new Problem('conflict', 'Somebody else has this name: add what tells them apart.', { field: 'name' });
    const id = await insertAccount(this.database, { ...account, mail }, nowMs);
    await setGrants(this.database, id, grants);
    await this.load();
    return this.get(id);
  }

  async change(id: number, change: AccountChange): Promise<void> {
    await changeAccount(this.database, id, change);
    await this.load();
  }

  /** @throws Problem 'conflict' when nobody would be left who gives accounts */
  async give(id: number, { grants, isEnded }: { grants: readonly Grant[]; isEnded: boolean }, nowMs: number) {
    const account = this.get(id);
    const others = this.all.filter((one) => one.id !== id && isWhole(one));
    const isLeft = [...others, ...(isEnded ? [] : [{ ...account, grants }])].some((one) =>
      // Forever: an end would leave nobody as well.
      may(
        one.grants.filter(({ untilMs }) => untilMs === null),
        'accounts',
        {},
        nowMs,
      ),
    );
    if (!isLeft && may(account.grants, 'accounts', {}, nowMs))
      throw new Problem('conflict', 'This is the last administrator: make somebody else one first.', {
        field: 'grants',
      });
    await setGrants(this.database, id, grants);
    await this.change(id, { endedMs: isEnded ? (account.endedMs ?? nowMs) : null });
  }

  /** The secret of a link by which a password is chosen; of nobody yet: by which the first administrator is made. */
  async link(account: number | null, nowMs: number): Promise<{ token: string; endsMs: number }> {
    const token = newSecret();
    const endsMs = nowMs + LINK_MS;
    await setAccountLink(this.database, { tokenHash: hashOf(token), account, endsMs });
    return { token, endsMs };
  }

  /** Whose password is chosen by it; null: the first administrator's. @throws Problem 'notFound' */
  async ofLink(token: string, nowMs: number): Promise<AccountRow | null> {
    const link = await findAccountLink(this.database, hashOf(token), nowMs);
    const account = link && (link.account === null ? null : this.active(link.account));
    const isForNobody = account === null && this.hasAdministrator(nowMs) && !this.takesAdministrator;
    if (account === undefined || isForNobody) throw new Problem('notFound', LINK_IS_OVER, { field: 'token' });
    return account;
  }

  /**
   * Chooses the password of whom the link is for, once.
   *
   * @param first of the first administrator: who they are
   */
  async chooseByLink(
    token: string,
    password: string,
    first: { name: string; mail: string } | undefined,
    nowMs: number,
  ): Promise<AccountRow> {
    const account = await this.ofLink(token, nowMs);
    const { name, mail } = account ?? first ?? {};
    if (name === undefined || mail === undefined)
      throw new Problem('badInput', 'name: say who you are', { field: 'name' });
    refuseWeak(password, [name, mail]);
    const kept = await hashPassword(password);
    if (!(await spendAccountLink(this.database, hashOf(token))))
      throw new Problem('notFound', LINK_IS_OVER, { field: 'token' });
    if (!account)
      return this.add(
        { name, mail, password: kept, subject: '' },
        [{ role: 'administrator', of: '', untilMs: null }],
        nowMs,
      );
    await this.change(account.id, { password: kept });
    await this.throttle.forget(passwordOf(account.mail));
    return this.get(account.id);
  }

  /** @throws Problem 'badInput' when it is not the one that holds, or the new one is weak; 'tooMany' */
  async changePassword(id: number, { current, next }: { current: string; next: string }, nowMs: number): Promise<void> {
    const account = this.get(id);
    if (!(await this.#isOwn(account, current, nowMs)))
      throw new Problem('badInput', 'This is not your password.', { field: 'current' });
    refuseWeak(next, [account.name, account.mail]);
    await this.change(id, { password: await hashPassword(next) });
  }

  #isOwn(account: AccountRow, password: string, nowMs: number): Promise<true | undefined> {
    return this.throttle.tried(passwordOf(account.mail), nowMs, async () =>
      (await isPassword(password, account.password)) ? true : undefined,
    );
  }

  /**
   * Who has signed in at a provider: made at the first time. What groups give there holds from now on as they say; what
   * somebody was given here besides stays.
   *
   * @param byGroups all that groups can give
   * @throws Problem 'notSignedIn' when the account was ended here
   */
  async signInElsewhere(
    { subject, name, mail, given }: { subject: string; name: string; mail: string; given: readonly Grant[] },
    byGroups: readonly Pick<Grant, 'role' | 'of'>[],
    nowMs: number,
  ): Promise<AccountRow> {
    const known = this.all.find((one) => one.subject === subject);
    if (!known) {
      // An address alone proves nothing about who has an account here.
      const isTaken = this.all.some((one) => one.mail === mail.toLowerCase());
      return this.add({ name: this.#freeName(name), mail: isTaken ? '' : mail, password: '', subject }, given, nowMs);
    }
    if (known.endedMs !== null) throw new Problem('notSignedIn', 'This account was ended. Ask an administrator.');
    const here = known.grants.filter(({ role, of }) => !byGroups.some((one) => one.role === role && one.of === of));
    await setGrants(this.database, known.id, [...here, ...given]);
    await this.change(known.id, { name: this.#freeName(name, known.id) });
    return this.get(known.id);
  }

  /** Undefined where the address or the password is wrong: which of them is told nobody. @throws Problem 'tooMany' */
  signIn(mail: string, password: string, nowMs: number): Promise<AccountRow | undefined> {
    const given = mail.trim().toLowerCase();
    return this.throttle.tried(passwordOf(given), nowMs, async () => {
      const account = this.all.find((one) => one.mail === given && given !== '' && one.endedMs === null);
      return (await isPassword(password, account?.password ?? '')) ? account : undefined;
    });
  }

  /** By a one-time password, or a recovery code, which is used up then. @throws Problem 'tooMany' */
  async isSecondFactor(id: number, code: string, nowMs: number): Promise<boolean> {
    const done = await this.throttle.tried(`code of ${id}`, nowMs, async () => {
      const account = this.get(id);
      if (account.secondFactor === '') return undefined;
      const secret = this.keys.open(SEALED_FOR, account.secondFactor);
      const step = stepOf(code, secret, { nowMs, lastStep: account.lastStep });
      if (step !== undefined) {
        await this.change(id, { lastStep: step });
        return true;
      }
      const hash = recoveryHash(code);
      if (!account.recovery.includes(hash)) return undefined;
      await this.change(id, { recovery: account.recovery.filter((one) => one !== hash) });
      return true;
    });
    return done ?? false;
  }

  newSecondFactor(id: number): NewSecondFactor {
    const { name, mail } = this.get(id);
    return newSecondFactor(mail || name);
  }

  /** @returns recovery codes, told once @throws Problem 'badInput' when the phone shows something else */
  async beginSecondFactor(id: number, secret: string, code: string, nowMs: number): Promise<string[]> {
    const step = stepOf(code, secret, { nowMs, lastStep: 0 });
    if (step === undefined)
      throw new Problem('badInput', 'This is not the code that the phone shows now. Is its clock right?', {
        field: 'code',
      });
    const codes = newRecoveryCodes();
    await this.change(id, {
      secondFactor: this.keys.seal(SEALED_FOR, secret),
      lastStep: step,
      recovery: codes.map(recoveryHash),
    });
    return codes;
  }

  /** @throws Problem 'badInput' when the password is not theirs; 'tooMany' */
  async endSecondFactor(id: number, password: string, nowMs: number): Promise<void> {
    if (!(await this.#isOwn(this.get(id), password, nowMs)))
      throw new Problem('badInput', 'This is not your password.', { field: 'password' });
    await this.dropSecondFactor(id);
  }

  dropSecondFactor(id: number): Promise<void> {
    return this.change(id, { secondFactor: '', lastStep: 0, recovery: [] });
  }
}

/** Under what wrong passwords are counted. */
const passwordOf = (mail: string): string => `password of ${mail}`;

/** Somebody who can sign in. */
const isWhole = ({ password, subject, endedMs }: AccountRow): boolean =>
  endedMs === null && (password !== '' || subject !== '');

function refuseWeak(password: string, ofPerson: readonly string[]): void {
  const why = whyWeak(password, ofPerson);
  if (why !== undefined) throw new Problem('badInput', why, { field: 'password' });
}
