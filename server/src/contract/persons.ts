import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
import { AttemptPage } from './attempts';
import { attemptIds, get, incidentId, ok, post, type Paths } from './paths';
import { focusQuery, windowQuery } from './queries';
import { RESOLUTIONS } from '@toplens/core/incidents';
import { ATTEMPT_KINDS } from '@toplens/core/telemetry';
import { OUTCOMES } from '@toplens/core/flows';
import { Window } from './common';
import { PersonView } from './pages';
import {
  CURRENCY,
  EPOCH_MS,
  MS,
  flag,
  integer,
  list,
  number,
  oneOf,
  orNull,
  record,
  ref,
  resource,
  text,
} from './words';

export const HurtPerson = resource('HurtPerson', 'A person whom an incident hurt', {
  person: text("a pseudonym: tells persons apart, not who they are; '' when not told", 'person 3f9a-20c1'),
  tier: text("tier of the customer; '' when not told", 'business'),
  site: text("site that the attempt came from; '' when not told", 'Depot North'),
  region: text("country or region that the attempt came from; '' when not told", 'NL'),
  promotion: text("promotion under which it came; '' when none", 'spring-2026'),
  flow: text('name of the flow in which it was worst', 'Book a pick-up'),
  late: integer('attempts that took longer than the limit', 'attempts', 140),
  hung: integer('attempts that took so long that people gave up', 'attempts', 4),
  failed: integer('attempts that failed', 'attempts', 31),
  waitedMs: number('time waited beyond the usual', MS, 42000),
  lastMs: number('when it came last', EPOCH_MS, 1772446440000),
  resolution: oneOf(RESOLUTIONS, 'what became of the person'),
  lost: number('value that the person did not complete', CURRENCY, 42.5),
});
export type HurtPersonShape = Static<typeof HurtPerson>;

export const Hurt = resource('Hurt', 'The people whom an incident hurt', {
  window: ref(Window, 'what was looked at'),
  currency: text('currency of all amounts, ISO 4217', 'EUR'),
  total: integer('how many there are', '1', 128),
  gone: integer('people who left and did not come back', 'people', 18),
  lost: number('value that those who left did not complete', CURRENCY, 1840),
  people: list(ref(HurtPerson), 'people, worst off first'),
  concentration: list(
    record({
      dimension: oneOf(['tier', 'promotion', 'site', 'region', 'item'], 'by what attempts are told apart'),
      values: list(
        record({
          value: text('value of the dimension', 'business'),
          people: integer('people, worst off first', '1', 1),
        }),
        'values',
      ),
    }),
    'of each dimension, the values under which most of them came',
  ),
});
export type HurtShape = Static<typeof Hurt>;

export const PersonAttempt = resource('PersonAttempt', 'One attempt of a person', {
  kind: oneOf(ATTEMPT_KINDS, 'what it is'),
  atMs: number('when it was', EPOCH_MS, 1772442840000),
  durationMs: number('how long it took', MS, 1840),
  flow: integer('number of the flow', '1', 3),
  name: text('name of the flow', 'Book a pick-up'),
  application: text('name of the application', 'Courier app'),
  outcome: oneOf(OUTCOMES, 'what became of the attempt'),
  expectedMs: orNull(number('how long it usually takes; null where nothing is known', MS, 420)),
  session: number('number that tells sessions apart; 0 where none is told', '1', 412),
  isProbe: flag('made by a probe, not by a person'),
  site: text("site that the attempt came from; '' when not told", 'Depot North'),
  region: text("country or region that the attempt came from; '' when not told", 'NL'),
  tier: text("tier of the customer; '' when not told", 'business'),
  version: text("version of the component; '' when not told", '4.18.0'),
  value: orNull(number('value completed; null when it carries none', CURRENCY, 42.5)),
  failure: text("what failed; '' when nothing did", 'GatewayTimeout'),
  traceId: text(
    "identity of the trace, 32 hexadecimal digits; '' or null where it is not kept",
    '4bf92f3577b34da6a3ce929d0e0e4736',
  ),
  spanId: text('identity of its first span, 16 hexadecimal digits', '00f067aa0ba902b7'),
});
export type PersonAttemptShape = Static<typeof PersonAttempt>;

