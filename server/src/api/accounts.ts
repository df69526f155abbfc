import { Router, type Request, type Response } from 'express';
import type { Accounts } from '../access/accounts';
import { somebody } from '../access/principal';
import type { SessionStore } from '../access/session-store';
import {
  changingPassword,
  confirmingFactor,
  endingFactor,
  givenAccount,
  newAccount,
  type AccountShape,
  type OwnAccountShape,
} from '../contract/accounts';
import { Problem } from '../errors';
import { browserWords } from '../intake/browser-words';
import type { TellOwner } from '../outbound/account-mail';
import type { AccountRow } from '../store/accounts';
import { readInput } from './query';
import { tell } from './records';
import { signIn } from './session';

export interface AccountRouteOptions {
  accounts: Accounts;
  store: SessionStore;
  publicUrl: string;
  tellOwner: TellOwner;
}

/** One's own account, and everybody's for those who give them. */
export function accountRoutes({ accounts, store, publicUrl, tellOwner }: AccountRouteOptions): Router {
  const router = Router();

  /** @throws Problem 'conflict' for a visitor of the demo, who has none */
  const own = (response: Response): AccountRow => {
    const { account } = somebody(response);
    if (account === null)
      throw new Problem('conflict', 'You look at the demo as a visitor: sign in as somebody to have an account.');
    return accounts.get(account);
  };
  const ownShape = (request: Request, response: Response): OwnAccountShape => {
    const { id, name, mail, password, secondFactor, recovery, grants } = own(response);
    return {
      id,
      name,
      mail,
      hasPassword: password !== '',
      hasSecondFactor: secondFactor !== '',
      recoveryCodes: recovery.length,
      grants: [...grants],
      sessions: store.of(id, request.sessionID).map(({ madeMs, seenMs, address, browser, isThis }) => ({
        madeMs,
        seenMs,
        address,
        browser: Object.values(browserWords(browser)).filter(Boolean).join(', '),
        isThis,
      })),
    };
  };

  router.get('/account', (request, response) => {
    response.json(ownShape(request, response));
  });
  router.post('/account/password', async (request, response) => {
    const { current, next } = readInput(changingPassword, request.body);
    const { id } = own(response);
    await accounts.changePassword(id, { current, next }, Date.now());
    await tellOwner(accounts.get(id), 'your password was changed', request.ip ?? '');
    await store.endAll(id);
    await signIn(request, id);
    response.json(ownShape(request, response));
  });
  router.post('/account/second-factor', (_request, response) => {
    response.json(accounts.newSecondFactor(own(response).id));
  });
  router.post('/account/second-factor/confirm', async (request, response) => {
    const { secret, code } = readInput(confirmingFactor, request.body);
    const { id } = own(response);
    const codes = await accounts.beginSecondFactor(id, secret, code, Date.now());
    await store.endAll(id, request.sessionID);
    await tellOwner(accounts.get(id), 'your second factor was switched on', request.ip ?? '');
    response.json({ codes });
  });
  router.post('/account/second-factor/end', async (request, response) => {
    const { password } = readInput(endingFactor, request.body);
    const { id } = own(response);
    await accounts.endSecondFactor(id, password, Date.now());
    await tellOwner(accounts.get(id), 'your second factor was switched off', request.ip ?? '');
    response.json(ownShape(request, response));
  });
  router.delete('/account/sessions', async (request, response) => {
    await store.endAll(own(response).id, request.sessionID);
    response.status(204).send();
  });

  const shapeOf = ({ id, name, mail, grants, password, secondFactor, subject, endedMs }: AccountRow): AccountShape => ({
    id,
    name,
    mail,
    grants: [...grants],
    hasPassword: password !== '',
    hasSecondFactor: secondFactor !== '',
    isElsewhere: subject !== '',
    isEnded: endedMs !== null,
    seenMs: store.of(id)[0]?.seenMs ?? null,
  });
  const idIn = (request: Request): number => Number(request.params.id);
  const linkTo = async (id: number) => {
    const { token, endsMs } = await accounts.link(id, Date.now());
    return { account: id, url: `${publicUrl}/welcome/${token}`, endsMs };
  };

  router.get('/accounts', (_request, response) => {
    const all = accounts.all.toSorted((one, other) => one.name.localeCompare(other.name));
    response.json({ accounts: all.map(shapeOf) });
  });
  router.post('/accounts', async (request, response) => {
    const { name, mail, grants } = readInput(newAccount, request.body);
    const { id } = await accounts.add({ name, mail, password: '', subject: '' }, grants, Date.now());
    response.status(201).json(await linkTo(id));
  });
  router.post('/accounts/:id', async (request, response) => {
    const { grants, isEnded } = readInput(givenAccount, request.body);
    const before = accounts.get(idIn(request));
    tell(response, { before: { grants: before.grants, isEnded: before.endedMs !== null } });
    await accounts.give(before.id, { grants, isEnded }, Date.now());
    if (isEnded) await store.endAll(before.id);
    response.json(shapeOf(accounts.get(before.id)));
  });
  router.post('/accounts/:id/link', async (request, response) => {
    const account = accounts.get(idIn(request));
    await tellOwner(account, 'an administrator made a link to choose your password', request.ip ?? '');
    response.status(201).json(await linkTo(account.id));
  });
  router.delete('/accounts/:id/second-factor', async (request, response) => {
    const account = accounts.get(idIn(request));
    await accounts.dropSecondFactor(account.id);
    await tellOwner(account, 'an administrator took away your second factor', request.ip ?? '');
    response.status(204).send();
  });
  router.delete('/accounts/:id/sessions', async (request, response) => {
    await store.endAll(accounts.get(idIn(request)).id);
    response.status(204).send();
  });
  return router;
}
