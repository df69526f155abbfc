import { randomUUID, timingSafeEqual } from 'node:crypto';
import { csvText } from '@toplens/core/csv';
import { canBecome, fixReportMarkdown, fixReportRows, STATE_WORDS } from '@toplens/core/handoffs';
import { Router, type Request } from 'express';
import type { Engine } from '../engine/engine';
import type { Search } from '../search/search';
import { Problem } from '../errors';
import { takeAnswer } from '../outbound/answer';
import { fixReportOf } from '../outbound/fix-report';
import { makeBrief } from '../outbound/make-brief';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { ThreadError } from '../threads/ask-and-serve';
import {
  addEvent,
  findByKey,
  findHandoff,
  insertHandoff,
  listHandoffs,
  tryAgain,
  watchedHandoffs,
  type HandoffRow,
} from '../store/handoffs';
import { makeLink, revokeLink } from '../store/shared-links';
import { readBook } from '../store/settings';
import {
  accepting,
  deskAnswer,
  newHandoff,
  newLink,
  reportQuery,
  timesQuery,
  type ProofShape,
} from '../contract/handoffs';
import { handoffSummary, handoffTimes, linkShape, wholeHandoff } from './handoff-shapes';
import { askAround, askIncident } from './incidents';
import { checkWindow, readInput } from './query';
import { isUuid } from './uuid';

const UNIQUE_VIOLATION = '23505';

export interface HandoffRouteOptions {
  publicUrl: string;
  deskToken: string;
  /** there is a way to a team: its own mail, or the desk */
  canReach: (team: string) => Promise<boolean>;
  settings: Settings;
}

export function handoffRoutes(
  asked: { database: Database; engine: Engine; search: Search },
  options: HandoffRouteOptions,
): Router {
  const { database, engine } = asked;
  const router = Router();
  const mayWait = async () => (await readBook(database, options.settings)).at().handoffs.mayWait;
  const whole = async (id: string) => wholeHandoff({ database, engine }, await find(database, id), await mayWait());

  router.get('/handoffs', async (_request, response) => {
    const may = await mayWait();
    response.json({ handoffs: (await listHandoffs(database)).map((row) => handoffSummary(row, may)) });
  });

  router.get('/handoffs/:id', async (request, response) => {
    response.json(await whole(request.params.id));
  });

  router.post('/handoffs', async (request, response) => {
    const { incident: incidentId, team, note, purpose, fromMs, toMs } = readInput(newHandoff, request.body);
    const idempotencyKey = keyOf(request);
    const before = await findByKey(database, idempotencyKey);
    if (before) {
      response.status(200).json(await whole(before.id));
      return;
    }
    const incident = await askIncident(engine, String(incidentId), { window: checkWindow({ fromMs, toMs }) });
    const { brief, markdown } = makeBrief(incident, await askAround(asked, incident), {
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
          state: (await options.canReach(team)) ? 'draft' : 'kept',
          purpose,
          priority: incident.priority,
          detectedMs: incident.detectedMs,
        }),
      );
    } catch (error) {
      // Two requests with one key at the same time: the first one made the handoff.
      const other =
        error instanceof ThreadError && error.code === UNIQUE_VIOLATION && (await findByKey(database, idempotencyKey));
      if (!other) throw error;
      response.status(200).json(await whole(other.id));
      return;
    }
    response.status(201).json(await whole(id));
  });

  router.post('/handoffs/:id/again', async (request, response) => {
    const handoff = await find(database, request.params.id);
    if (!canBecome(handoff.state, 'draft'))
      throw new Problem('conflict', `The handoff is ${STATE_WORDS[handoff.state]}: there is nothing to send again.`);
    if (!(await options.canReach(handoff.team)))
      throw new Problem('conflict', 'No desk is set up, so there is nowhere to send it. It is kept here.');
    await database.transaction([tryAgain(handoff.id), addEvent(handoff.id, 'sent again', '')]);
    response.json(await whole(handoff.id));
  });

  router.post('/handoffs/:id/answer', async (request, response) => {
    checkDesk(request, options.deskToken);
    const given = readInput(deskAnswer, request.body);
    await takeAnswer(database, await find(database, request.params.id), given);
    response.json(await whole(request.params.id));
  });

  router.post('/handoffs/:id/accept', async (request, response) => {
    const { who } = readInput(accepting, request.body);
    const handoff = await find(database, request.params.id);
    await takeAnswer(database, handoff, readInput(deskAnswer, { answer: 'taken', by: who }));
    response.json(await whole(handoff.id));
  });

  router.get('/handoffs/:id/proof', async (request, response) => {
    const handoff = await find(database, request.params.id);
    const proof = await proofNow(database, engine, handoff);
    if (!proof)
      throw new Problem('notFound', 'No fix was reported yet, so there is nothing to prove.', { field: 'id' });
    response.json(proof);
  });

  router.get('/handoffs/:id/report', async (request, response) => {
    const handoff = await find(database, request.params.id);
    const { as } = readInput(reportQuery, request.query);
    const { times } = await whole(handoff.id);
    const report = fixReportOf(handoff, times, await proofNow(database, engine, handoff));
    if (!report)
      throw new Problem('notFound', 'No fix was reported yet, so there is nothing to compare.', { field: 'id' });
    const name = `before-and-after-${handoff.incident}`;
    response.attachment(`${name}.${as === 'csv' ? 'csv' : 'md'}`);
    if (as === 'csv') response.type('text/csv').send(csvText(fixReportRows(report)));
    else response.type('text/markdown').send(fixReportMarkdown(report));
  });

  router.post('/handoffs/:id/links', async (request, response) => {
    const { kind, days } = readInput(newLink, request.body);
    const handoff = await find(database, request.params.id);
    const { link, token } = await makeLink(database, { kind, target: handoff.id, days });
    response.status(201).json(linkShape(link, `${options.publicUrl}/shared/${token}`));
  });

  router.delete('/handoffs/:id/links/:link', async (request, response) => {
    const handoff = await find(database, request.params.id);
    const isThere = isUuid(request.params.link) && (await revokeLink(database, handoff.id, request.params.link));
    if (!isThere) throw new Problem('notFound', 'There is no such link of this handoff.', { field: 'link' });
    response.status(204).send();
  });

  router.get('/handoff-times', async (request, response) => {
    const { months } = readInput(timesQuery, request.query);
    response.json(await handoffTimes(database, months));
  });

  return router;
}

/** What the figures say now; what was told where they are not looked at any more; null before any fix. */
async function proofNow(database: Database, engine: Engine, handoff: HandoffRow): Promise<ProofShape | null> {
  const told = (handoff.outcome as { proof: ProofShape } | null)?.proof ?? null;
  const watched = (await watchedHandoffs(database)).filter(({ incident }) => incident === handoff.incident);
  if (handoff.state === 'proven' || watched.length === 0) return told;
  const fixMs = Math.max(...watched.map((one) => one.fixMs));
  const wasTold = told?.fixMs === fixMs;
  return (await engine.ask('proof', { id: handoff.incident, fixMs, wasTold })) ?? told;
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
  const handoff = isUuid(id) ? await findHandoff(database, id) : undefined;
  if (!handoff) throw new Problem('notFound', `there is no handoff ${id}`, { field: 'id' });
  return handoff;
}
