import { useQuery, keepPreviousData, useQueryClient, useMutation } from '@tanstack/react-query';
import type { PartTopology } from '@/charts/part-shapes';
import { pagesQuery, type View } from '@/frame/view';
import { ApiProblem, ask, post, get } from './client';
import type { operations } from './api-types';
import { refetchInterval } from './live';

/** Page loads are counted anew a few times a minute: many views are read for it. */
export const PAGES_MS = 15_000;

export function usePageLoads(view: View) {
  const query = pagesQuery(view);
  return useQuery({
    queryKey: ['pages', query],
    queryFn: () => get('/api/pages', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PAGES_MS),
  });
}

export function useScriptErrors(view: View) {
  const query = pagesQuery(view);
  return useQuery({
    queryKey: ['script-errors', query],
    queryFn: () => get('/api/script-errors', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PAGES_MS),
  });
}

/** A view may be told of again while its page is open. */
export const usePageLoad = (id: string) =>
  useQuery({
    queryKey: ['page-load', id],
    queryFn: () => get('/api/page-loads/{view}', { path: { view: id } }),
    staleTime: PAGES_MS,
  });

/** The page on which a trace began, if it is known. */
export const usePageLoadOf = (traceId: string) =>
  useQuery({
    queryKey: ['page-load-of', traceId],
    queryFn: () => get('/api/page-load-of/{trace}', { path: { trace: traceId } }),
    staleTime: 60_000,
  });

export const useSourceMaps = () => useQuery({ queryKey: ['source-maps'], queryFn: () => get('/api/source-maps', {}) });

export type NewSourceMap = operations['postSourceMaps']['requestBody']['content']['application/json'];

/** A map makes errors readable that came before it. */
export function useKeepSourceMap() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: NewSourceMap) => post('/api/source-maps', { body }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['source-maps'] });
      await client.invalidateQueries({ queryKey: ['script-errors'] });
    },
  });
}

/** The map of a country's parts, shipped with the application; null where there is none. */
export const useCountryParts = (country: string) =>
  useQuery({
    queryKey: ['country-parts', country],
    queryFn: async () => {
      try {
        return await ask<PartTopology>(`/parts/${country}.json`);
      } catch (error) {
        if (error instanceof ApiProblem && error.status === 404) return null;
        throw error;
      }
    },
    staleTime: Infinity,
  });
