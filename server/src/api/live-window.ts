import type { Window } from '@toplens/core/time';
import type { Request } from 'express';
import type { Engine } from '../engine/engine';
import { readWindow } from './query';

/**
 * The window that is asked for. A live one ends with the newest that is known, of the engine or of what is asked for:
 * data has its own time.
 *
 * @param newest when the newest of what is asked for happened, milliseconds
 */
export async function liveWindow(request: Request, engine: Engine, newest: () => Promise<number>): Promise<Window> {
  const question = readWindow(request);
  if ('fromMs' in question) return question;
  const toMs = Math.max(engine.figures?.watermarkMs ?? 0, (await newest()) + 1);
  return { fromMs: toMs - question.lengthMs, toMs };
}
