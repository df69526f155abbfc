import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { View } from '@/frame/view';

export const LIVE_MS = 5_000;

/** A live window is asked for again and again, a past one is not. */
export const refetchInterval = (view: View, everyMs = LIVE_MS) =>
  view.from === undefined ? everyMs : (false as const);

/** What else happened: looked at once a minute while the incident goes on. */
export const SURROUNDINGS_MS = 60_000;

export function useSurroundings<Answer>(
  queryKey: readonly (string | number)[],
  queryFn: () => Promise<Answer>,
  isOver: boolean,
) {
  return useQuery({
    queryKey,
    queryFn,
    staleTime: SURROUNDINGS_MS,
    refetchInterval: isOver ? false : SURROUNDINGS_MS,
  });
}

/** A change, behind which what stands under this key is asked for anew. */
export function useChange<Asked, Answer>(queryKey: readonly string[], change: (asked: Asked) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: change, onSuccess: () => client.invalidateQueries({ queryKey }) });
}

/** All that shows harm, limits or names is asked for anew. */
export function useRefreshAll() {
  const client = useQueryClient();
  return () => client.invalidateQueries();
}
