import { useQuery, keepPreviousData, useQueryClient, useMutation } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { pagesQuery } from '@/frame/view';
import { ask, send, type Schemas } from './client';

/** Page loads are counted anew a few times a minute: many views are read for it. */
export const PAGES_MS = 15_000;

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
