import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { ask, type Handoff, type HandoffSummary, type Incident, type WorstFirst } from './client';

const LIVE_MS = 5_000;

const refetchInterval = (view: View) => (view.from === undefined ? LIVE_MS : (false as const));

/** The list of a window; what stands there stays until the new one has come. */
export function useWorstFirst(view: View) {
  const query = new URLSearchParams({ ...windowQuery(view), rankBy: view.rankBy });
  if (view.application) query.set('application', view.application);
  if (view.team) query.set('team', view.team);
  return useQuery({
    queryKey: ['worst-first', query.toString()],
    queryFn: () => ask<WorstFirst>(`/api/worst-first?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view),
  });
}

export function useIncident(id: number, view: View) {
  const query = new URLSearchParams(windowQuery(view)).toString();
  return useQuery({
    queryKey: ['incident', id, query],
    queryFn: () => ask<Incident>(`/api/incidents/${id}?${query}`),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

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
    mutationFn: ({ key, ...body }: NewHandoff) =>
      ask<Handoff>('/api/handoffs', {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'idempotency-key': key },
        body: JSON.stringify(body),
      }),
    onSuccess: () => Promise.all(['handoffs', 'worst-first'].map((queryKey) => client.invalidateQueries({ queryKey: [queryKey] }))),
  });
}
