import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post } from './client';
import { useSurroundings } from './live';

/** An attempt is over: what came of it does not change, but late spans may still join it. */
export function useAttempt(traceId: string, spanId: string) {
  return useQuery({
    queryKey: ['attempt', traceId, spanId],
    queryFn: () => get('/api/attempts/{traceId}/{spanId}', { path: { traceId, spanId } }),
    staleTime: 60_000,
  });
}

/** The attempt without masks. Nothing keeps it: it goes when its page is left. */
export function useUnmaskAttempt(traceId: string, spanId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, why }: { key: string; why: string }) =>
      post('/api/attempts/{traceId}/{spanId}/unmasked', {
        path: { traceId, spanId },
        body: { why },
        headers: { authorization: `Bearer ${key}` },
      }),
    gcTime: 0,
    onSettled: () => client.invalidateQueries({ queryKey: ['person-looks'] }),
  });
}

/** Who made it: nobody is named on some. */
export const useAttemptPerson = (traceId: string, spanId: string, isNamed: boolean) =>
  useQuery({
    queryKey: ['attempt-person', traceId, spanId],
    queryFn: () => get('/api/attempts/{traceId}/{spanId}/person', { path: { traceId, spanId } }),
    staleTime: 60_000,
    enabled: isNamed,
  });

export const useBeside = (traceId: string, spanId: string) =>
  useSurroundings(
    ['beside', traceId, spanId],
    () => get('/api/attempts/{traceId}/{spanId}/beside', { path: { traceId, spanId } }),
    true,
  );

export const useAttemptHosts = (traceId: string, spanId: string) =>
  useSurroundings(
    ['attempt-hosts', traceId, spanId],
    () => get('/api/attempts/{traceId}/{spanId}/hosts', { path: { traceId, spanId } }),
    true,
  );
