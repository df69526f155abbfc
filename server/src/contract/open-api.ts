import type { TSchema } from '@sinclair/typebox';
import * as accounts from './accounts';
import * as alerts from './alerts';
import * as attempts from './attempts';
import * as boards from './boards';
import * as common from './common';
import * as flows from './flows';
import { withExamples } from './examples';
import type { JsonSchema } from './from-yup';
import * as handoffs from './handoffs';
import * as incidents from './incidents';
import * as infrastructure from './infrastructure';
import * as journeys from './journeys';
import * as logs from './logs';
import * as pages from './pages';
import * as persons from './persons';
import * as phones from './phones';
import * as promises from './promises';
import * as happened from './happened';
import * as probes from './probes';
import * as records from './records';
import * as senderKeys from './sender-keys';
import * as sites from './sites';
import * as standing from './standing';
import * as server from './server';
import * as settings from './settings';
import * as watch from './watch';
import type { Paths } from './paths';
import { telemetryPaths } from './telemetry';

const RESOURCES = [
  common,
  incidents,
  alerts,
  attempts,
  boards,
  flows,
  journeys,
  infrastructure,
  logs,
  pages,
  persons,
  phones,
  promises,
  happened,
  sites,
  accounts,
  senderKeys,
  probes,
  standing,
  handoffs,
  settings,
  records,
  watch,
  server,
];

const isResource = (value: unknown): value is TSchema =>
  typeof value === 'object' && value !== null && 'title' in value && 'properties' in value;

const schemas = withExamples(
  Object.fromEntries(
    RESOURCES.flatMap((resources): unknown[] => Object.values(resources)).flatMap((one): [string, TSchema][] =>
      isResource(one) ? [[one.title as string, one]] : [],
    ),
  ),
);

const PATHS: Paths = {
  ...telemetryPaths,
  ...incidents.incidentPaths,
  ...alerts.alertPaths,
  ...attempts.attemptPaths,
  ...boards.boardPaths,
  ...flows.flowPaths,
  ...journeys.journeyPaths,
  ...infrastructure.infrastructurePaths,
  ...logs.logPaths,
  ...pages.pagePaths,
  ...persons.personPaths,
  ...phones.phonePaths,
  ...promises.promisePaths,
  ...happened.happenedPaths,
  ...sites.sitesPaths,
  ...probes.probePaths,
  ...standing.standingPaths,
  ...handoffs.handoffPaths,
  ...settings.settingsPaths,
  ...accounts.accountPaths,
  ...senderKeys.senderKeyPaths,
  ...records.recordPaths,
  ...watch.watchPaths,
  ...server.serverPaths,
};

const TEMPLATES = Object.entries(PATHS).map(([path, methods]) => ({
  path: path as keyof Paths,
  pattern: new RegExp(
    `^${path
      .toLowerCase()
      .replace(/[.*+?^$()|[\]\\]/g, '\\$&')
      .replace(/\{[^}]+\}/g, '[^/]+')}$`,
  ),
  methods: Object.keys(methods).map((method) => method.toUpperCase()),
}));

/** The methods that a path is asked with; none for one that is not part of the API. */
export const methodsOf = (path: string): string[] =>
  TEMPLATES.filter(({ pattern }) => pattern.test(path)).flatMap(({ methods }) => methods);

interface Operation {
  id: string;
  /** what it does, in words */
  summary: string;
}

/** The operation that a request asks for; undefined for what is not part of the API. */
export function operationOf(method: string, path: string): Operation | undefined {
  const lower = method.toLowerCase() as 'get' | 'post' | 'delete';
  // As Express finds routes: without regard to case, and to a slash at the end.
  const asked = path.toLowerCase().replace(/\/$/, '');
  const template = TEMPLATES.find(({ pattern, methods }) => methods.includes(method) && pattern.test(asked))?.path;
  const described = template && (PATHS[template]?.[lower] as { summary?: string } | undefined);
  return template && described ? { id: operationId(lower, template), summary: described.summary ?? '' } : undefined;
}

/** `getFlowsByIdField` for GET /api/flows/{id}/field. */
const operationId = (method: string, path: string): string =>
  method +
  path
    .replace(/^\/(?:api\/)?/, '/')
    .replaceAll('{', 'by-')
    .replace(/[^a-zA-Z0-9]+([a-zA-Z0-9])/g, (_whole, letter: string) => letter.toUpperCase())
    .replace(/\W/g, '');

const withIds = (paths: Paths): JsonSchema =>
  Object.fromEntries(
    Object.entries(paths).map(([path, methods]) => [
      path,
      Object.fromEntries(
        Object.entries(methods).map(([method, one]) => [method, { operationId: operationId(method, path), ...one }]),
      ),
    ]),
  );

/**
 * The API's description, OpenAPI 3.1: made of what each resource says of itself. The app's types are made from it; a
 * test checks real answers against it.
 */
export function openApi(url: string): JsonSchema {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Top Lens',
      version: '0.1.0',
      description: 'Performance incidents ranked by what they do to people. Numbers carry their unit as `x-unit`.',
      license: { name: 'not licensed to others', identifier: 'LicenseRef-UNLICENSED' },
    },
    servers: [{ url }],
    security: [],
    paths: withIds(PATHS),
    components: {
      schemas,
      securitySchemes: {
        ingestKey: { type: 'http', scheme: 'bearer', description: 'a key of TOPLENS_INGEST_KEYS' },
        personKey: { type: 'http', scheme: 'bearer', description: 'a key of TOPLENS_PERSON_KEYS' },
        deskToken: { type: 'http', scheme: 'bearer', description: 'TOPLENS_DESK_TOKEN' },
      },
    },
  };
}
