import { csvText } from '@toplens/core/csv';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { principalOf } from '../access/principal';
import { operationOf } from '../contract/open-api';
import { recordsQuery, type RecordsShape } from '../contract/records';
import { listRecords, verifyRecords, type AuditRecords } from '../store/audit-records';
import type { Database } from '../store/database';
import { readInput } from './query';

const MOST_LISTED = 50;
const MOST_EXPORTED = 20_000;
const LONGEST_DETAIL = 8_000;

/** Operations that change nothing, although they are sent like those that do. */
const TRIES: ReadonlySet<string> = new Set(['postSettingsTry', 'postSettingsCalendarRead', 'postAlertsTry']);

/** What a record holds of what was given, where that is not all of it: no persons, and no files. */
const GIVEN: Readonly<Record<string, readonly string[]>> = {
  postIncidentsByIdHurtExport: ['why'],
  postPeopleFind: ['why'],
  postPeopleExport: ['why'],
  postPeopleErase: ['why'],
  postAttemptsByTraceIdBySpanIdUnmasked: ['why'],
  postSourceMaps: ['component', 'version', 'file'],
  postNameMappings: ['application', 'version'],
  postSession: ['mail'],
  postSessionSecondFactor: [],
  postSessionProviderBack: [],
  postAccountPassword: [],
  postAccountSecondFactorConfirm: [],
  postAccountSecondFactorEnd: [],
  postAccountLinksByToken: ['name', 'mail'],
};

const SIGN_INS: ReadonlySet<string> = new Set([
  'postSession',
  'postSessionSecondFactor',
  'postSessionProviderBack',
  'postAccountLinksByToken',
]);

/** Denied to somebody who is known, or a sign-in; whatever strangers send besides would fill the disk. */
const isWorthTelling = (response: Response, operation: string): boolean =>
  (response.statusCode === 403 && principalOf(response) !== undefined) ||
  (response.statusCode === 401 && SIGN_INS.has(operation));

/** The secret of a link stands in its address. */
const withoutSecret = (operation: string, path: string): string =>
  operation.includes('ByToken') ? path.replace(/[^/]+$/, '…') : path;

/** What a handler tells of itself for the record. */
interface Told {
  who?: string;
  before?: unknown;
}
export const tell = (response: Response, told: Told): void => void Object.assign(response.locals, told);

/** Keeps what was done with who, when and from where, before it is answered. */
export const recorded =
  (records: AuditRecords): RequestHandler =>
  (request, response, next) => {
    const operation = operationOf(request.method, `${request.baseUrl}${request.path}`);
    if (!operation) return next();
    const changes = request.method !== 'GET' && !TRIES.has(operation.id);
    const send = response.send.bind(response);
    let isKept = false;
    response.send = (body) => {
      const isDone = changes && response.statusCode < 400;
      const isDenied = isWorthTelling(response, operation.id);
      if (isKept || !(isDone || isDenied)) return send(body);
      isKept = true;
      const { who = principalOf(response)?.name ?? '', before } = response.locals as Told;
      const given = (request.body ?? {}) as Record<string, unknown>;
      records
        .append({
          atMs: Date.now(),
          who: who || nameIn(given),
          address: request.ip ?? '',
          what: isDenied ? `Denied: ${operation.summary}` : operation.summary,
          about: withoutSecret(operation.id, decodeURI(`${request.baseUrl}${request.path}`)),
          detail: detailOf(operation.id, given, before),
        })
        .then(() => send(body), next);
      return response;
    };
    next();
  };

const nameIn = ({ who, by }: Record<string, unknown>): string =>
  [who, by].find((name): name is string => typeof name === 'string') ?? '';

function detailOf(operation: string, given: Record<string, unknown>, before: unknown): string {
  const names = GIVEN[operation] ?? Object.keys(given);
  const told = Object.fromEntries(names.map((name) => [name, given[name]]));
  const text = JSON.stringify(before === undefined ? told : { ...told, before });
  return text.length <= LONGEST_DETAIL ? text : JSON.stringify({ cut: text.slice(0, LONGEST_DETAIL) });
}

/** The records, filtered, out as a table, and whether they are whole. */
export function recordRoutes(database: Database): Router {
  const router = Router();
  const read = (request: Request, most: number) =>
    listRecords(database, { ...readInput(recordsQuery, request.query), most });
  router.get('/records', async (request, response) => {
    const found = await read(request, MOST_LISTED + 1);
    const records = found.slice(0, MOST_LISTED);
    const next = found.length > MOST_LISTED ? (records.at(-1)?.id ?? null) : null;
    response.json({ records, next } satisfies RecordsShape);
  });
  router.get('/records.csv', async (request, response) => {
    const rows = (await read(request, MOST_EXPORTED)).map(({ id, atMs, who, address, what, about, detail }) => [
      id,
      new Date(atMs).toISOString(),
      who,
      address,
      what,
      about,
      detail,
    ]);
    response.type('text/csv').attachment('top-lens-records.csv');
    response.send(csvText([['number', 'time_utc', 'who', 'address', 'what', 'path', 'detail'], ...rows]));
  });
  router.get('/records/chain', async (_request, response) => {
    response.json(await verifyRecords(database));
  });
  return router;
}
