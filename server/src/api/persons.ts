import { createHash, randomUUID } from 'node:crypto';
import { csvText } from '@toplens/core/csv';
import { Router, type Request, type Response } from 'express';
import { principalOf } from '../access/principal';
import { whoMaySeePersons, type PersonKeys } from '../access/person-keys';
import type { Pseudonyms } from '../names/pseudonyms';
import type { Engine } from '../engine/engine';
import type { Hurt } from '../engine/incidents/hurt';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import { viewsOfPersons } from '../store/pages';
import { attemptsOf, erasePerson, everythingOf } from '../store/one-person';
import { loadLooks, personIds, personNumbers, recordLook } from '../store/persons';
import { attemptIn, noAttempt } from './attempt-ids';
import { incidentIn, noIncident } from './incident-ids';
import { readFocus, readInput, readWindow } from './query';
import { tell } from './records';
import {
  exportReason,
  findPerson,
  type ErasedPersonShape,
  type HurtShape,
  type PersonShape,
} from '../contract/persons';

const MOST_LISTED = 60;
const MOST_LOOKS = 50;
const MOST_VIEWS = 500;
export interface PersonDeps {
  database: Database;
  engine: Engine;
  keys: PersonKeys;
  pseudonyms: Pseudonyms;
  /** these ids are nobody's from now on */
  onErased: (ids: readonly string[]) => void;
}

/**
 * People whom an incident hurt, without names to everybody and with names to those who may; one person's sessions.
 * Every look by name is recorded.
 */
export function personRoutes({ database, engine, keys, pseudonyms, onErased }: PersonDeps): Router {
  const router = Router();
  const whoSees = (request: Request, response: Response): string => {
    const who = whoMaySeePersons(request, response, keys);
    tell(response, { who });
    return who;
  };

  router.get('/incidents/:id/hurt', async (request, response) => {
    const { people, ...hurt } = await askHurt(engine, request);
    const listed = people.slice(0, MOST_LISTED);
    const ids = await personIds(
      database,
      listed.map(({ person }) => person),
    );
    response.json({
      ...hurt,
      total: people.length,
      gone: people.filter(({ resolution }) => resolution === 'gone').length,
      lost: people.reduce((sum, { lost }) => sum + lost, 0),
      people: listed.map(({ person, ...rest }) => ({ ...rest, person: pseudonyms.of(ids.get(person) ?? '') })),
    } satisfies HurtShape);
  });

  router.post('/incidents/:id/hurt/export', async (request, response) => {
    const who = whoSees(request, response);
    const reason = readInput(exportReason, request.body).why;
    const { people } = await askHurt(engine, request);
    const ids = await personIds(
      database,
      people.map(({ person }) => person),
    );
    // Recorded before anything leaves.
    await recordLook(database, {
      who,
      why: reason,
      what: `people hurt by incident ${request.params.id}, exported`,
      people: people.length,
    });
    response.type('text/csv').attachment(`incident-${request.params.id}-people.csv`).send(toCsv(people, ids));
  });

  /** Whom somebody looks for, by name; kept with the reason before anything is told or done. */
  const lookFor = async (request: Request, who: string, what: (pseudonym: string) => string) => {
    const { find, why } = readInput(findPerson, request.body);
    const names = namesOf(find);
    const persons = await personNumbers(database, names);
    const ids = [...(await personIds(database, persons)).values()];
    const pseudonym = pseudonyms.of(ids[0] ?? find);
    await recordLook(database, { who, why, what: what(pseudonym), people: persons.length });
    if (persons.length === 0)
      throw new Problem('notFound', 'nobody is known under that id, nor under the hash of that address', {
        field: 'find',
      });
    return { persons, ids, names, pseudonym };
  };

  router.post('/people/find', async (request, response) => {
    const who = whoSees(request, response);
    const { persons, pseudonym } = await lookFor(request, who, (person) => `sessions of ${person}`);
    const { fromMs, toMs, attempts } = await engine.ask('person', { persons, window: readWindow(request) });
    const views = await viewsOfPersons(database, persons, { fromMs, toMs }, MOST_VIEWS);
    response.json({ person: pseudonym, window: { fromMs, toMs }, attempts, views } satisfies PersonShape);
  });

  router.post('/people/export', async (request, response) => {
    const who = whoSees(request, response);
    const { persons } = await lookFor(request, who, (person) => `all that is stored of ${person}, exported`);
    const { tables, isCut } = await everythingOf(database, persons);
    const file = { exportedAt: new Date().toISOString(), isCut, ...tables };
    response
      .type('application/json')
      .attachment('person.json')
      .send(JSON.stringify(file, null, 1));
  });

  router.post('/people/erase', async (request, response) => {
    // Whoever erases is told nothing of the person: they need not see persons for it.
    const who = principalOf(response)?.name || 'a visitor';
    const { persons, ids, names, pseudonym } = await lookFor(request, who, (person) => `who ${person} is, erased`);
    const attempts = await attemptsOf(database, persons);
    await erasePerson(database, {
      numbers: persons,
      ids: [...new Set([...ids, ...names])],
      nobody: () => `erased ${randomUUID()}`,
    });
    onErased(ids);
    response.json({ person: pseudonym, attempts } satisfies ErasedPersonShape);
  });

  router.post('/attempts/:traceId/:spanId/unmasked', async (request, response) => {
    const who = whoSees(request, response);
    const { why } = readInput(exportReason, request.body);
    const ids = attemptIn(request.params);
    const masked = (await engine.ask('attempt', ids)) ?? noAttempt(ids);
    await recordLook(database, {
      who,
      why,
      what: `attempt ${ids.spanId} of “${masked.flow.name}”, by name`,
      people: masked.person === '' ? 0 : 1,
    });
    response.json((await engine.ask('attempt', { ...ids, isUnmasked: true })) ?? noAttempt(ids));
  });

  router.get('/person-looks', async (_request, response) => {
    response.json({ looks: await loadLooks(database, MOST_LOOKS) });
  });
  return router;
}

/** @throws Problem 'notFound' */
async function askHurt(engine: Engine, request: Request<{ id: string }>): Promise<Hurt> {
  const id = incidentIn(request.params.id);
  const hurt = await engine.ask('hurt', { id, window: readWindow(request), focus: readFocus(request).focus });
  if (!hurt) throw noIncident(id);
  return hurt;
}

/**
 * What a person may be stored under: the id as it is, or the SHA-256 of an e-mail address, which is how addresses
 * should be sent.
 */
function namesOf(find: string): string[] {
  if (!find.includes('@')) return [find];
  return [find, createHash('sha256').update(find.trim().toLowerCase()).digest('hex')];
}

const COLUMNS = [
  'person',
  'tier',
  'site',
  'region',
  'promotion',
  'flow',
  'late',
  'hung',
  'failed',
  'waited_s',
  'last_utc',
  'became',
  'lost',
];

function toCsv(people: Hurt['people'], ids: ReadonlyMap<number, string>): string {
  const lines = people.map((one) => [
    ids.get(one.person) ?? '',
    one.tier,
    one.site,
    one.region,
    one.promotion,
    one.flow,
    one.late,
    one.hung,
    one.failed,
    Math.round(one.waitedMs / 100) / 10,
    new Date(one.lastMs).toISOString(),
    one.resolution,
    Math.round(one.lost * 100) / 100,
  ]);
  return csvText([COLUMNS, ...lines]);
}
