import { Router } from 'express';
import type { SenderKeys } from '../access/sender-keys';
import { principalOf } from '../access/principal';
import { newSenderKey, replacingSecret, type SenderKeyShape } from '../contract/sender-keys';
import type { SenderKeyRow } from '../store/sender-keys';
import { readInput } from './query';

/** Keys of what sends: made, replaced with an overlap, revoked. */
export function senderKeyRoutes(keys: SenderKeys): Router {
  const router = Router();
  router.get('/keys', (_request, response) => {
    const all = keys.all.map(shapeOf);
    response.json({ keys: [...all.filter((one) => !one.isRevoked), ...all.filter((one) => one.isRevoked)] });
  });
  router.post('/keys', async (request, response) => {
    const wanted = readInput(newSenderKey, request.body);
    const madeBy = principalOf(response)?.name || 'a visitor';
    response.status(201).json(await keys.make({ ...wanted, madeBy }, Date.now()));
  });
  router.post('/keys/:id/secret', async (request, response) => {
    const { overlapHours } = readInput(replacingSecret, request.body);
    response.status(201).json(await keys.replace(Number(request.params.id), overlapHours, Date.now()));
  });
  router.delete('/keys/:id', async (request, response) => {
    await keys.revoke(Number(request.params.id), Date.now());
    response.status(204).send();
  });
  return router;
}

function shapeOf({ id, kind, name, origins, madeMs, madeBy, revokedMs, secrets }: SenderKeyRow): SenderKeyShape {
  const nowMs = Date.now();
  const used = secrets.flatMap(({ usedMs }) => (usedMs === null ? [] : [usedMs]));
  const taken = revokedMs === null ? secrets.filter(({ endsMs }) => endsMs === null || endsMs > nowMs) : [];
  return {
    id,
    kind,
    name,
    origins,
    madeMs,
    madeBy,
    isRevoked: revokedMs !== null,
    usedMs: used.length === 0 ? null : Math.max(...used),
    secrets: taken.map((one) => ({ madeMs: one.madeMs, endsMs: one.endsMs, usedMs: one.usedMs })),
  };
}
