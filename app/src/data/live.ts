import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { apiQuery } from '@/frame/view';
import { ask } from './client';

export const LIVE_MS = 5_000;

export const refetchInterval = (view: View) => (view.from === undefined ? LIVE_MS : (false as const));

export const queryOf = (view: View, more: Record<string, string> = {}) => new URLSearchParams({ ...apiQuery(view), ...more }).toString();

/** What else happened: looked at once a minute while the incident goes on. */
export const SURROUNDINGS_MS = 60_000;

export function useSurroundings<Answer>(path: string, isOver: boolean) {
  return useQuery({
    queryKey: [path],
    queryFn: () => ask<Answer>(path),
    staleTime: SURROUNDINGS_MS,
    refetchInterval: isOver ? false : SURROUNDINGS_MS,
  });
}

/** All that shows harm, limits or names is asked for anew. */
export function useRefreshAll() {
  const client = useQueryClient();
  return () => client.invalidateQueries();
}
