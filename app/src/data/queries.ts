import { keepPreviousData, queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { apiQuery, pagesQuery, windowQuery, type View } from '@/frame/view';
import {
  ask,
  send,
  sendForText,
  type FlowPage,
  type FlowTable,
  type Handoff,
  type HandoffSummary,
  type Incident,
  type Schemas,
  type Settings,
  type WorstFirst,
} from './client';

const LIVE_MS = 5_000;
const refetchInterval = (view: View) => (view.from === undefined ? LIVE_MS : (false as const));
const queryOf = (view: View, more: Record<string, string> = {}) => new URLSearchParams({ ...apiQuery(view), ...more }).toString();

/** The list of a window. */
export function worstFirstQuery(view: View) {
  const query = queryOf(view, { rankBy: view.rankBy });
  return queryOptions({ queryKey: ['worst-first', query], queryFn: () => ask<WorstFirst>(`/api/worst-first?${query}`) });
}

/** What stands there stays until the new one has come. */
export const useWorstFirst = (view: View) => useQuery({ ...worstFirstQuery(view), placeholderData: keepPreviousData, refetchInterval: refetchInterval(view) });

export function useIncident(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['incident', id, query],
    queryFn: () => ask<Incident>(`/api/incidents/${id}?${query}`),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

/** An attempt is over: what came of it does not change, but late spans may still join it. */
export function useAttempt(traceId: string, spanId: string) {
  return useQuery({
    queryKey: ['attempt', traceId, spanId],
    queryFn: () => ask<Schemas['AttemptPage']>(`/api/attempts/${traceId}/${spanId}`),
    staleTime: 60_000,
  });
}

/** What else happened: looked at once a minute while the incident goes on. */
const SURROUNDINGS_MS = 60_000;

export const useIncidentHosts = (id: number, isOver: boolean) => useSurroundings<Schemas['Hosts']>(`/api/incidents/${id}/hosts`, isOver);
export const useIncidentLogs = (id: number, isOver: boolean) => useSurroundings<Schemas['LogPatterns']>(`/api/incidents/${id}/logs`, isOver);
export const useBeside = (traceId: string, spanId: string) => useSurroundings<Schemas['Beside']>(`/api/attempts/${traceId}/${spanId}/beside`, true);
export const useAttemptHosts = (traceId: string, spanId: string) => useSurroundings<Schemas['Hosts']>(`/api/attempts/${traceId}/${spanId}/hosts`, true);

function useSurroundings<Answer>(path: string, isOver: boolean) {
  return useQuery({
    queryKey: [path],
    queryFn: () => ask<Answer>(path),
    staleTime: SURROUNDINGS_MS,
    refetchInterval: isOver ? false : SURROUNDINGS_MS,
  });
}

export function useFlows(view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['flows', query],
    queryFn: () => ask<FlowTable>(`/api/flows?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view),
  });
}

export function useFlow(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['flow', id, query],
    queryFn: () => ask<FlowPage>(`/api/flows/${id}?${query}`),
    placeholderData: (previous) => (previous?.row.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

export function useField(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['field', id, query],
    queryFn: () => ask<Schemas['Field']>(`/api/flows/${id}/field?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function usePath(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['path', id, query],
    queryFn: () => ask<Schemas['Path']>(`/api/flows/${id}/path?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? SURROUNDINGS_MS : false,
  });
}

export function useHurt(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['hurt', id, query],
    queryFn: () => ask<Schemas['Hurt']>(`/api/incidents/${id}/hurt?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? SURROUNDINGS_MS : false,
  });
}

/** Asked for where it is looked at: a bill for each tier. */
export function useLostByTier(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['lost-by-tier', id, query],
    queryFn: () => ask<Schemas['LostByTier']>(`/api/incidents/${id}/lost-by-tier?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? SURROUNDINGS_MS : false,
  });
}

/** By name, for those who may: the key goes along with this one request and is kept nowhere. */
export function useExportHurt(id: number, view: View) {
  return useMutation({
    mutationFn: ({ key, why }: { key: string; why: string }) =>
      sendForText(`/api/incidents/${id}/hurt/export?${queryOf(view)}`, { why }, { authorization: `Bearer ${key}` }),
  });
}

export function useFindPerson(view: View) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, ...body }: { key: string; find: string; why: string }) =>
      send<Schemas['Person']>(`/api/people/find?${new URLSearchParams(windowQuery(view)).toString()}`, body, { authorization: `Bearer ${key}` }),
    onSettled: () => client.invalidateQueries({ queryKey: ['person-looks'] }),
  });
}

/** Page loads are counted anew a few times a minute: many views are read for it. */
const PAGES_MS = 15_000;

export function usePageLoads(view: View) {
  const query = new URLSearchParams(pagesQuery(view)).toString();
  return useQuery({
    queryKey: ['pages', query],
    queryFn: () => ask<Schemas['PageLoads']>(`/api/pages?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? PAGES_MS : false,
  });
}

export function useScriptErrors(view: View) {
  const query = new URLSearchParams(pagesQuery(view)).toString();
  return useQuery({
    queryKey: ['script-errors', query],
    queryFn: () => ask<Schemas['ScriptErrors']>(`/api/script-errors?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? PAGES_MS : false,
  });
}

/** A view may be told of again while its page is open. */
export const usePageLoad = (id: string) =>
  useQuery({ queryKey: ['page-load', id], queryFn: () => ask<Schemas['PageLoad']>(`/api/page-loads/${id}`), staleTime: PAGES_MS });

/** The page on which a trace began, if it is known. */
export const usePageLoadOf = (traceId: string) =>
  useQuery({ queryKey: ['page-load-of', traceId], queryFn: () => ask<Schemas['PageLoadOf']>(`/api/page-load-of/${traceId}`), staleTime: 60_000 });

export const useSourceMaps = () => useQuery({ queryKey: ['source-maps'], queryFn: () => ask<Schemas['SourceMaps']>('/api/source-maps') });

/** A map makes errors readable that came before it. */
export function useKeepSourceMap() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (map: Schemas['NewSourceMap']) => send<Schemas['SourceMapKept']>('/api/source-maps', map),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['source-maps'] });
      await client.invalidateQueries({ queryKey: ['script-errors'] });
    },
  });
}

export function usePersonLooks() {
  return useQuery({ queryKey: ['person-looks'], queryFn: () => ask<Schemas['PersonLooks']>('/api/person-looks') });
}

/** @param query window and focus as the API takes them */
export function useMoney(query: Record<string, string>, isLive: boolean) {
  const text = new URLSearchParams(query).toString();
  return useQuery({
    queryKey: ['money', text],
    queryFn: () => ask<Schemas['Money']>(`/api/money?${text}`),
    placeholderData: keepPreviousData,
    refetchInterval: isLive ? SURROUNDINGS_MS : false,
  });
}

export function useJourneys(view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['journeys', query],
    queryFn: () => ask<Schemas['Journeys']>(`/api/journeys?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function useJourney(id: string, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['journey', id, query],
    queryFn: () => ask<Schemas['Journey']>(`/api/journeys/${id}?${query}`),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: view.from === undefined ? 3 * LIVE_MS : false,
  });
}

export function useEstate(view: View) {
  const query = new URLSearchParams(windowQuery(view)).toString();
  return useQuery({
    queryKey: ['estate', query],
    queryFn: () => ask<Schemas['Estate']>(`/api/estate?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function useComponent(name: string, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['component', name, query],
    queryFn: () => ask<Schemas['Component']>(`/api/components/${encodeURIComponent(name)}?${query}`),
    placeholderData: (previous) => (previous?.name === name ? previous : undefined),
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

/** Part of the field: from when to when, and how long attempts took; `toDurationMs` null: however long. */
export interface Region {
  fromMs: number;
  toMs: number;
  fromDurationMs: number;
  toDurationMs: number | null;
}

export function useRegion(id: number, view: View, region: Region | undefined) {
  const own = region && { longer: String(region.fromDurationMs), ...(region.toDurationMs !== null && { shorter: String(region.toDurationMs) }) };
  const query = region ? queryOf({ ...view, from: new Date(region.fromMs).toISOString(), to: new Date(region.toMs).toISOString() }, own) : '';
  return useQuery({
    queryKey: ['region', id, query],
    queryFn: () => ask<Schemas['Region']>(`/api/flows/${id}/region?${query}`),
    enabled: region !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** The last five minutes against the hour before; only while somebody looks. */
export function useChanges(isShown: boolean) {
  return useQuery({
    queryKey: ['changes'],
    queryFn: () => ask<Schemas['Changes']>('/api/changes'),
    enabled: isShown,
    refetchInterval: 6 * LIVE_MS,
  });
}

export function useSettings() {
  return useQuery({ queryKey: ['settings'], queryFn: () => ask<Settings>('/api/settings') });
}

/** All that shows harm, limits or names is asked for anew. */
function useRefreshAll() {
  const client = useQueryClient();
  return () => client.invalidateQueries();
}

export function useChangeSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: (change: { who: string; key: string; value: object | null; fromMs?: number }) => send<Settings>('/api/settings', change),
    onSuccess: refresh,
  });
}

export function useUndoSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ id, who }: { id: number; who: string }) => send<Settings>(`/api/settings/changes/${id}/undo`, { who }),
    onSuccess: refresh,
  });
}

export type Decision = { who: string } & (
  | { what: 'join'; into: number }
  | { what: 'unjoin' }
  | { what: 'split'; flows: number[] }
  | { what: 'setAside'; reason: string; untilMs: number }
  | { what: 'takeBack' }
);

export function useDecide() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ id, ...decision }: Decision & { id: number }) => send<{ id: number }>(`/api/incidents/${id}/decisions`, decision),
    onSuccess: refresh,
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

/** How the server is: asked for whatever place is open, and answered however busy it is. */
export const useServerState = () =>
  useQuery({ queryKey: ['server-state'], queryFn: () => ask<Schemas['ServerState']>('/api/server-state'), refetchInterval: LIVE_MS, retry: false });

const REFUSED = ['refused-records'];
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
