import type { Window } from '@toplens/core/time';
import type { Request } from 'express';
import type { Engine } from '../engine/engine';
import type { WindowQuestion } from '../engine/state/questions';
import { readWindow } from './query';

/** @see liveWindowOf, of what a request asks for */
export const liveWindow = (request: Request, engine: Engine, newest: () => Promise<number>): Promise<Window> =>
  liveWindowOf(readWindow(request), engine, newest);

/**
 * The window that is asked for. A live one ends with the newest that is known, of the engine or of what is asked for:
 * data has its own time.
 *
 * @param newest when the newest of what is asked for happened, milliseconds
 */
export async function liveWindowOf(
  question: WindowQuestion,
  engine: Engine,
  newest: () => Promise<number>,
): Promise<Window> {
  if ('fromMs' in question) return question;
  const toMs = Math.max(engine.figures?.watermarkMs ?? 0, (await newest()) + 1);
  return { fromMs: toMs - question.lengthMs, toMs };
}
