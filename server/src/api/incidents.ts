import { Router } from 'express';
import { object, string } from 'yup';
import type { Engine } from '../engine/engine';
import type { WindowQuestion } from '../engine/protocol';
import { Problem } from '../errors';
import { makeBrief } from '../outbound/make-brief';
import { rankingQuery, readInput, readWindow } from './query';
import type { IncidentShape } from './shapes';

/** Asks for one incident. @throws Problem 'notFound' */
export async function askIncident(engine: Engine, idText: string | undefined, window: WindowQuestion): Promise<IncidentShape> {
  const id = Number(idText);
  const incident = Number.isInteger(id) && id > 0 ? await engine.ask('incident', { id, window }) : null;
  if (!incident) throw new Problem('notFound', `there is no incident ${idText}; it may have been withdrawn when later data came in`, { field: 'id' });
  return incident;
}

const briefQuery = object({ team: string().max(200).default(''), note: string().max(10_000).default('') });

export function incidentRoutes(engine: Engine, publicUrl: string): Router {
  const router = Router();
  router.get('/worst-first', async (request, response) => {
    const { rankBy, application, team } = readInput(rankingQuery, request.query);
    const question = { window: readWindow(request), ranking: rankBy, ...(application && { application }), ...(team && { team }) };
    response.json(await engine.ask('worstFirst', question));
  });
  router.get('/incidents/:id', async (request, response) => {
    response.json(await askIncident(engine, request.params.id, readWindow(request)));
  });
  router.get('/incidents/:id/brief', async (request, response) => {
    const { team, note } = readInput(briefQuery, request.query);
    const incident = await askIncident(engine, request.params.id, readWindow(request));
    response.json(makeBrief(incident, { team: team || incident.proposedTeam?.team || '', note, publicUrl }));
  });
  router.get('/flows', async (_request, response) => {
    response.json({ flows: await engine.ask('flows', null) });
  });
  router.get('/status', async (_request, response) => {
    response.json(await engine.ask('freshness', null));
  });
  return router;
}
