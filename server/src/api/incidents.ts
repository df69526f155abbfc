import { isOnPhone } from '@toplens/core/flows';
import { isFlowOfScreens } from '@toplens/core/phones';
import { Router } from 'express';
import type { InferType } from 'yup';
import { briefQuery } from '../contract/handoffs';
import { newDecision, type IncidentShape } from '../contract/incidents';
import { rankingQuery } from '../contract/queries';
import type { Action, IncidentQuestion } from '../engine/state/questions';
import type { Engine } from '../engine/engine';
import type { Search } from '../search/search';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import { returnedBy } from '../store/handoffs';
import { makeBrief, type Around } from '../outbound/make-brief';
import { incidentIn, noIncident } from './incident-ids';
import { readFocus, readInput, readWindow } from './query';

type Question = Partial<Omit<IncidentQuestion, 'id'>> & Pick<IncidentQuestion, 'window'>;

/** Asks for one incident. @throws Problem 'notFound' */
export async function askIncident(
  engine: Engine,
  idText: string | undefined,
  question: Question,
): Promise<IncidentShape> {
  const whole: IncidentQuestion = {
    id: incidentIn(idText),
    against: 'nothing',
    focus: { values: {} },
    rates: 'then',
    ...question,
  };
  const incident = await engine.ask('incident', whole);
  if (!incident) throw noIncident(idText);
  return incident;
}

/** What else was seen, for the brief. A brief is written whether the logs can be read or not. */
export async function askAround(
  { database, engine, search }: { database: Database; engine: Engine; search: Search },
  incident: IncidentShape,
): Promise<Around> {
  const { id, window } = incident;
  const [hosts, slower, scope, { journeys }, crashes, gaveBack] = await Promise.all([
    engine.ask('incidentHosts', { id }),
    engine.ask('incidentStatements', { id }),
    engine.ask('logScope', { id }),
    engine.ask('journeys', { window, focus: { values: {} } }),
    crashesAround(search, incident).catch(() => null),
    returnedBy(database, id),
  ]);
  const known = { hosts, statements: slower?.statements ?? [], journeys, crashes, returned: gaveBack.get(id) ?? [] };
  if (!scope) return { ...known, logs: null };
  const { version, ...question } = scope;
  return { ...known, logs: await search.ask('logPatterns', question, version).catch(() => null) };
}

/** The crashes that hurt most people on a screen that is in trouble; null where none is. */
async function crashesAround(
  search: Search,
  { window, application, parts }: IncidentShape,
): Promise<Around['crashes']> {
  if (!parts.some(({ technicalName }) => isOnPhone(technicalName))) return null;
  const version = window.toMs;
  const { applications, groups } = await search.ask('phone', { window, application, values: {} }, version);
  const group = groups.find(({ screens }) =>
    parts.some(({ technicalName }) => isFlowOfScreens(technicalName, screens)),
  );
  if (!group) return null;
  const newest = applications.find((one) => one.application === application)?.versions[0];
  return { group, example: await search.ask('crash', group.sample, version), newest };
}

const LONGEST_ASIDE_MS = 31 * 86_400_000;

function toAction(id: number, given: InferType<typeof newDecision>): Action {
  const by = given.who;
  switch (given.what) {
    case 'join':
      return { what: 'join', id, into: given.into ?? 0, who: by };
    case 'split':
      return { what: 'split', id, flows: given.flows ?? [], who: by };
    case 'setAside': {
      const untilMs = given.untilMs ?? 0;
      if (untilMs > Date.now() + LONGEST_ASIDE_MS)
        throw new Problem('badInput', 'untilMs: at most a month from now', { field: 'untilMs' });
      return { what: 'setAside', id, reason: given.reason ?? '', untilMs, who: by };
    }
    default:
      return { what: given.what, id, who: by };
  }
}

export function incidentRoutes(
  asked: { database: Database; engine: Engine; search: Search },
  publicUrl: string,
): Router {
  const { engine, search } = asked;
  const router = Router();
  router.get('/worst-first', async (request, response) => {
    const { rankBy, rates } = readInput(rankingQuery, request.query);
    response.json(
      await engine.worstFirst({ window: readWindow(request), ranking: rankBy, rates, ...readFocus(request) }),
    );
  });
  router.get('/releases', async (request, response) => {
    response.json(await engine.ask('releases', { window: readWindow(request) }));
  });
  router.get('/changes', async (request, response) => {
    response.json(await engine.ask('changes', { window: readWindow(request) }));
  });
  router.get('/incidents/:id', async (request, response) => {
    const { rates } = readInput(rankingQuery, request.query);
    response.json(
      await askIncident(engine, request.params.id, {
        window: readWindow(request),
        rates: rates,
        ...readFocus(request),
      }),
    );
  });
  router.get('/incidents/:id/lost-by-tier', async (request, response) => {
    const lost = await engine.ask('lostByTier', {
      id: incidentIn(request.params.id),
      window: readWindow(request),
      focus: readFocus(request).focus,
    });
    if (!lost) throw noIncident(request.params.id);
    response.json(lost);
  });
  router.get('/incidents/:id/hosts', async (request, response) => {
    const hosts = await engine.ask('incidentHosts', { id: incidentIn(request.params.id) });
    if (!hosts) throw noIncident(request.params.id);
    response.json(hosts);
  });
  router.get('/incidents/:id/statements', async (request, response) => {
    const statements = await engine.ask('incidentStatements', { id: incidentIn(request.params.id) });
    if (!statements) throw noIncident(request.params.id);
    response.json(statements);
  });
  router.get('/incidents/:id/logs', async (request, response) => {
    const scope = await engine.ask('logScope', { id: incidentIn(request.params.id) });
    if (!scope) throw noIncident(request.params.id);
    const { version, ...question } = scope;
    response.json(await search.ask('logPatterns', question, version));
  });
  router.get('/incidents/:id/brief', async (request, response) => {
    const { team, note } = readInput(briefQuery, request.query);
    const incident = await askIncident(engine, request.params.id, { window: readWindow(request) });
    response.json(
      makeBrief(incident, await askAround(asked, incident), {
        team: team || incident.proposedTeam?.team || '',
        note,
        publicUrl,
      }),
    );
  });
  router.post('/incidents/:id/decisions', async (request, response) => {
    const action = toAction(incidentIn(request.params.id), readInput(newDecision, request.body));
    const done = await engine.ask('act', action);
    if (!done.ok) throw new Problem('conflict', done.why, { field: 'what' });
    response.json({ id: done.id });
  });
  router.get('/status', async (_request, response) => {
    response.json(await engine.ask('freshness', null));
  });
  return router;
}
