import { ask } from '../ask';
import { until } from '../processes';
import type { CountingSender } from './sender';

/** Attempts that the server has of the counted flow. */
export const storedAt = async (url: string): Promise<number> => {
  const { flows } = await ask(url, '/api/flow-counts');
  return flows
    .filter(({ technicalName }) => technicalName === 'counted')
    .reduce((sum, { attempts }) => sum + attempts, 0);
};

export interface Balance {
  acknowledged: number;
  stored: number;
  lost: number;
  doubled: number;
}

/** What the server has against what it acknowledged, once it has had the time to store it. */
export async function balanceOf(url: string, sender: CountingSender): Promise<Balance> {
  const { acknowledged, unsure } = sender;
  const stored = await until(
    'all that was acknowledged',
    async () => {
      const n = await storedAt(url);
      return n >= acknowledged && { n };
    },
    30_000,
  ).then(
    ({ n }) => n,
    () => storedAt(url),
  );
  return {
    acknowledged,
    stored,
    lost: Math.max(0, acknowledged - stored),
    doubled: Math.max(0, stored - acknowledged - unsure),
  };
}
