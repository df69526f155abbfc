import type { SenderKind } from '@toplens/core/access';
import { useQuery } from '@tanstack/react-query';
import { get, post, remove, type Schemas } from './client';
import { useChange } from './live';

export type SenderKey = Schemas['SenderKey'];

const KEYS = ['sender-keys'];
/** A key in use is seen to be used. */
const ASKED_EVERY_MS = 15_000;

export const useSenderKeys = () =>
  useQuery({ queryKey: KEYS, queryFn: () => get('/api/keys', {}), refetchInterval: ASKED_EVERY_MS });

export const useMakeSenderKey = () =>
  useChange(KEYS, (body: { kind: SenderKind; name: string; origins: string[] }) => post('/api/keys', { body }));

export const useReplaceSecret = () =>
  useChange(KEYS, ({ id, overlapHours }: { id: number; overlapHours: number }) =>
    post('/api/keys/{id}/secret', { path: { id }, body: { overlapHours } }),
  );

export const useRevokeSenderKey = () => useChange(KEYS, (id: number) => remove('/api/keys/{id}', { path: { id } }));
