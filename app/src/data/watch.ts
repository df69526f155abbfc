import { useQuery } from '@tanstack/react-query';
import { get, post, type Schemas } from './client';
import { useChange } from './live';

export type WatchPoint = Schemas['WatchPoint'];
export type WatchPage = Schemas['WatchPage'];
export type NewWatchPoint = Pick<WatchPoint, 'component' | 'file' | 'line' | 'variables' | 'why'> & { minutes: number };

const WATCHED = ['watch-points'];
/** Services tell what they read every two seconds. */
const EVERY_MS = 3_000;

/** Lines that are or were watched, and the services that can be. */
export const useWatchPoints = () =>
  useQuery({ queryKey: WATCHED, queryFn: () => get('/api/watch-points', {}), refetchInterval: EVERY_MS });

/** One of them, with what was read; once it is over, nothing comes to it. */
export const useWatchPoint = (id: number) =>
  useQuery({
    queryKey: [...WATCHED, id],
    queryFn: () => get('/api/watch-points/{id}', { path: { id } }),
    refetchInterval: ({ state }) => (state.data?.point.isInForce === false ? false : EVERY_MS),
  });

export const useMakeWatchPoint = () => useChange(WATCHED, (body: NewWatchPoint) => post('/api/watch-points', { body }));

export const useStopWatchPoint = () =>
  useChange(WATCHED, (id: number) => post('/api/watch-points/{id}/stop', { path: { id }, body: {} }));
