import { useEffect, useState } from 'react';

const TICK_MS = 10_000;

/** The viewer's clock, as far as "how long ago" needs it. */
export function useClock(): number {
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return nowMs;
}
