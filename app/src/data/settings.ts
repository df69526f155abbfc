import { useQuery, useMutation } from '@tanstack/react-query';
import type { Settings } from './client';
import { ask, send } from './client';
import { useRefreshAll } from './live';

export function useSettings() {
  return useQuery({ queryKey: ['settings'], queryFn: () => ask<Settings>('/api/settings') });
}

export function useChangeSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: (change: { who: string; key: string; value: object | null; fromMs?: number }) => send<Settings>('/api/settings', change),
    onSuccess: refresh,
  });
}

export function useUndoSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ id, who }: { id: number; who: string }) => send<Settings>(`/api/settings/changes/${id}/undo`, { who }),
    onSuccess: refresh,
  });
}
