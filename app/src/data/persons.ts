import { useQueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { addressOf, get, post, sendForText } from './client';

/** Who is looked for, and what it is for; a key where the right is not one's own, which is kept nowhere. */
export interface PersonLookup {
  key: string;
  find: string;
  why: string;
}

const byKey = (key: string) => ({ authorization: `Bearer ${key}` });

/** Every look is recorded: the list of looks is another one afterwards. */
function usePersonLookup<Answer>(mutationFn: (lookup: PersonLookup) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({ mutationFn, onSettled: () => client.invalidateQueries({ queryKey: ['person-looks'] }) });
}

export const useFindPerson = (view: View) =>
  usePersonLookup(({ key, ...body }) =>
    post('/api/people/find', { query: windowQuery(view), body, headers: byKey(key) }),
  );

/** All that is stored of one person, as JSON. */
export const useExportPerson = () =>
  usePersonLookup(({ key, ...body }) => sendForText(addressOf('/api/people/export', {}), body, byKey(key)));

/** Takes away who one person is. */
export const useErasePerson = () =>
  usePersonLookup(({ find, why }) => post('/api/people/erase', { body: { find, why } }));

export function usePersonLooks() {
  return useQuery({ queryKey: ['person-looks'], queryFn: () => get('/api/person-looks', {}) });
}
