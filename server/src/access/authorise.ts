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
export const authorise =
  ({ accounts, matters, hasKey, unknownRoute }: AuthoriseOptions): RequestHandler =>
  async (request, response, next) => {
    const method = request.method === 'HEAD' ? 'GET' : request.method;
    const operation = operationOf(method, `${request.baseUrl}${request.path}`);
    const need = operation && needOf(operation.id);
    if (!operation || need === undefined) return unknownRoute(request, response, next);
    await check(need, operation.id, request, response);
    signAs(request, response);
    next();

    async function check(needed: Need, id: string, asked: Request, answer: Response): Promise<void> {
      if (needed === 'nobody' || needed === 'key') return;
      if (needed === 'own') return void somebody(answer);
      if (hasKey(asked, answer, needed)) return;
      const { grants } = somebody(answer);
      const { right, about } = await wanted(needed, id, asked);
      const isCovered = may(grants, right, {}, Date.now());
      demand(answer, right, isCovered ? {} : await about(), accounts);
    }

    async function wanted(
      right: Right,
      id: string,
      asked: Request,
    ): Promise<{ right: Right; about: () => Promise<About> }> {
      if (id === 'postSettings' || id === 'postSettingsChangesByIdUndo') {
        const key = id === 'postSettings' ? given(asked, 'key') : await matters.settingOf(Number(inPath(asked, 3)));
        const setting = rightOfSetting(String(key));
        const about = setting.application === undefined ? {} : { application: [setting.application] };
        return { right: setting.right, about: () => Promise.resolve(about) };
      }
      if (id === 'postIncidentsByIdDecisions') return { right, about: () => ofIncident(Number(inPath(asked, 2))) };
      if (id === 'postHandoffs') return { right, about: () => ofIncident(Number(given(asked, 'incident'))) };
      if (/Handoffs?ById/.test(id)) return { right, about: () => ofHandoff(inPath(asked, 2)) };
      return { right, about: () => Promise.resolve({}) };
    }

    async function ofIncident(incident: number): Promise<About> {
      return { application: Number.isInteger(incident) ? await matters.applicationsOf(incident) : [] };
    }

    async function ofHandoff(id: string): Promise<About> {
      const found = await matters.handoff(id);
      return found ? { team: [found.team], ...(await ofIncident(found.incident)) } : {};
    }
  };

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