export const Person = resource('Person', 'What one person did, in order of time', {
  person: text('the id that was looked for, as it was sent', 'courier-0412'),
  window: ref(Window, 'what was looked at'),
  attempts: list(ref(PersonAttempt), 'what the person did, in order of time'),
  views: list(ref(PersonView), 'pages that the person opened'),
});
export type PersonShape = Static<typeof Person>;

export const PersonLooks = resource('PersonLooks', 'Who looked at persons by name, and why', {
  looks: list(
    record({
      atMs: number('when it was', EPOCH_MS, 1772442840000),
      who: text('who did it', 'Dana'),
      why: text('why, in words', ''),
      what: text('what it was', ''),
      people: integer('persons, each counted once', 'people', 128),
    }),
    'who looked, newest first',
  ),
});
export type PersonLooksShape = Static<typeof PersonLooks>;

const reason = string()
  .trim()
  .min(3, 'why: say in a few words what this is for')
  .max(300)
  .required('why: say what this is for')
  .meta({ description: 'what this is for; recorded', example: 'call back those who lost a pick-up' });

export const exportReason = object({ why: reason });

const WHOM = 'find: an id or an e-mail address';
export const findPerson = object({
  find: string()
    .trim()
    .min(1, WHOM)
    .max(256)
    .required(WHOM)
    .meta({ description: 'an id, or an e-mail address whose SHA-256 is looked for', example: 'courier-0412' }),
  why: reason,
});

export const ErasedPerson = resource('ErasedPerson', 'What was erased of a person', {
  person: text('what the person was called to whoever did not know who it was', 'person 3f9a-20c1'),
  attempts: integer('attempts that are nobody’s now', 'attempts', 412),
});
export type ErasedPersonShape = Static<typeof ErasedPerson>;

const PERSON_KEY = [{ personKey: [] }];

export const personPaths: Paths = {
  '/api/incidents/{id}/hurt': {
    get: get('People whom an incident hurt, worst off first, without names', Hurt, {
      path: [incidentId],
      query: [windowQuery, focusQuery],
    }),
  },
  '/api/incidents/{id}/hurt/export': {
    post: post('People whom an incident hurt with ids, as CSV: needs a key; recorded with who and why', {
      path: [incidentId],
      query: [windowQuery, focusQuery],
      body: exportReason,
      answers: { '200': { description: 'CSV (RFC 4180)', content: { 'text/csv': { schema: { type: 'string' } } } } },
      security: PERSON_KEY,
    }),
  },
  '/api/people/find': {
    post: post('What one person did, in order of time: needs a key; recorded with who and why', {
      query: [windowQuery],
      body: findPerson,
      answers: { '200': ok(Person, 'found') },
      security: PERSON_KEY,
    }),
  },
  '/api/people/export': {
    post: post('All that is stored of one person, as JSON: needs a key; recorded with who and why', {
      body: findPerson,
      answers: {
        '200': {
          description: 'rows by table, with names for numbers and moments in UTC',
          content: { 'application/json': { schema: { type: 'object' } } },
        },
      },
      security: PERSON_KEY,
    }),
  },
  '/api/people/erase': {
    post: post('Takes away who one person is: what was measured stays, of nobody; recorded with who and why', {
      body: findPerson,
      answers: { '200': ok(ErasedPerson, 'erased') },
    }),
  },
  '/api/attempts/{traceId}/{spanId}/unmasked': {
    post: post('One attempt with ids and texts as they were sent: needs a key; recorded with who and why', {
      path: attemptIds,
      body: exportReason,
      answers: { '200': ok(AttemptPage, 'the attempt') },
      security: PERSON_KEY,
    }),
  },
  '/api/person-looks': { get: get('Who looked at persons by name, and why', PersonLooks) },
};
