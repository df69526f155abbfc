import { promisify } from 'node:util';
import { grantWords } from '@toplens/core/access';
import { Router, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { SessionData } from 'express-session';
import { WRONG_SIGN_IN, type Accounts } from '../access/accounts';
import type { Provider } from '../access/provider';
import { comesFrom, isFromHere, principalOf, rightsOf } from '../access/principal';
import { LONGEST_SESSION_MS, type SessionStore } from '../access/session-store';
import {
  choosingPassword,
  comingBack,
  givingCode,
  signingIn,
  visiting,
  type SessionStateShape,
} from '../contract/accounts';
import { Problem } from '../errors';
import { sendProblem } from '../problems';
import type { TellOwner } from '../outbound/account-mail';
import type { AccountRow } from '../store/accounts';
import { readInput } from './query';
import { tell } from './records';

/** From one address, whoever is tried: more than an office behind one address needs. */
const TRIES_A_MINUTE = 60;

export interface SessionRouteOptions {
  accounts: Accounts;
  store: SessionStore;
  /** its people may be visited from this machine */
  isDemo: boolean;
  /** where else people sign in; undefined without it */
  provider: Provider | undefined;
  tellOwner: TellOwner;
}

/** Signing in and out, and who is signed in. */
export function sessionRoutes({ accounts, store, isDemo, provider, tellOwner }: SessionRouteOptions): Router {
  const router = Router();
  const limited = rateLimit({
    windowMs: 60_000,
    limit: TRIES_A_MINUTE,
    handler: (_request, response) =>
      sendProblem(
        response,
        new Problem('tooMany', 'Too many sign-ins from this address. Wait a minute.', { retryAfterS: 60 }),
      ),
  });
  /** @throws Problem 'notFound' */
  const withProvider = (): Provider => {
    if (!provider) throw new Problem('notFound', 'No other service to sign in with is set up here.');
    return provider;
  };
  const visitors = (request: Request): AccountRow[] =>
    isDemo && isFromHere(request) ? accounts.all.filter(({ endedMs }) => endedMs === null) : [];

  const stateOf = (request: Request, response: Response): SessionStateShape => {
    const { account: id, awaiting, signedInMs } = request.session;
    const account = id === undefined ? undefined : accounts.active(id);
    const principal = principalOf(response);
    return {
      who: account ? { id: account.id, name: account.name } : null,
      isVisitor: principal?.account === null,
      rights: principal ? rightsOf(principal) : [],
      mustSetUpFactor: principal?.mustSetUpFactor ?? false,
      awaitsSecondFactor: awaiting !== undefined && !account,
      endsMs: account ? (signedInMs ?? 0) + LONGEST_SESSION_MS : null,
      visitors: visitors(request).map((one) => ({ id: one.id, name: one.name, roles: one.grants.map(grantWords) })),
      provider: provider?.name ?? null,
    };
  };
  /** The state as it is from now on: who asked came in as somebody else. */
  const answer = (request: Request, response: Response, account: AccountRow | undefined) => {
    if (account) comesFrom(response, account, accounts);
    tell(response, { who: account?.name ?? '' });
    response.json(stateOf(request, response));
  };

  router.get('/session', (request, response) => {
    response.json(stateOf(request, response));
  });
  router.post('/session', limited, async (request, response) => {
    const { mail, password } = readInput(signingIn, request.body);
    const account = await accounts.signIn(mail, password, Date.now());
    if (!account) throw new Problem('notSignedIn', WRONG_SIGN_IN, { field: 'password' });
    if (account.secondFactor !== '') {
      await begin(request, { awaiting: account.id });
      return answer(request, response, undefined);
    }
    await signIn(request, account.id);
    answer(request, response, account);
  });
  router.post('/session/second-factor', limited, async (request, response) => {
    const { code } = readInput(givingCode, request.body);
    const id = request.session.awaiting;
    const account = id === undefined ? undefined : accounts.active(id);
    if (!account) throw new Problem('notSignedIn', 'Give your password first: it was asked for too long ago.');
    if (!(await accounts.isSecondFactor(account.id, code, Date.now())))
      throw new Problem('notSignedIn', 'This code is not right, or was used. Give the one that the phone shows now.', {
        field: 'code',
      });
    await signIn(request, account.id);
    answer(request, response, account);
  });
  router.post('/session/visitor', async (request, response) => {
    const { account: id } = readInput(visiting, request.body);
    const account = visitors(request).find((one) => one.id === id);
    if (!account) throw new Problem('forbidden', 'Only people of a demo can be visited, and only on its own machine.');
    await signIn(request, account.id);
    answer(request, response, account);
  });
  router.post('/session/provider', limited, async (request, response) => {
    const { url, atProvider } = await withProvider().begin();
    await begin(request, { atProvider });
    response.json({ url });
  });
  router.post('/session/provider/back', limited, async (request, response) => {
    const { address } = readInput(comingBack, request.body);
    const { atProvider } = request.session;
    if (!atProvider)
      throw new Problem('notSignedIn', 'Begin to sign in again: this was begun too long ago, or elsewhere.');
    const { account, idToken } = await withProvider().end(address, atProvider, Date.now());
    await begin(request, { account: account.id, signedInMs: Date.now(), idToken });
    answer(request, response, account);
  });
  router.delete('/session', async (request, response) => {
    tell(response, { who: principalOf(response)?.name ?? '' });
    const { idToken } = request.session;
    const url = (idToken === undefined ? undefined : await provider?.signOut(idToken)) ?? null;
    await promisify(request.session.destroy.bind(request.session))();
    response.json({ url });
  });

  router.get('/account-links/:token', limited, async (request, response) => {
    const account = await accounts.ofLink(String(request.params.token), Date.now());
    response.json({ isFirst: account === null, name: account?.name ?? '', mail: account?.mail ?? '' });
  });
  router.post('/account-links/:token', limited, async (request, response) => {
    const { password, name, mail } = readInput(choosingPassword, request.body);
    const first = name === undefined || mail === undefined ? undefined : { name, mail };
    const account = await accounts.chooseByLink(String(request.params.token), password, first, Date.now());
    // Whoever was signed in by the password before may be why there is another.
    await store.endAll(account.id);
    await tellOwner(account, 'your password was chosen by a link', request.ip ?? '');
    if (account.secondFactor !== '') {
      await begin(request, { awaiting: account.id });
      return answer(request, response, undefined);
    }
    await signIn(request, account.id);
    answer(request, response, account);
  });
  return router;
}

const LONGEST_BROWSER = 300;
const OVER_PLAIN_HTTP =
  'Signing in works over HTTPS alone, because the address of this server begins with https://, and this request came over plain HTTP. Behind a proxy that speaks HTTPS, whoever runs the server sets TOPLENS_PROXIES=1, and the proxy X-Forwarded-Proto.';

/** From now on the browser holds another secret than before: nobody who knew that one is signed in by it. */
export async function begin(request: Request, content: Partial<SessionData>): Promise<void> {
  if (request.session.cookie.secure === true && !request.secure) throw new Problem('conflict', OVER_PLAIN_HTTP);
  await promisify(request.session.regenerate.bind(request.session))();
  Object.assign(request.session, content, {
    address: request.ip ?? '',
    browser: (request.get('user-agent') ?? '').slice(0, LONGEST_BROWSER),
  });
  await promisify(request.session.save.bind(request.session))();
}

export const signIn = (request: Request, account: number): Promise<void> =>
  begin(request, { account, signedInMs: Date.now() });
