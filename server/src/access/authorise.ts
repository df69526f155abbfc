import { may, type About, type Right } from '@toplens/core/access';
import type { Request, RequestHandler, Response } from 'express';
import { operationOf } from '../contract/open-api';
import type { Accounts } from './accounts';
import { needOf, rightOfSetting, type Need } from './needs';
import { demand, principalOf, somebody } from './principal';

/** What requests are about, where a right holds for one application or team alone. */
export interface Matters {
  applicationsOf: (incident: number) => Promise<string[]>;
  handoff: (id: string) => Promise<{ team: string; incident: number } | undefined>;
  /** the setting that a change was about */
  settingOf: (change: number) => Promise<string | undefined>;
}

export interface AuthoriseOptions {
  accounts: Accounts;
  matters: Matters;
  /** a key in the headers of a request that allows this: pipelines upload, and those with a key see persons */
  hasKey: (request: Request, response: Response, right: Right) => boolean;
  /** what is answered where nothing is described: without a row in the description there is no route */
  unknownRoute: RequestHandler;
}

/**
 * The one place where it is decided who may do what: by the operation that a request asks for, the right that it needs,
 * and what it is about. Whoever is signed in is who did it, whatever a request says.
 */
export function authorise({ accounts, matters, hasKey, unknownRoute }: AuthoriseOptions): RequestHandler {
  const ofIncident = async (incident: number): Promise<About> => ({
    application: Number.isInteger(incident) ? await matters.applicationsOf(incident) : [],
  });
  const ofHandoff = async (id: string): Promise<About> => {
    const found = await matters.handoff(id);
    return found ? { team: [found.team], ...(await ofIncident(found.incident)) } : {};
  };
  /** What an operation is about; of all others a right holds everywhere, or not at all. */
  const aboutOf: Readonly<Record<string, (request: Request) => Promise<About>>> = {
    postIncidentsByIdDecisions: (request) => ofIncident(Number(inPath(request, 2))),
    postHandoffs: (request) => ofIncident(Number(given(request, 'incident'))),
    postHandoffsByIdAgain: (request) => ofHandoff(inPath(request, 2)),
    postHandoffsByIdAccept: (request) => ofHandoff(inPath(request, 2)),
    postHandoffsByIdLinks: (request) => ofHandoff(inPath(request, 2)),
    deleteHandoffsByIdLinksByLink: (request) => ofHandoff(inPath(request, 2)),
  };
  /** Operations that change a setting: which right they need is told by its key. */
  const keyOf: Readonly<Record<string, (request: Request) => Promise<unknown>>> = {
    postSettings: (request) => Promise.resolve(given(request, 'key')),
    postSettingsChangesByIdUndo: (request) => matters.settingOf(Number(inPath(request, 3))),
  };

  async function check(need: Need, operation: string, request: Request, response: Response): Promise<void> {
    if (need === 'nobody' || need === 'key') return;
    if (need === 'own') return void somebody(response);
    if (hasKey(request, response, need)) return;
    const { grants } = somebody(response);
    const setting = keyOf[operation] && rightOfSetting(String(await keyOf[operation](request)));
    const right = setting?.right ?? need;
    // What it is about is looked up for those alone whose right does not hold everywhere.
    if (may(grants, right, {}, Date.now())) return;
    const about =
      setting?.application === undefined ? aboutOf[operation]?.(request) : { application: [setting.application] };
    demand(response, right, (await about) ?? {}, accounts);
  }

  return async (request, response, next) => {
    const method = request.method === 'HEAD' ? 'GET' : request.method;
    const operation = operationOf(method, `${request.baseUrl}${request.path}`);
    const need = operation && needOf(operation.id);
    if (!operation || need === undefined) return unknownRoute(request, response, next);
    await check(need, operation.id, request, response);
    signAs(request, response);
    next();
  };
}

const given = (request: Request, field: string): unknown =>
  (request.body as Record<string, unknown> | undefined)?.[field];

/** The part of a path: 2 for the 7 of /api/incidents/7. */
const inPath = (request: Request, part: number): string =>
  decodeURIComponent(`${request.baseUrl}${request.path}`.split('/')[part + 1] ?? '');

/** Under a change stands who is signed in; a visitor of the demo says who they are. */
function signAs(request: Request, response: Response): void {
  const name = principalOf(response)?.name ?? '';
  const body: unknown = request.body;
  if (name === '' || typeof body !== 'object' || body === null || Array.isArray(body)) return;
  Object.assign(body, { who: name });
}
