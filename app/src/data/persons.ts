import { useQueryClient, useMutation, useQuery } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { windowQuery } from '@/frame/view';
import { send, ask, type Schemas } from './client';

export function useFindPerson(view: View) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, ...body }: { key: string; find: string; why: string }) =>
      send<Schemas['Person']>(`/api/people/find?${new URLSearchParams(windowQuery(view)).toString()}`, body, { authorization: `Bearer ${key}` }),
    onSettled: () => client.invalidateQueries({ queryKey: ['person-looks'] }),
  });
}

export function usePersonLooks() {
  return useQuery({ queryKey: ['person-looks'], queryFn: () => ask<Schemas['PersonLooks']>('/api/person-looks') });
}
