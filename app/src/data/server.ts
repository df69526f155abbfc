import { useQuery, useQueryClient, useMutation } from '@tanstack/react-query';
import { remove, post, get } from './client';
import { LIVE_MS } from './live';

/** How the server is: asked for whatever place is open, and answered however busy it is. */
export const useServerState = () =>
  useQuery({
    queryKey: ['server-state'],
    queryFn: () => get('/api/server-state', {}),
    refetchInterval: LIVE_MS,
    retry: false,
  });

export const REFUSED = ['refused-records'];

export const useRefusedRecords = () =>
  useQuery({ queryKey: REFUSED, queryFn: () => get('/api/refused-records', {}), refetchInterval: 2 * LIVE_MS });

/** Refused again, it stands in the list again, with its reason. */
export function useSendRefusedAgain() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => post('/api/refused-records/{id}/send-again', { path: { id }, body: {} }),
    onSuccess: () => client.invalidateQueries({ queryKey: REFUSED }),
  });
}

export function useDropRefused() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => remove('/api/refused-records/{id}', { path: { id } }),
    onSuccess: () => client.invalidateQueries({ queryKey: REFUSED }),
  });
}
