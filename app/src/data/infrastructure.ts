import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { get } from './client';
import { LIVE_MS, refetchInterval } from './live';

export function useEarlyWarnings(view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['early-warnings', query],
    queryFn: () => get('/api/early-warnings', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 12 * LIVE_MS),
  });
}

export function useEstate(view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['estate', query],
    queryFn: () => get('/api/estate', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}

export function useComponent(name: string, view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['component', name, query],
    queryFn: () => get('/api/components/{name}', { path: { name }, query }),
    placeholderData: (previous) => (previous?.name === name ? previous : undefined),
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}
