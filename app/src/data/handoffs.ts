import { useQuery, keepPreviousData, useQueryClient, useMutation } from '@tanstack/react-query';
import { type Incident, post, get } from './client';
import { LIVE_MS } from './live';

/** The brief as it would be sent now. */
export function useBrief(incident: Incident, team: string, note: string, isShown: boolean) {
  const from = new Date(incident.window.fromMs).toISOString();
  const to = new Date(incident.window.toMs).toISOString();
  const query = { from, to, team, note };
  return useQuery({
    queryKey: ['brief', incident.id, query],
    queryFn: () => get('/api/incidents/{id}/brief', { path: { id: incident.id }, query }),
    enabled: isShown,
    placeholderData: keepPreviousData,
  });
}

export function useHandoffs() {
  return useQuery({ queryKey: ['handoffs'], queryFn: () => get('/api/handoffs', {}), refetchInterval: LIVE_MS });
}

export function useHandoff(id: string | undefined) {
  return useQuery({
    queryKey: ['handoff', id],
    queryFn: () => get('/api/handoffs/{id}', { path: { id: id ?? '' } }),
    enabled: id !== undefined,
    refetchInterval: LIVE_MS / 2,
  });
}

/** Tries again to deliver one that was kept, or could not be delivered. */
export function useSendAgain() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => post('/api/handoffs/{id}/again', { path: { id }, body: {} }),
    onSettled: () =>
      Promise.all(
        ['handoffs', 'handoff', 'worst-first'].map((queryKey) => client.invalidateQueries({ queryKey: [queryKey] })),
      ),
  });
}

export interface NewHandoff {
  incident: number;
  team: string;
  note: string;
  fromMs: number;
  toMs: number;
  /** the same key never sends twice, however often the button is pressed */
  key: string;
}

export function useSend() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, ...body }: NewHandoff) => post('/api/handoffs', { body, headers: { 'idempotency-key': key } }),
    onSuccess: () =>
      Promise.all(['handoffs', 'worst-first'].map((queryKey) => client.invalidateQueries({ queryKey: [queryKey] }))),
  });
}
