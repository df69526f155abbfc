import { useMutation, useQuery } from '@tanstack/react-query';
import { get, post, remove, type Schemas } from './client';
import { useChange } from './live';

export type Account = Schemas['Account'];
export type Grant = Schemas['Grant'];
export type OwnAccount = Schemas['OwnAccount'];

const OWN = ['account'];
const ALL = ['accounts'];

export const useOwnAccount = (isAsked: boolean) =>
  useQuery({ queryKey: OWN, queryFn: () => get('/api/account', {}), enabled: isAsked });

export const useChangePassword = () =>
  useChange(OWN, (body: { current: string; next: string }) => post('/api/account/password', { body }));

export const useNewSecondFactor = () =>
  useMutation({ mutationFn: () => post('/api/account/second-factor', { body: {} }) });

export const useConfirmSecondFactor = () =>
  // What they may do can be more from then on.
  useChange([], (body: { secret: string; code: string }) => post('/api/account/second-factor/confirm', { body }));

export const useEndSecondFactor = () =>
  useChange(OWN, (password: string) => post('/api/account/second-factor/end', { body: { password } }));

export const useSignOutElsewhere = () => useChange(OWN, () => remove('/api/account/sessions', {}));

export const useAccounts = () => useQuery({ queryKey: ALL, queryFn: () => get('/api/accounts', {}) });

export const useAddAccount = () =>
  useChange(ALL, (body: { name: string; mail: string; grants: Grant[] }) => post('/api/accounts', { body }));

export const useGive = () =>
  useChange(ALL, ({ id, ...body }: { id: number; grants: Grant[]; isEnded: boolean }) =>
    post('/api/accounts/{id}', { path: { id }, body }),
  );

export const useAccountLink = () =>
  useChange(ALL, (id: number) => post('/api/accounts/{id}/link', { path: { id }, body: {} }));

export const useTakeSecondFactor = () =>
  useChange(ALL, (id: number) => remove('/api/accounts/{id}/second-factor', { path: { id } }));

export const useSignOutOther = () =>
  useChange(ALL, (id: number) => remove('/api/accounts/{id}/sessions', { path: { id } }));
