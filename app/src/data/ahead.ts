import type { QueryClient } from '@tanstack/react-query';
import { readView } from '@/frame/view';
import { worstFirstQuery } from './incidents';
import { sessionQuery } from './session';

/**
 * Asks for the list while its place is still being read: else a slow phone asks only after it has drawn once, half a
 * second later (docs/bench.md).
 */
export function askAhead(queries: QueryClient): void {
  if (typeof location === 'undefined') return;
  void queries.prefetchQuery(sessionQuery);
  if (location.pathname !== '/') return;
  const view = readView(Object.fromEntries(new URLSearchParams(location.search)));
  void queries.prefetchQuery(worstFirstQuery(view));
}
