import { randomUUID, timingSafeEqual } from 'node:crypto';
import { canBecome, STATE_WORDS, type HandoffState } from '@toplens/core/handoffs';
import { Router, type Request } from 'express';
import type { Engine } from '../engine/engine';
import type { Search } from '../search/search';
import { Problem } from '../errors';
import { makeBrief } from '../outbound/make-brief';
import type { Database } from '../store/database';
import { ThreadError } from '../threads/ask-and-serve';
import {
  addEvent,
  findByKey,
  findHandoff,
  insertHandoff,
  listHandoffs,
  setState,
  trailOf,
  tryAgain,
  type HandoffRow,
} from '../store/handoffs';
import { deskAnswer, newHandoff } from '../contract/handoffs';
import { askAround, askIncident } from './incidents';
import { checkWindow, readInput } from './query';

const UNIQUE_VIOLATION = '23505';

export interface HandoffRouteOptions {
  publicUrl: string;
  deskToken: string;
  /** there is a desk that handoffs go to */
  hasDesk: boolean;
}

export function handoffRoutes(
  database: Database,
  engine: Engine,
  search: Search,
  options: HandoffRouteOptions,
): Router {
  const router = Router();

  router.get('/handoffs', async (_request, response) => {
    response.json({ handoffs: (await listHandoffs(database)).map(toSummary) });
  });

  router.get('/handoffs/:id', async (request, response) => {
    response.json(await whole(database, request.params.id));
  });

  router.post('/handoffs', async (request, response) => {
    const { incident: incidentId, team, note, fromMs, toMs } = readInput(newHandoff, request.body);
    const idempotencyKey = keyOf(request);
    const before = await findByKey(database, idempotencyKey);
    if (before) {
      response.status(200).json(await whole(database, before.id));
      return;
    }
    const incident = await askIncident(engine, String(incidentId), { window: checkWindow({ fromMs, toMs }) });
    const { brief, markdown } = makeBrief(incident, await askAround(engine, search, incident), {
      team,
      note,
      publicUrl: options.publicUrl,
    });
    const id = randomUUID();
    try {
      await database.transaction(
        insertHandoff({
          id,
          incident: incidentId,
          team,
          note,
          brief,
          markdown,
          idempotencyKey,
          state: options.hasDesk ? 'draft' : 'kept',
        }),
      );
    } catch (error) {
      // Two requests with one key at the same time: the first one made the handoff.
      const other =
        error instanceof ThreadError && error.code === UNIQUE_VIOLATION && (await findByKey(database, idempotencyKey));
      if (!other) throw error;
      response.status(200).json(await whole(database, other.id));
      return;
    }
    response.status(201).json(await whole(database, id));
  });

  router.post('/handoffs/:id/again', async (request, response) => {
    const handoff = await find(database, request.params.id);
    if (!canBecome(handoff.state, 'draft'))
      throw new Problem('conflict', `The handoff is ${STATE_WORDS[handoff.state]}: there is nothing to send again.`);
    if (!options.hasDesk)
      throw new Problem('conflict', 'No desk is set up, so there is nowhere to send it. It is kept here.');
    await database.transaction([tryAgain(handoff.id), addEvent(handoff.id, 'sent again', '')]);
    response.json(await whole(database, handoff.id));
  });

  router.post('/handoffs/:id/answer', async (request, response) => {
    checkDesk(request, options.deskToken);
    const { answer, reason, by } = readInput(deskAnswer, request.body);
    const handoff = await find(database, request.params.id);
    const to = answer as HandoffState;
    if (handoff.state !== to) {
      if (!canBecome(handoff.state, to))
        throw new Problem('conflict', `a handoff that is ${handoff.state} cannot become ${to}`, { field: 'answer' });
      const detail = [by && `by ${by}`, reason].filter(Boolean).join(': ');
      await database.transaction([setState(handoff.id, to), addEvent(handoff.id, answer, detail)]);
    }
    response.json(await whole(database, handoff.id));
  });

  return router;
}

function keyOf(request: Request): string {
  const key = request.get('idempotency-key');
  if (!key || key.length > 200)
    throw new Problem('badInput', 'send an idempotency-key of 1 to 200 characters: the same key never sends twice', {
      field: 'idempotency-key',
    });
  return key;
}

function checkDesk(request: Request, token: string): void {
  const given = Buffer.from(request.get('authorization') ?? '');
  const wanted = Buffer.from(`Bearer ${token}`);
  if (token === '' || given.length !== wanted.length || !timingSafeEqual(given, wanted))
    throw new Problem('forbidden', 'only the team desk may answer: send its token as "authorization: Bearer …"', {
      field: 'authorization',
    });
}

async function find(database: Database, id: string): Promise<HandoffRow> {
  const handoff = /^[0-9a-f-]{36}$/i.test(id) ? await findHandoff(database, id) : undefined;
  if (!handoff) throw new Problem('notFound', `there is no handoff ${id}`, { field: 'id' });
  return handoff;
}

const toSummary = ({ id, incident, team, state, note, createdAt, brief }: HandoffRow) => ({
  id,
  incident,
  team,
  state,
  note,
  createdAt,
  title: brief.title,
  // Briefs that were kept before points had their name say minutes: the figure is the same.
  harmPoints: brief.harmPoints ?? (brief as { harmMinutes?: number }).harmMinutes ?? 0,
  people: brief.people.estimate,
  window: brief.window,
});

async function whole(database: Database, id: string) {
  const handoff = await find(database, id);
  return {
    ...toSummary(handoff),
    brief: handoff.brief,
    markdown: handoff.markdown,
    trail: await trailOf(database, id),
  };
}
