import { useQueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { post, get } from './client';

export function useFindPerson(view: View) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, ...body }: { key: string; find: string; why: string }) =>
      post('/api/people/find', { query: windowQuery(view), body, headers: { authorization: `Bearer ${key}` } }),
    onSettled: () => client.invalidateQueries({ queryKey: ['person-looks'] }),
  });
}

export function usePersonLooks() {
  return useQuery({ queryKey: ['person-looks'], queryFn: () => get('/api/person-looks', {}) });
}
