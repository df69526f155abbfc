import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { WORK_DIMENSIONS, windowQuery, type View, type WorkDimension } from '@/frame/view';
import { get, type Schemas } from './client';
import { refetchInterval } from './live';

/** All attempts of the window are walked for it. */
const EVERY_MS = 20_000;

/** What people at work can be narrowed to. */
export const SITES_NARROWING = ['application', 'flow', 'host', ...WORK_DIMENSIONS] as const;

const narrowing = (view: View) =>
  Object.fromEntries(SITES_NARROWING.flatMap((name) => (view[name] === undefined ? [] : [[name, view[name]]])));
const byOf = (view: View): WorkDimension => view.workBy ?? 'site';

export function useSites(view: View) {
  const query = { ...windowQuery(view), by: byOf(view), ...narrowing(view) };
  return useQuery({
    queryKey: ['sites', query],
    queryFn: () => get('/api/sites', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** What sessions on remote desktops are told apart by. */
export type RemoteBy = Schemas['Remote']['by'];

/** Sessions on remote desktops, of the site, application and so on that the view is narrowed to. */
export function useRemote(view: View, by: RemoteBy) {
  const { host: _host, ...narrowed } = narrowing(view);
  const query = { ...windowQuery(view), ...narrowed, by };
  return useQuery({
    queryKey: ['remote-desktops', query],
    queryFn: () => get('/api/remote-desktops', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** One person at work, by the device that the view is narrowed to; nothing is asked without one. */
export function useWorkPerson(view: View) {
  const { host, ...narrowed } = narrowing(view);
  const query = { ...windowQuery(view), ...narrowed, host: String(host) };
  return useQuery({
    queryKey: ['work-person', query],
    queryFn: () => get('/api/sites/person', { query }),
    enabled: host !== undefined,
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** Groups that had a change against those that did not; nothing is asked before one is chosen. */
export function useSiteChange(
  view: View,
  { atMs, untilMs, changed }: { atMs: number; untilMs: number | undefined; changed: readonly string[] },
) {
  const isAsked = changed.length > 0 && !Number.isNaN(atMs) && !Number.isNaN(untilMs ?? 0);
  const query = {
    at: isAsked ? new Date(atMs).toISOString() : '',
    ...(isAsked && untilMs !== undefined && { until: new Date(untilMs).toISOString() }),
    changed: [...changed],
    by: byOf(view),
    ...narrowing(view),
  };
  return useQuery({
    queryKey: ['site-change', query],
    queryFn: () => get('/api/sites/change', { query }),
    enabled: isAsked,
    placeholderData: keepPreviousData,
  });
}
