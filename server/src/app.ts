import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import type { Right } from '@toplens/core/access';
import express, { Router, type Express, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { handoffRoutes } from './api/handoffs';
import { flowRoutes } from './api/flows';
import { healthRoutes } from './api/health';
import { incidentRoutes } from './api/incidents';
import { metricsRoute } from './api/metrics';
import { journeyRoutes } from './api/journeys';
import { pageRoutes } from './api/pages';
import { phoneRoutes } from './api/phones';
import { personRoutes } from './api/persons';
import { promiseRoutes } from './api/promises';
import { happenedRoutes } from './api/happened';
import { probeRoutes, probeScriptRoute } from './api/probes';
import { siteRoutes } from './api/sites';
import { openApi } from './contract/open-api';
import { problemHandler, sendProblem } from './problems';
import { checkTexts, flushed } from './api/before';
import { refusedRoutes } from './api/refused-records';
import { serverStateRoutes } from './api/server-state';
import { unknownRoute } from './api/unknown-route';
import { isUuid } from './api/uuid';
import { settingsRoutes } from './api/settings';
import { accountRoutes } from './api/accounts';
import { alertRoutes } from './api/alerts';
import { boardRoutes } from './api/boards';
import { messageLinks } from './api/message-links';
import { recorded, recordRoutes } from './api/records';
import { senderKeyRoutes } from './api/sender-keys';
import { sessionRoutes } from './api/session';
import { sharedPages } from './api/shared-pages';
import { watchedRoute, Watchers, watchRoutes } from './api/watch';
import type { Accounts } from './access/accounts';
import { authorise } from './access/authorise';
import type { InstallationKeys } from './access/installation-keys';
import { principalOf, whoAsks } from './access/principal';
import type { Provider } from './access/provider';
import type { SenderKeys } from './access/sender-keys';
import type { SessionStore } from './access/session-store';
import { styleHashes } from './access/style-hashes';
import { sessions } from './access/sessions';
import { ownNamesOnly, ownPagesOnly } from './access/own-pages';
import type { Pseudonyms } from './names/pseudonyms';
import type { RunningConfig } from './config';
import type { Engine } from './engine/engine';
import { Problem } from './errors';
import { browserRoutes } from './intake/browser-routes';
import type { Intake } from './intake/intake';
import type { OtlpPorts } from './otlp-ports';
import type { Health } from './maintenance/health';
import { intakeRoutes } from './intake/routes';
import { keyOf } from './intake/sender-key';
import { tellingOwner } from './outbound/account-mail';
import type { Channels } from './outbound/channels';
import type { Desk } from './outbound/desk';
import type { Search } from './search/search';
import type { ChangeSettings } from './api/change-settings';
import { AS_INSTALLED, keptDays } from './settings/retention';
import type { Settings } from './settings/settings';
import { findHandoff } from './store/handoffs';
import { loadChanges } from './store/settings';
import { AuditRecords } from './store/audit-records';
import type { Database } from './store/database';
import { byHash } from './store/secrets';

export interface AppDeps {
  config: RunningConfig;
  settings: Settings;
  database: Database;
  intake: Intake;
  engine: Engine;
  search: Search;
  pseudonyms: Pseudonyms;
  keys: InstallationKeys;
  accounts: Accounts;
  senderKeys: SenderKeys;
  store: SessionStore;
  provider: Provider | undefined;
  health: Health;
  otlp: OtlpPorts;
  changeSettings: ChangeSettings;
  desk: Pick<Desk, 'canReach'>;
  channels: Pick<Channels, 'missing'>;
  log: Logger;
}

const HANDOFFS_A_MINUTE = 60;

/** No page of it asks for any of these. */
const PERMISSIONS = 'camera=(), geolocation=(), microphone=(), payment=(), usb=()';

const hostIn = (address: string): string => (URL.canParse(address) ? new URL(address).host : address);

/** The whole application without a port: `server.ts` listens, tests ask it in process. */
export function buildApp({
  config,
  settings,
  database,
  intake,
  engine,
  search,
  pseudonyms,
  keys,
  accounts,
  senderKeys,
  store,
  provider,
  health,
  otlp,
  changeSettings,
  desk,
  channels,
  log,
}: AppDeps): Express {
  const app = express();
  app.set('trust proxy', config.proxies);
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'"],
          'worker-src': ["'self'"],
          'style-src': ["'self'", ...styleHashes(config.appDir)],
          'font-src': ["'self'", 'data:'],
          'img-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  );
  app.use((_request, response, next) => {
    response.set('permissions-policy', PERMISSIONS);
    next();
  });
  const ownNames = ownNamesOnly([config.publicUrl, config.host, ...config.hosts].map(hostIn));
  // Without keys a page of another name could send telemetry to it as well.
  if (config.demo) app.use(ownNames);
  app.use(intakeRoutes(intake, config));
  app.use(compression());
  app.use(browserRoutes(intake, config));
  app.use(healthRoutes({ intake, engine, health }));
  app.use(probeScriptRoute(database, settings, config));
  const watchers = new Watchers();
  app.use(watchedRoute(database, watchers, config));
  app.use(metricsRoute({ database, intake, engine, health, limits: config.limits }));

  const isSecure = new URL(config.publicUrl).protocol === 'https:';
  const records = new AuditRecords(database);
  app.use(ownNames);
  const api = Router();
  api.use(ownPagesOnly, (_request, response, next) => {
    // What is told of people and money stays in nobody's cache.
    response.set('cache-control', 'no-store');
    next();
  });
  // Source maps are larger than all else: their route reads its own body.
  api.use(/^(?!\/(?:source-maps|name-mappings))/, express.json({ limit: '1mb' }));
  api.use(checkTexts);
  api.get('/openapi.json', (_request, response) => response.json(openApi(config.publicUrl)));
  api.use(sessions(store, keys, isSecure), whoAsks(accounts, config.demo));
  api.use(flushed(database, engine));
  api.use(recorded(records));
  api.use(
    authorise({
      accounts,
      matters: {
        applicationsOf: (id) => engine.ask('applicationsOf', { id }),
        handoff: async (id) => (isUuid(id) ? findHandoff(database, id) : undefined),
        settingOf: async (id) => (await loadChanges(database)).find((change) => change.id === id)?.key,
      },
      hasKey: (request, response, right) => hasKey(request, response, right, config),
      unknownRoute,
    }),
  );
  const tellOwner = tellingOwner(database, channels, config.publicUrl);
  api.use(sessionRoutes({ accounts, store, isDemo: config.demo, provider, tellOwner }));
  api.use(senderKeyRoutes(senderKeys));
  api.use(accountRoutes({ accounts, store, publicUrl: config.publicUrl, tellOwner }));
  api.use(refusedRoutes(database, intake));
  api.use(serverStateRoutes({ intake, engine, health, otlp, config }));
  api.post(
    '/handoffs',
    rateLimit({
      windowMs: 60_000,
      limit: HANDOFFS_A_MINUTE,
      handler: (_request, response) =>
        sendProblem(
          response,
          new Problem('tooMany', `at most ${HANDOFFS_A_MINUTE} handoffs a minute; wait a moment`, { retryAfterS: 60 }),
        ),
    }),
  );
  api.use(incidentRoutes({ database, engine, search }, config.publicUrl));
  api.use(flowRoutes(engine, database));
  api.use(journeyRoutes(engine));
  api.use(promiseRoutes(engine));
  api.use(happenedRoutes({ engine, search }));
  api.use(siteRoutes(engine));
  api.use(probeRoutes(engine));
  api.use(watchRoutes(database, watchers, pseudonyms));
  api.use(pageRoutes({ database, engine, search, maxMapBytes: config.maxMapBytes }));
  api.use(phoneRoutes({ database, engine, search, maxMapBytes: config.maxMapBytes }));
  api.use(
    personRoutes({
      database,
      engine,
      keys: byHash(config.personKeys),
      pseudonyms,
      onErased: (ids) => {
        for (const id of ids) intake.names.forget('person', id);
        search.forget();
      },
    }),
  );
  api.use(
    settingsRoutes(database, engine, {
      file: settings,
      installation: {
        keptDays: keptDays(AS_INSTALLED, config),
        browserKeys: [...config.browserKeys.values()].map(({ component, origins }) => ({
          component,
          origins: [...origins],
        })),
        hasDesk: config.deskUrl !== '',
        // By secret: the names alone are told.
        seesPersons: [...config.personKeys.values()],
      },
      changeSettings,
    }),
  );
  api.use(
    handoffRoutes({ database, engine, search }, { ...config, canReach: (team) => desk.canReach(team), settings }),
  );
  api.use(alertRoutes({ database, engine, channels, settings, publicUrl: config.publicUrl }));
  api.use(recordRoutes(database));
  api.use(boardRoutes({ database, engine, search, settings, publicUrl: config.publicUrl }));
  api.use(unknownRoute);
  app.use('/api', api);
  app.use('/v1', unknownRoute);

  app.use('/shared', sharedPages(database, records));
  app.use('/m', messageLinks(database));

  if (config.appDir !== '' && existsSync(config.appDir)) serveApp(app, config.appDir);
  else
    app.get('/', (_request, response) => {
      response.type('text').send(WITHOUT_APP);
    });
  app.use(problemHandler(log));
  return app;
}

/** Keys that stand beside accounts: of those who see persons by name, and of pipelines that upload. */
function hasKey(
  request: Request,
  response: Response,
  right: Right,
  { personKeys, ingestKeys }: RunningConfig,
): boolean {
  const key = keyOf(request) ?? '';
  // Whether it is anybody's is told where it is used; a visitor of the demo is asked for it there.
  if (right === 'persons') return (key !== '' && personKeys.size > 0) || principalOf(response)?.account === null;
  return right === 'upload' && ingestKeys.has(key);
}

/** Of a server that was started without its interface. */
const WITHOUT_APP =
  'The server of Top Lens runs, without its interface: "npm run build" makes it, then start again. The API is described at /api/openapi.json.\n';

function serveApp(app: Express, dir: string): void {
  // Names of built files hold a hash of their content: they never change. A missing one is an error, not the start
  // page.
  const immutable = { immutable: true, maxAge: '1y', fallthrough: false } as const;
  app.use('/_expo', express.static(join(dir, '_expo'), immutable));
  app.use('/assets', express.static(join(dir, 'assets'), immutable));
  // Maps of the parts of countries: of some there is none, and that is no start page either.
  app.use('/parts', express.static(join(dir, 'parts'), { maxAge: '1d', fallthrough: false }));
  app.use(express.static(dir));
  app.get('/{*path}', (request, response) => {
    // No place of the app is called like a file; what stands below one, as a component, may be: a browser asks for a
    // page then, and for a file with another word of what it accepts.
    const isFile = /^\/[^/]+\.\w+$/.test(request.path) || (/\.\w+$/.test(request.path) && !request.accepts('html'));
    if (isFile) throw new Problem('notFound', `there is no file ${request.path}`);
    response.sendFile(join(dir, 'index.html'));
  });
}
