import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, get, post, type Schemas } from './client';

export type SessionState = Schemas['SessionState'];

/** How often it is looked whether somebody is still signed in, and what they may do. */
const ASKED_EVERY_MS = 60_000;

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: () => get('/api/session', {}),
  refetchInterval: ASKED_EVERY_MS,
});

export const useSessionState = () => useQuery(sessionQuery);

/** What somebody does to be signed in: all that is shown is asked for anew, as who they are then. */
function useEntry<Asked>(enter: (asked: Asked) => Promise<SessionState>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: enter,
    onSuccess: async (state) => {
      client.setQueryData(sessionQuery.queryKey, state);
      await client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== sessionQuery.queryKey[0] });
    },
  });
}

export const useSignIn = () => useEntry((body: { mail: string; password: string }) => post('/api/session', { body }));

export const useGiveCode = () => useEntry((code: string) => post('/api/session/second-factor', { body: { code } }));

export const useVisit = () => useEntry((account: number) => post('/api/session/visitor', { body: { account } }));

export const useComeBack = () =>
  useEntry((address: string) => post('/api/session/provider/back', { body: { address } }));

export const useChoosePassword = (token: string) =>
  useEntry((body: { password: string; name?: string; mail?: string }) =>
    post('/api/account-links/{token}', { path: { token }, body }),
  );

/** Whom a link is for, by which a password is chosen. */
export const useLinkedAccount = (token: string) =>
  useQuery({
    queryKey: ['account-link', token],
    queryFn: () => get('/api/account-links/{token}', { path: { token } }),
    retry: false,
    // Once it was used it is over: what was true when it was opened goes on being shown.
    staleTime: Infinity,
  });

/** Leaves this page for the provider's. */
export const useGoToProvider = () =>
  useMutation({
    mutationFn: () => post('/api/session/provider', { body: {} }),
    onSuccess: ({ url }) => window.location.assign(url),
  });

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<Schemas['SignedOut']>('/api/session', { method: 'DELETE' }),
    onSuccess: ({ url }) => {
      // Nothing of what was seen stays.
      client.clear();
      window.location.assign(url ?? '/');
    },
  });
}
