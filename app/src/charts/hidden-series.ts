import { useState } from 'react';

/** Series of a chart that somebody put out of sight, and what puts one out of it or back. */
export function useHiddenSeries(): { isHidden: (key: string) => boolean; toggle: (key: string) => void } {
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const toggle = (key: string) => {
    const next = new Set(hidden);
    if (!next.delete(key)) next.add(key);
    setHidden(next);
  };
  return { isHidden: (key) => hidden.has(key), toggle };
}
