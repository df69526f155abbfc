import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { get } from './client';
import { refetchInterval } from './live';

/** Runs come every few minutes; people beside them are counted over a day. */
const EVERY_MS = 15_000;

/** Every probe from every site. */
export function useProbes(view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['probes', query],
    queryFn: () => get('/api/probes', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** One probe; steps and runs of the site that the view is narrowed to. */
export function useProbe(name: string, view: View) {
  const query = { ...windowQuery(view), ...(view.site !== undefined && { site: view.site }) };
  return useQuery({
    queryKey: ['probe', name, query],
    queryFn: () => get('/api/probes/{name}', { path: { name }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** One run: it does not change any more. */
export const useProbeRun = (id: string) =>
  useQuery({ queryKey: ['probe-run', id], queryFn: () => get('/api/probe-runs/{id}', { path: { id } }) });
