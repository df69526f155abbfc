import '../input-words';
import { RANKINGS } from '@toplens/core/incidents';
import { DIMENSIONS } from '@toplens/core/telemetry';
import { byName } from '../by-name';
import { AGAINST } from '@toplens/core/time';
import { date, number, object, string } from 'yup';

/** What most questions take: a window, what it is narrowed to, how it is ranked. */

export const LONGEST_MINUTES = 35 * 24 * 60;
export const DEFAULT_MINUTES = 60;

export const windowQuery = object({
  last: number()
    .integer()
    .min(1)
    .max(LONGEST_MINUTES)
    .meta({
      description: `minutes up to the newest judged one; moves on by itself; ${DEFAULT_MINUTES} when nothing is given`,
      unit: 'min',
      example: 60,
    }),
  from: date().meta({ description: 'begin, with `to`', example: '2026-03-02T09:00:00Z' }),
  to: date().meta({ description: 'end, with `from`', example: '2026-03-02T10:00:00Z' }),
});

const text = string().trim().max(300);
const valueOf = (dimension: string) =>
  text.meta({ description: `only attempts of this ${dimension}`, example: 'business' });

export const focusQuery = object({
  application: text.meta({ description: 'only this application', example: 'Courier app' }),
  flow: number().integer().positive().meta({ description: 'only the flow of this number', example: 3 }),
  team: text.meta({ description: 'only what this team has or should get', example: 'Slots Team' }),
  against: string()
    .oneOf(AGAINST)
    .default('nothing')
    .meta({ description: 'with what the window is compared', example: 'week' }),
  release: date().meta({
    description: 'with against=release: before which release, by the moment it was first seen; left out: the newest',
    example: '2026-03-02T09:14:00Z',
  }),
  ...byName(DIMENSIONS, valueOf),
});

export const rankingQuery = object({
  rankBy: string().oneOf(RANKINGS).default('harm').meta({ description: 'what orders the list', example: 'harm' }),
  rates: string()
    .oneOf(['then', 'today'])
    .default('then')
    .meta({ description: 'rates of a past window: as they were set then, or as they are today', example: 'then' }),
});

/** Part of whatever somebody does. @param does what, as in 'say who decides this' */
export const whoDoes = (does: 'changes' | 'decides') => {
  const missing = `who: say who ${does} this`;
  return string()
    .trim()
    .min(1, missing)
    .max(100)
    .required(missing)
    .meta({ description: `who ${does} it`, example: 'Dana' });
};
