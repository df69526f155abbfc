import { useQuery, keepPreviousData, useQueryClient, useMutation } from '@tanstack/react-query';
import { ask, send, type Incident, type HandoffSummary, type Handoff } from './client';
import { LIVE_MS } from './live';

/** The brief as it would be sent now. */
export function useBrief(incident: Incident, team: string, note: string, isShown: boolean) {
  const from = new Date(incident.window.fromMs).toISOString();
  const to = new Date(incident.window.toMs).toISOString();
  const query = new URLSearchParams({ from, to, team, note }).toString();
  return useQuery({
    queryKey: ['brief', incident.id, query],
    queryFn: () => ask<{ markdown: string }>(`/api/incidents/${incident.id}/brief?${query}`),
    enabled: isShown,
    placeholderData: keepPreviousData,
  });
}

export function useHandoffs() {
  return useQuery({ queryKey: ['handoffs'], queryFn: () => ask<{ handoffs: HandoffSummary[] }>('/api/handoffs'), refetchInterval: LIVE_MS });
}

export function useHandoff(id: string | undefined) {
  return useQuery({
    queryKey: ['handoff', id],
    queryFn: () => ask<Handoff>(`/api/handoffs/${id}`),
    enabled: id !== undefined,
    refetchInterval: LIVE_MS / 2,
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
    mutationFn: ({ key, ...body }: NewHandoff) => send<Handoff>('/api/handoffs', body, { 'idempotency-key': key }),
    onSuccess: () => Promise.all(['handoffs', 'worst-first'].map((queryKey) => client.invalidateQueries({ queryKey: [queryKey] }))),
  });
}
