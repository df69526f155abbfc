import type { LogPatternsShape } from '../contract/logs';
import type { PageLoadShape, PageLoadsShape, ScriptErrorsShape } from '../contract/pages';
import type { Window } from '@toplens/core/time';
import type {
  CrashGroupPageShape,
  CrashPageShape,
  PhoneShape,
  PhoneAddressesShape,
  PhoneSessionPageShape,
  PhoneSessionsShape,
} from '../contract/phones';
import type { PhoneQuestion } from './phone';
import type { PagesQuestion } from './page-loads';
import type { ErrorsQuestion } from './script-errors';
import type { LogQuestion } from '../store/log-question';

/** What is asked of stored rows that the engine does not hold. */
export interface SearchQuestions {
  logPatterns: { ask: LogQuestion; answer: LogPatternsShape };
  pageLoads: { ask: PagesQuestion; answer: PageLoadsShape };
  /** 16 hexadecimal digits */
  pageLoad: { ask: string; answer: PageLoadShape | null };
  phone: { ask: PhoneQuestion; answer: PhoneShape };
  crashGroup: { ask: { crash: string; window: Window }; answer: CrashGroupPageShape | null };
  /** 16 hexadecimal digits */
  crash: { ask: string; answer: CrashPageShape | null };
  phoneAddresses: { ask: PhoneQuestion; answer: PhoneAddressesShape };
  phoneSessions: { ask: PhoneQuestion & { address: string | undefined }; answer: PhoneSessionsShape };
  /** number of the session */
  phoneSession: { ask: number; answer: PhoneSessionPageShape | null };
  scriptErrors: { ask: ErrorsQuestion; answer: ScriptErrorsShape };
}

export type SearchName = keyof SearchQuestions;
