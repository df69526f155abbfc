import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, remove, type Schemas } from './client';

export type SenderKey = Schemas['SenderKey'];
export type SenderKind = SenderKey['kind'];

const KEYS = ['sender-keys'];
/** A key in use is seen to be used. */
const ASKED_EVERY_MS = 15_000;

export const useSenderKeys = () =>
  useQuery({ queryKey: KEYS, queryFn: () => get('/api/keys', {}), refetchInterval: ASKED_EVERY_MS });

function useChange<Asked, Answer>(change: (asked: Asked) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: change, onSuccess: () => client.invalidateQueries({ queryKey: KEYS }) });
}

export const useMakeSenderKey = () =>
  useChange((body: { kind: SenderKind; name: string; origins: string[] }) => post('/api/keys', { body }));

export const useReplaceSecret = () =>
  useChange(({ id, overlapHours }: { id: number; overlapHours: number }) =>
    post('/api/keys/{id}/secret', { path: { id }, body: { overlapHours } }),
  );

export const useRevokeSenderKey = () => useChange((id: number) => remove('/api/keys/{id}', { path: { id } }));
