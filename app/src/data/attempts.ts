import { useQuery } from '@tanstack/react-query';
import { ask, type Schemas } from './client';
import { useSurroundings } from './live';

/** An attempt is over: what came of it does not change, but late spans may still join it. */
export function useAttempt(traceId: string, spanId: string) {
  return useQuery({
    queryKey: ['attempt', traceId, spanId],
    queryFn: () => ask<Schemas['AttemptPage']>(`/api/attempts/${traceId}/${spanId}`),
    staleTime: 60_000,
  });
}

export const useBeside = (traceId: string, spanId: string) => useSurroundings<Schemas['Beside']>(`/api/attempts/${traceId}/${spanId}/beside`, true);

export const useAttemptHosts = (traceId: string, spanId: string) => useSurroundings<Schemas['Hosts']>(`/api/attempts/${traceId}/${spanId}/hosts`, true);
