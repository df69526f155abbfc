import type { Static } from '@sinclair/typebox';
import { STANDINGS, USES } from '@toplens/core/promises';
import { Interval, Window } from './common';
import { get, type Paths } from './paths';
import { windowQuery } from './queries';
import { MS, integer, list, number, oneOf, orNull, record, ref, resource, text } from './words';

const standing = (words: string) =>
  record(
    {
      word: oneOf(STANDINGS, 'against what is usual; unknown: nothing is learned yet, or fewer than thirty came'),
      good: orNull(ref(Interval, 'share of good ones, with its 95 % interval (Wilson); null without any')),
    },
    words,
  );

export const Standing = resource('Standing', 'Every application in three words, and every activity', {
  window: ref(Window, 'what was counted: of a long window its last day'),
  applications: list(
    record({
      application: text('name of the application', 'Courier app'),
      flows: integer('flows that people walk in it', 'flows', 7),
      speed: standing('of attempts that did not fail, those in time by the limit that judges each'),
      answers: standing('of all attempts, those that did not fail'),
      use: record(
        {
          word: oneOf(USES, 'against what is expected at this time of the week'),
          attempts: integer('attempts that came', 'attempts', 1840),
          low: number('begin of the usual range', 'attempts', 1600),
          high: number('end of it', 'attempts', 2100),
        },
        'how much it is used',
      ),
    }),
    'in order of the alphabet',
  ),
  activities: list(
    record({
      id: integer('number of the flow', '1', 3),
      name: text('name of the flow', 'Print labels'),
      application: text('name of the application', 'Courier app'),
      attempts: integer('attempts that came', 'attempts', 1840),
      outside: integer('attempts that were late, hung or failed', 'attempts', 212),
      people: integer('people active, each counted once', 'people', 128),
      peopleOver: integer('of them, people who met a late, hung or failed attempt', 'people', 31),
      usualMs: orNull(number('usual duration; null while nothing is learned', MS, 400)),
      currentMs: orNull(number('half took less; null without any', MS, 420)),
      learnedLimitMs: orNull(number('learned limit; null while nothing is learned', MS, 800)),
      agreedLimitMs: orNull(number("the owner's limit, which judges where there is one; null without one", MS, 1000)),
      sites: list(
        record({
          site: text('name of the site', 'North'),
          valid: integer('attempts that came', 'attempts', 420),
          good: integer('of them, those in time', 'attempts', 410),
        }),
        'as far as sites are told',
      ),
    }),
    'flows that people walk and that anybody walked in the window',
  ),
});
export type StandingShape = Static<typeof Standing>;

export const standingPaths: Paths = {
  '/api/standing': {
    get: get('Every application in three words, and every activity with whom its limit fails', Standing, {
      query: [windowQuery],
    }),
  },
};
