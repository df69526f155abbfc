import type { AnswerTo } from './ask';

/** How a server says it is; it answers so too, with 503, when it is not well. */
export const health = async (server: string): Promise<AnswerTo<'/readyz'>> =>
  (await (await fetch(`${server}/healthz`)).json()) as AnswerTo<'/readyz'>;

/** Whether a server has stored all that it acknowledged. */
export const hasStoredAll = async (server: string): Promise<boolean> => (await health(server)).backlogRecords === 0;
