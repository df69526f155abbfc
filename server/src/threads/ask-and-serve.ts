import type { MessagePort, TransferListItem, Worker } from 'node:worker_threads';
import { Problem, type ProblemCode } from '../errors';
import { WaitingAnswers } from './waiting-answers';

/**
 * The one way in which threads ask each other. A map of questions says for each name what is asked and what is
 * answered; whoever serves the map must have a handler for each of its questions, with the answer that the map says:
 * else it does not compile.
 */
export type QuestionMap<Q> = { [Name in keyof Q]: { ask: unknown; answer: unknown } };

export type Handlers<Q extends QuestionMap<Q>> = {
  [Name in keyof Q]: (question: Q[Name]['ask']) => Q[Name]['answer'] | Promise<Q[Name]['answer']>;
};

type Asked<Q extends QuestionMap<Q>> = {
  [Name in keyof Q]: { id: number; ask: Name; question: Q[Name]['ask'] };
}[keyof Q];
type Answered = { id: number; answer: unknown } | { id: number; fault: Fault };

/** An error on its way between threads: classes do not survive it, these do. */
export interface Fault {
  message: string;
  stack: string | undefined;
  /** SQLSTATE of a statement that failed, and its text */
  sqlstate: string | undefined;
  sql: string | undefined;
  /** the database went away, and is being opened anew */
  isGone: boolean;
  /** for people, from the catalogue of problems */
  problem: { code: ProblemCode; detail: string; extra: Problem['extra'] } | undefined;
}

/** What failed in another thread; its stack is the one from there. */
export class ThreadError extends Error {
  override name = 'ThreadError';
  /** SQLSTATE */
  readonly code: string | undefined;
  readonly sql: string | undefined;
  readonly isGone: boolean;

  constructor({ message, stack, sqlstate, sql, isGone = false }: Pick<Fault, 'message'> & Partial<Fault>) {
    super(message);
    if (stack !== undefined) this.stack = stack;
    this.code = sqlstate;
    this.sql = sql;
    this.isGone = isGone;
  }
}

/**
 * data_corrupted, index_corrupted: PostgreSQL documentation, appendix A. A part of the files cannot be read; everything
 * else can.
 */
export const isDamage = ({ code }: { code?: string }): boolean => code === 'XX001' || code === 'XX002';

export function toFault(error: Error & { code?: string; sql?: string; query?: string; isGone?: boolean }): Fault {
  const { message, stack, code: sqlstate, isGone = false } = error;
  const problem = error instanceof Problem ? { code: error.code, detail: error.detail, extra: error.extra } : undefined;
  return { message, stack, sqlstate: problem ? undefined : sqlstate, sql: error.sql ?? error.query, isGone, problem };
}

const toError = (fault: Fault): Error =>
  fault.problem ? new Problem(fault.problem.code, fault.problem.detail, fault.problem.extra) : new ThreadError(fault);

/** Asks another thread. Messages that are no answers are the caller's own: `take` says which they are. */
export class Client<Q extends QuestionMap<Q>> {
  readonly #waiting = new WaitingAnswers();

  constructor(private readonly port: MessagePort | Worker) {}

  ask<Name extends keyof Q>(
    name: Name,
    question: Q[Name]['ask'],
    transfer: TransferListItem[] = [],
  ): Promise<Q[Name]['answer']> {
    return this.#waiting.ask((id) =>
      (this.port as MessagePort).postMessage({ id, ask: name, question } satisfies Asked<Q>, transfer),
    );
  }

  /** @returns whether the message was an answer */
  take(message: object): boolean {
    if ('fault' in message) {
      const { id, fault } = message as Extract<Answered, { fault: Fault }>;
      this.#waiting.reject(id, toError(fault));
    } else if ('answer' in message) {
      const { id, answer } = message as Extract<Answered, { answer: unknown }>;
      this.#waiting.resolve(id, answer);
    } else return false;
    return true;
  }

  /** Nothing will be answered any more: whoever waits, and whoever asks from now on, is told why. */
  end(error: Error): void {
    this.#waiting.rejectAll(error);
  }

  /** questions that wait for their answers */
  get size(): number {
    return this.#waiting.size;
  }

  get isEnded(): boolean {
    return this.#waiting.isGone;
  }
}

export interface ServeOptions<Q extends QuestionMap<Q>> {
  /** what of an answer is handed over, not copied */
  transfer?: (answer: Q[keyof Q]['answer']) => TransferListItem[];
  /** looks at an error first; `false`: the question gets no answer */
  onError?: (error: Error) => boolean | Promise<boolean>;
}

/** Answers what another thread asks. @returns takes a message, and says whether it was a question */
export function serve<Q extends QuestionMap<Q>>(
  port: MessagePort,
  handlers: Handlers<Q>,
  { transfer, onError }: ServeOptions<Q> = {},
): (message: object) => boolean {
  const answer = async ({ id, ask, question }: Asked<Q>) => {
    try {
      const answered = await handlers[ask](question);
      port.postMessage({ id, answer: answered } satisfies Answered, transfer?.(answered) ?? []);
    } catch (error) {
      if (onError && !(await onError(error as Error))) return;
      port.postMessage({ id, fault: toFault(error as Error) } satisfies Answered);
    }
  };
  return (message) => {
    if (!('ask' in message)) return false;
    void answer(message as Asked<Q>);
    return true;
  };
}
