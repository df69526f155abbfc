import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import type { operations } from './api-types';
import { get, post } from './client';
import { refetchInterval } from './live';

/** Crashes are grouped anew a few times a minute: all of a window are read for it. */
const PHONE_MS = 15_000;

/** What launches, crashes and sessions can be narrowed to. */
export const PHONE_NARROWING = ['application', 'version', 'device', 'carrier', 'region'] as const;

const phoneQuery = (view: View) => ({
  ...windowQuery(view),
  ...Object.fromEntries(PHONE_NARROWING.flatMap((name) => (view[name] === undefined ? [] : [[name, view[name]]]))),
});

export function usePhone(view: View) {
  const query = phoneQuery(view);
  return useQuery({
    queryKey: ['phone', query],
    queryFn: () => get('/api/phone', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PHONE_MS),
  });
}

/** Crashes of an application in a window that is not that of the view; nothing is asked without an application. */
export function usePhoneWithin({ fromMs, toMs }: { fromMs: number; toMs: number }, application: string | undefined) {
  const query = { from: new Date(fromMs).toISOString(), to: new Date(toMs).toISOString(), application };
  return useQuery({
    queryKey: ['phone', query],
    queryFn: () => get('/api/phone', { query }),
    enabled: application !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** The group of a crash. */
export function useCrashGroup(crash: string, view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['crash-group', crash, query],
    queryFn: () => get('/api/crash-groups/{crash}', { path: { crash }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PHONE_MS),
  });
}

/** What phones asked of servers. */
export function usePhoneAddresses(view: View) {
  const query = phoneQuery(view);
  return useQuery({
    queryKey: ['phone-addresses', query],
    queryFn: () => get('/api/phone-addresses', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PHONE_MS),
  });
}

/** Sessions, the worst first; of one address where one is given. */
export function usePhoneSessions(view: View, address: string | undefined) {
  const query = { ...phoneQuery(view), ...(address !== undefined && { address }) };
  return useQuery({
    queryKey: ['phone-sessions', query],
    queryFn: () => get('/api/phone-sessions', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, PHONE_MS),
  });
}

/** One session; more of it may come. */
export const usePhoneSession = (session: string) =>
  useQuery({
    queryKey: ['phone-session', session],
    queryFn: () => get('/api/phone-sessions/{session}', { path: { session } }),
    placeholderData: keepPreviousData,
    refetchInterval: PHONE_MS,
  });

/** A crash does not change; names may be restored later. */
export const useCrash = (crash: string) =>
  useQuery({
    queryKey: ['crash', crash],
    queryFn: () => get('/api/crashes/{crash}', { path: { crash } }),
    staleTime: PHONE_MS,
  });

export const useNameMappings = () =>
  useQuery({ queryKey: ['name-mappings'], queryFn: () => get('/api/name-mappings', {}) });

export type NewNameMapping = operations['postNameMappings']['requestBody']['content']['application/json'];

/** A mapping restores names of crashes that came before it. */
export function useKeepNameMapping() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: NewNameMapping) => post('/api/name-mappings', { body }),
    onSuccess: async () => {
      for (const key of ['name-mappings', 'phone', 'crash-group', 'crash'])
        await client.invalidateQueries({ queryKey: [key] });
    },
  });
}
