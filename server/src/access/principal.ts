import {
  may,
  rightsSomewhere,
  ROLES,
  whomToAsk,
  RIGHT_WORDS,
  SCOPE_OF,
  type About,
  type Grant,
  type Right,
} from '@toplens/core/access';
import type { Request, RequestHandler, Response } from 'express';
import { Problem } from '../errors';
import type { AccountRow } from '../store/accounts';
import type { Accounts } from './accounts';

/** Whom a request comes from. */
export interface Principal {
  /** null: a visitor of the demo */
  account: number | null;
  /** under which it is recorded; '' of a visitor, who says it */
  name: string;
  grants: readonly Grant[];
  /** may nothing before they have set up a second factor */
  mustSetUpFactor?: boolean;
}

/** May do everything but see persons by name: for that a visitor gives the demo's key. */
const VISITOR: Principal = {
  account: null,
  name: '',
  grants: ROLES.filter((role) => SCOPE_OF[role] === undefined && role !== 'persons').map((role) => ({
    role,
    of: '',
    untilMs: null,
  })),
};

const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/;
const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip', 'via'];

/** The request was made on this machine, and by no proxy for somebody else. */
export const isFromHere = (request: Request): boolean =>
  LOOPBACK.test(request.socket.remoteAddress ?? '') && FORWARDED.every((name) => request.get(name) === undefined);

/** From here on the request comes from somebody who is signed in. */
export function comesFrom(response: Response, account: AccountRow, accounts: Accounts): void {
  const { id, name } = account;
  const mustSetUpFactor = accounts.mustSetUpFactor(account, Date.now());
  const grants = mustSetUpFactor ? [] : account.grants;
  response.locals.principal = { account: id, name, grants, mustSetUpFactor } satisfies Principal;
}

/** Finds out whom each request comes from; of whom nothing is known, that is nobody. */
export const whoAsks =
  (accounts: Accounts, isDemo: boolean): RequestHandler =>
  (request, response, next) => {
    const account = request.session.account === undefined ? undefined : accounts.active(request.session.account);
    if (account) comesFrom(response, account, accounts);
    else if (isDemo && isFromHere(request)) response.locals.principal = VISITOR;
    next();
  };

export const principalOf = (response: Response): Principal | undefined =>
  response.locals.principal as Principal | undefined;

/** @throws Problem 'notSignedIn' */
export function somebody(response: Response): Principal {
  const principal = principalOf(response);
  if (!principal) throw new Problem('notSignedIn', 'Sign in first.');
  return principal;
}

export const rightsOf = ({ grants }: Principal): Right[] => rightsSomewhere(grants, Date.now());

/** @throws Problem 'notSignedIn'; 'forbidden', naming the right and whom to ask for it */
export function demand(response: Response, right: Right, about: About, accounts: Accounts): void {
  const { grants, mustSetUpFactor } = somebody(response);
  const nowMs = Date.now();
  if (may(grants, right, about, nowMs)) return;
  if (mustSetUpFactor)
    throw new Problem(
      'forbidden',
      'Set up a second factor first, under You: until then you see your own account alone.',
      {
        field: right,
      },
    );
  const people = accounts.all.filter(({ endedMs }) => endedMs === null);
  throw new Problem(
    'forbidden',
    `You may not ${RIGHT_WORDS[right].split(':')[0]} here. Ask ${whomToAsk(right, about, people, nowMs)}.`,
    { field: right },
  );
}
