import { useEffect, useState } from 'react';

const NAME = 'toplens.looked';
const MARK_EVERY_MS = 15_000;
/** Whoever was away for less has missed nothing. */
const AWAY_MS = 2 * 60_000;
/** Longer ago than this nobody remembers what they saw. */
const LONGEST_MS = 86_400_000;

function readLook(): number {
  try {
    return Number(localStorage.getItem(NAME) ?? 0);
  } catch {
    return 0;
  }
}

function markLook(): void {
  try {
    localStorage.setItem(NAME, String(Date.now()));
  } catch {
    // Storage may be forbidden: then nobody was ever away.
  }
}

const wasAway = (): number | undefined => {
  const looked = readLook();
  const away = Date.now() - looked;
  return looked > 0 && away >= AWAY_MS && away <= LONGEST_MS ? looked : undefined;
};

/** When this browser last showed the page, if that is long enough ago to have missed something; it stays until told. */
export function useLastLook(): [sinceMs: number | undefined, forget: () => void] {
  const [sinceMs, setSince] = useState(wasAway);
  useEffect(() => {
    const mark = () => {
      if (document.visibilityState === 'visible') markLook();
    };
    const comeBack = () => {
      if (document.visibilityState !== 'visible') return;
      const looked = wasAway();
      if (looked !== undefined) setSince(looked);
      markLook();
    };
    mark();
    const timer = setInterval(mark, MARK_EVERY_MS);
    document.addEventListener('visibilitychange', comeBack);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', comeBack);
    };
  }, []);
  return [sinceMs, () => setSince(undefined)];
}
