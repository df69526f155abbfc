import { useMutation } from '@tanstack/react-query';
import { ask } from './client';
import { useRefreshAll } from './live';

export interface Taken {
  taken: number;
  rejected: number;
  reasons?: string;
}

/** Sends business events of a CSV file the way in that all senders take. @param key '' where none is asked for */
export function useUploadEvents() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ csv, key }: { csv: string; key: string }) =>
      ask<Taken>('/v1/business-events', {
        method: 'POST',
        headers: { 'content-type': 'text/csv', ...(key !== '' && { authorization: `Bearer ${key}` }) },
        body: csv,
      }),
    onSuccess: refresh,
  });
}
