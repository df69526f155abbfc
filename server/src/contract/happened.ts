import type { Static } from '@sinclair/typebox';
import { HAPPENING_KINDS } from '@toplens/core/happened';
import { object, string } from 'yup';
import { Window } from './common';
import { get, problem, type Paths } from './paths';
import { focusQuery, windowQuery } from './queries';
import { EPOCH_MS, flag, list, number, oneOf, record, ref, resource, text } from './words';

export const happenedQuery = object({
  kind: string().oneOf(HAPPENING_KINDS).meta({ description: 'only what is of this kind', example: 'opened' }),
});

export const Happened = resource('Happened', 'What happened in a window', {
  window: ref(Window, 'what was looked at'),
  isCut: flag('there is more: the newest are told'),
  happenings: list(
    record({
      id: text('the same for the same thing, whenever it is asked for', 'opened-12'),
      kind: oneOf(
        HAPPENING_KINDS,
        'opened, over: an incident; early: what nobody feels yet; handoff: what became of one; proven: by its figures, one is over; promise: its budget is spent; crash: one is new or came back; alert: who was told of what; release: a version was first seen; change: what somebody told',
      ),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      title: text('in words', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
      application: text("name of the application; '' when of none alone", 'Courier app'),
      team: text("team that has it, or should get it; '' when not known", 'Slots Team'),
      path: text('where it is seen in the interface', '/incident/12'),
    }),
    'newest first',
  ),
});
export type HappenedShape = Static<typeof Happened>;

const query = [windowQuery, focusQuery.pick(['application', 'team']), happenedQuery];

const file = (description: string, type: string): Paths[keyof Paths] => ({
  get: {
    ...get(description, Happened, { query }),
    responses: {
      '200': { description, content: { [type]: { schema: { type: 'string' } } } },
      '4XX': problem,
      '5XX': problem,
    },
  },
});

export const happenedPaths: Paths = {
  '/api/happened': { get: get('What happened: incidents, handoffs, releases, changes', Happened, { query }) },
  '/api/happened.json': file('What happened as JSON Feed 1.1, for readers of feeds', 'application/feed+json'),
  '/api/happened.ics': file('What happened as iCalendar (RFC 5545), for calendars', 'text/calendar'),
};
