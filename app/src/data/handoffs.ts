import { useQuery, keepPreviousData, useQueryClient, useMutation } from '@tanstack/react-query';
import { addressOf, type HandoffSummary, type Incident, post, get, getText, remove } from './client';
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

/** What the figures say since the newest reported fix. */
export function useProof(id: string | undefined) {
  return useQuery({
    queryKey: ['proof', id],
    queryFn: () => get('/api/handoffs/{id}/proof', { path: { id: id ?? '' } }),
    enabled: id !== undefined,
    refetchInterval: LIVE_MS,
  });
}

/** How long handoffs took over the last months. */
export function useHandoffTimes(months: number, isShown: boolean) {
  return useQuery({
    queryKey: ['handoff-times', months],
    queryFn: () => get('/api/handoff-times', { query: { months } }),
    enabled: isShown,
  });
}

/** Before and after a fix, as a file. */
export const reportOf = (id: string, as: 'markdown' | 'csv'): Promise<string> =>
  getText(addressOf('/api/handoffs/{id}/report', { path: { id }, query: { as } }));

/** Makes a page of a handoff that opens without a login; the answer alone holds the link. */
export function useMakeLink(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { kind: 'brief' | 'answer'; days: number }) =>
      post('/api/handoffs/{id}/links', { path: { id }, body }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['handoff', id] }),
  });
}

export function useRevokeLink(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (link: string) => remove('/api/handoffs/{id}/links/{link}', { path: { id, link } }),
    onSettled: () => client.invalidateQueries({ queryKey: ['handoff', id] }),
  });
}

/** All that shows where a handoff stands is asked for anew. */
function useHandoffsChanged() {
  const client = useQueryClient();
  return () =>
    Promise.all(
      ['handoffs', 'handoff', 'worst-first'].map((queryKey) => client.invalidateQueries({ queryKey: [queryKey] })),
    );
}

/** Tries again to deliver one that was kept, or could not be delivered. */
export function useSendAgain() {
  const changed = useHandoffsChanged();
  return useMutation({
    mutationFn: (id: string) => post('/api/handoffs/{id}/again', { path: { id }, body: {} }),
    onSettled: changed,
  });
}

/** Somebody of the team accepts it here. */
export function useAccept() {
  const changed = useHandoffsChanged();
  return useMutation({
    mutationFn: ({ id, who }: { id: string; who: string }) =>
      post('/api/handoffs/{id}/accept', { path: { id }, body: { who } }),
    onSettled: changed,
  });
}

export interface NewHandoff {
  incident: number;
  team: string;
  note: string;
  purpose: HandoffSummary['purpose'];
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
