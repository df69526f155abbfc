import { useInfiniteQuery, useMutation } from '@tanstack/react-query';
import { addressOf, get } from './client';

/** Who did what, newest first, page after page. */
export function useRecords(find: string) {
  return useInfiniteQuery({
    queryKey: ['records', find],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) =>
      get('/api/records', { query: { ...(find !== '' && { find }), ...(pageParam && { before: pageParam }) } }),
    getNextPageParam: ({ next }) => next ?? undefined,
  });
}

/** Reads all of them: asked for by a button. */
export const useRecordChain = () => useMutation({ mutationFn: () => get('/api/records/chain', {}) });

export const recordsFile = (find: string): string =>
  addressOf('/api/records.csv', { query: find === '' ? {} : { find } });
