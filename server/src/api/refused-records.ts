import { Router } from 'express';
import { Problem } from '../errors';
import type { Intake } from '../intake/intake';
import { dropRefused, listRefused, recordOf, type RefusedRecord } from '../intake/refused';
import type { Database } from '../store/database';
import { readInput } from './query';
import { LARGEST_REFUSED_ID, refusedQuery, type RefusedRecordsShape } from '../contract/server';

const MOST_LISTED = 50;

/** Records that the database refused: to look at, to send again, to drop. */
export function refusedRoutes(database: Database, intake: Intake): Router {
  const router = Router();
  const find = async (idText: string | undefined): Promise<RefusedRecord> => {
    const id = Number(idText);
    const [found] =
      Number.isInteger(id) && id > 0 && id < LARGEST_REFUSED_ID ? (await listRefused(database, id + 1, 1)).records : [];
    if (found?.id !== id)
      throw new Problem('notFound', `There is no refused record ${String(idText).slice(0, 40)}.`, { field: 'id' });
    return found;
  };
  router.get('/refused-records', async (request, response) => {
    const { before } = readInput(refusedQuery, request.query);
    const { total, records } = await listRefused(database, before, MOST_LISTED);
    response.json({ total, records, more: records.length === MOST_LISTED } satisfies RefusedRecordsShape);
  });
  router.post('/refused-records/:id/send-again', async (request, response) => {
    const found = await find(request.params.id);
    // First it goes: refused again, it is kept aside again under a new number.
    await dropRefused(database, found.id);
    response.json({ taken: await intake.sendAgain(recordOf(found)) });
  });
  router.delete('/refused-records/:id', async (request, response) => {
    const { id } = await find(request.params.id);
    await dropRefused(database, id);
    response.status(204).send();
  });
  return router;
}
