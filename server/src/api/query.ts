import type { Request } from 'express';
import { ValidationError, type ObjectSchema } from 'yup';
import { DIMENSIONS } from '@toplens/core/telemetry';
import type { AgainstQuestion, Focus, WindowQuestion } from '../engine/state/questions';
import { MINUTE_MS } from '@toplens/core/time';
import { DEFAULT_MINUTES, focusQuery, LONGEST_MINUTES, windowQuery } from '../contract/queries';
import { Problem } from '../errors';

/**
 * Reads what a client sent by a schema.
 *
 * @param stripUnknown fields that the schema does not know are left out; else they are refused
 * @throws Problem 'badInput' naming the field
 */
export function readInput<T extends object>(schema: ObjectSchema<T>, input: unknown, stripUnknown = true): T {
  try {
    return schema.label('request body').validateSync(input, { stripUnknown }) as T;
  } catch (error) {
    if (error instanceof ValidationError)
      throw new Problem('badInput', error.message, { field: error.path ?? 'request body' });
    throw error;
  }
}

/** `last` minutes that move on by themselves, or `from` and `to`. */
export function readWindow(request: Request): WindowQuestion {
  const { last, from, to } = readInput(windowQuery, request.query);
  if (from === undefined && to === undefined) return { lengthMs: (last ?? DEFAULT_MINUTES) * MINUTE_MS };
  if (from === undefined || to === undefined)
    throw new Problem('badInput', 'give both from and to, or last', { field: from === undefined ? 'from' : 'to' });
  return checkWindow({ fromMs: from.getTime(), toMs: to.getTime() });
}

export function checkWindow(window: { fromMs: number; toMs: number }): { fromMs: number; toMs: number } {
  const minutes = (window.toMs - window.fromMs) / MINUTE_MS;
  if (!(minutes >= 1)) throw new Problem('badInput', 'to must lie at least a minute after from', { field: 'to' });
  if (minutes > LONGEST_MINUTES)
    throw new Problem('badInput', 'a window can be 35 days long at most', { field: 'from' });
  return window;
}

/** What a view is narrowed to, and with what it is compared. */
export function readFocus(request: Request): { focus: Focus; against: AgainstQuestion } {
  const { application, flow, team, against, release, ...values } = readInput(focusQuery, request.query);
  const given = DIMENSIONS.flatMap((dimension) => (values[dimension] ? [[dimension, values[dimension]]] : []));
  return {
    against: against === 'release' && release ? { releaseMs: release.getTime() } : against,
    focus: {
      ...(application && { application }),
      ...(flow && { flow }),
      ...(team && { team }),
      values: Object.fromEntries(given) as Focus['values'],
    },
  };
}
