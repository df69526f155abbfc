import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
import { numberInput } from './number-input';
import { get, problem, type Paths } from './paths';
import { EPOCH_MS, integer, list, number, orNull, record, resource, text } from './words';

export const Records = resource('Records', 'Who did what, newest first', {
  records: list(
    record({
      id: integer('number: 1, 2, 3 …, without a gap', '1', 412),
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      who: text("who did it, as they said; '' where nobody was asked", 'Dana'),
      address: text('network address that it came from', '10.0.0.7'),
      what: text('what was done', 'Handoff of an incident to a team'),
      about: text('path of the API that was asked', '/api/handoffs'),
      detail: text('what was given, and what stood there before, as JSON', '{"incident":7,"team":"Slots Team"}'),
    }),
    'records',
  ),
  next: orNull(integer('older ones than this come next; null when there are none', '1', 362)),
});
export type RecordsShape = Static<typeof Records>;

export const RecordChain = resource('RecordChain', 'Whether the records are whole: each is chained to the one before', {
  records: integer('how many were read', 'records', 412),
  brokenAt: orNull(integer('the first that does not fit the one before it; null when all do', '1', 17)),
  newest: text("hash of the newest; written down elsewhere, it shows that none is missing; '' without any", '9f86d0…'),
});
export type RecordChainShape = Static<typeof RecordChain>;

export const recordsQuery = object({
  find: string().trim().max(200).default('').meta({ description: 'only those that hold this text', example: 'Dana' }),
  before: numberInput().integer().positive().meta({ description: 'only older ones than this', example: 362 }),
});

export const recordPaths: Paths = {
  '/api/records': { get: get('Who did what, newest first', Records, { query: [recordsQuery] }) },
  '/api/records.csv': {
    get: {
      ...get('The same as a table', Records, { query: [recordsQuery] }),
      responses: {
        '200': { description: 'CSV with a header', content: { 'text/csv': { schema: { type: 'string' } } } },
        '4XX': problem,
        '5XX': problem,
      },
    },
  },
  '/api/records/chain': { get: get('Whether the records are whole', RecordChain) },
};
