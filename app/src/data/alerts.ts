import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, type Schemas } from './client';
import { LIVE_MS } from './live';

const KEY = ['alerts'];

/** Who is told of what, and what was sent. */
export const useAlerts = () =>
  useQuery({ queryKey: KEY, queryFn: () => get('/api/alerts', {}), refetchInterval: LIVE_MS });

function useAnswered<Asked>(ask: (asked: Asked) => Promise<Schemas['Alerts']>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: ask, onSuccess: (alerts) => client.setQueryData(KEY, alerts) });
}

/** Sends a test message to a receiver, by all its ways. */
export const useTestMessage = () => useAnswered((receiver: string) => post('/api/alerts/test', { body: { receiver } }));

/** Tries again what could not be delivered. */
export const useDeliverAgain = () =>
  useAnswered((id: string) => post('/api/alerts/messages/{id}/again', { path: { id }, body: {} }));
