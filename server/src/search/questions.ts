import type { Window } from '@toplens/core/time';
import type { LogPatternsShape, PageLoadShape, PageLoadsShape, ScriptErrorsShape } from '../api/shapes';
import type { PagesQuestion } from './page-loads';
import type { ErrorsQuestion } from './script-errors';

export interface LogQuestion {
  components: readonly string[];
  now: Window;
  before: Window;
}

/** What is asked of stored rows that the engine does not hold. */
export interface SearchQuestions {
  logPatterns: { ask: LogQuestion; answer: LogPatternsShape };
  pageLoads: { ask: PagesQuestion; answer: PageLoadsShape };
  /** 16 hexadecimal digits */
  pageLoad: { ask: string; answer: PageLoadShape | null };
  scriptErrors: { ask: ErrorsQuestion; answer: ScriptErrorsShape };
}

export type SearchName = keyof SearchQuestions;
