import { useQuery, useMutation } from '@tanstack/react-query';
import { post, get } from './client';
import { useRefreshAll } from './live';

export function useSettings() {
  return useQuery({ queryKey: ['settings'], queryFn: () => get('/api/settings', {}) });
}

export function useChangeSetting() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: (body: { who: string; key: string; value: unknown; fromMs?: number }) =>
      post('/api/settings', { body }),
    onSuccess: refresh,
  });
}

/** What a setting would match, before it is saved. */
export function useTrySetting() {
  return useMutation({
    mutationFn: (body: { key: string; value: unknown }) => post('/api/settings/try', { body }),
  });
}

/** What a calendar file would set; nothing is changed. */
export function useReadCalendar() {
  return useMutation({ mutationFn: (text: string) => post('/api/settings/calendar/read', { body: { text } }) });
}

export function useExportSettings() {
  return useMutation({ mutationFn: () => get('/api/settings/file', {}) });
}

export function useImportSettings() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: (body: { who: string; settings: unknown }) => post('/api/settings/file', { body }),
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
