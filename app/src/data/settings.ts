import { useQuery, useMutation } from '@tanstack/react-query';
import { post, get } from './client';
import { useRefreshAll } from './live';

export function useSettings() {
  return useQuery({ queryKey: ['settings'], queryFn: () => get('/api/settings', {}) });
}

export function useChangeSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: (body: { who: string; key: string; value: object | null; fromMs?: number }) =>
      post('/api/settings', { body }),
    onSuccess: refresh,
  });
}

export function useUndoSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ id, who }: { id: number; who: string }) =>
      post('/api/settings/changes/{id}/undo', { path: { id }, body: { who } }),
    onSuccess: refresh,
  });
}
