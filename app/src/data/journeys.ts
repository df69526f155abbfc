import type { StepPart } from '@toplens/core/journeys';
import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { apiQuery, type View } from '@/frame/view';
import { get } from './client';
import { SURROUNDINGS_MS, LIVE_MS, refetchInterval } from './live';
import type { operations } from './api-types';

type MoneyQuery = NonNullable<operations['getMoney']['parameters']['query']>;

/** @param query window and focus as the API takes them */
export function useMoney(query: MoneyQuery, isLive: boolean) {
  return useQuery({
    queryKey: ['money', query],
    queryFn: () => get('/api/money', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: isLive ? SURROUNDINGS_MS : false,
  });
}

export function useJourneys(view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['journeys', query],
    queryFn: () => get('/api/journeys', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}

export function useJourney(id: string, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['journey', id, query],
    queryFn: () => get('/api/journeys/{id}', { path: { id }, query }),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view, 3 * LIVE_MS),
  });
}

/** Sessions at a step of a journey. @param step from 1 */
export function useJourneyStep({ id, step, of }: { id: string; step: number; of: StepPart }, view: View) {
  const query = { ...apiQuery(view), of };
  return useQuery({
    queryKey: ['journey-step', id, step, query],
    queryFn: () => get('/api/journeys/{id}/steps/{step}', { path: { id, step: String(step) }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 3 * LIVE_MS),
  });
}
