import { useQuery, useQueryClient, useMutation } from '@tanstack/react-query';
import { ask, send, type Schemas } from './client';
import { LIVE_MS } from './live';

/** How the server is: asked for whatever place is open, and answered however busy it is. */
export const useServerState = () =>
  useQuery({ queryKey: ['server-state'], queryFn: () => ask<Schemas['ServerState']>('/api/server-state'), refetchInterval: LIVE_MS, retry: false });

export const REFUSED = ['refused-records'];

export const useRefusedRecords = () =>
  useQuery({ queryKey: REFUSED, queryFn: () => ask<Schemas['RefusedRecords']>('/api/refused-records'), refetchInterval: 2 * LIVE_MS });

/** Refused again, it stands in the list again, with its reason. */
export function useSendRefusedAgain() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => send<Schemas['SentAgain']>(`/api/refused-records/${id}/send-again`, {}),
    onSuccess: () => client.invalidateQueries({ queryKey: REFUSED }),
  });
}

export function useDropRefused() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => ask<undefined>(`/api/refused-records/${id}`, { method: 'DELETE' }),
    onSuccess: () => client.invalidateQueries({ queryKey: REFUSED }),
  });
}
