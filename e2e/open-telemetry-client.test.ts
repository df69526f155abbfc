import { fork } from 'node:child_process';
import { once } from 'node:events';
import { ask } from './ask';
import { removeFolder, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

let server: ServerProcess;
let dataDir: string;
beforeAll(async () => {
  dataDir = temporaryFolder();
  server = await startServerProcess(dataDir, {
    TOPLENS_PHONE_KEYS: 'round-protobuf=key-protobuf,round-json=key-json',
  });
}, 60_000);
afterAll(async () => {
  await stop(server.process);
  removeFolder(dataDir);
});

test.each(['protobuf', 'json'])(
  'a service with the OpenTelemetry SDK, exporting %s: its routes are flows with the right counts and failures',
  async (encoding) => {
    const client = fork('e2e/clients/express-service.cjs', [server.url, encoding], {
      execArgv: [],
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    });
    const [{ durations }] = (await once(client, 'message')) as [{ durations: { name: string; ms: number }[] }];
    const flows = await until('its flows', async () => {
      const all = (await ask(server.url, '/api/flow-counts')).flows.filter(
        (flow) => flow.application === `shop-${encoding}`,
      );
      return all.length >= 2 && all;
    });
    expect(
      flows
        .map(({ technicalName, attempts, failed }) => ({ technicalName, attempts, failed }))
        .sort((a, b) => a.attempts - b.attempts),
    ).toEqual([
      { technicalName: 'POST /labels', attempts: 5, failed: 5 },
      { technicalName: 'GET /parcels/:id', attempts: 12, failed: 0 },
    ]);
    for (const flow of flows) {
      const own = durations.filter(({ name }) => name === flow.technicalName);
      expect(own).toHaveLength(flow.attempts);
      const mean = own.reduce((sum, { ms }) => sum + ms, 0) / own.length;
      expect(Math.abs(flow.meanMs - mean)).toBeLessThan(1);
    }
  },
);

test.each(['protobuf', 'json'])(
  'an application on a phone with the OpenTelemetry SDK, exporting %s with names as published: launch, screen, request, tap and crash',
  async (encoding) => {
    const client = fork('e2e/clients/phone.cjs', [server.url, encoding, `key-${encoding}`], {
      execArgv: [],
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    });
    await once(client, 'message');
    const application = `round-${encoding}`;
    const query = `last=60&application=${application}`;
    const group = await until('its crash', async () => {
      const { groups } = await ask(server.url, '/api/phone', { query });
      return groups[0];
    });
    expect(group).toMatchObject({ application, place: 'Photo.keep', crashes: 1 });
    const { addresses } = await ask(server.url, '/api/phone-addresses', { query });
    expect(addresses).toMatchObject([
      { address: 'photos.round.example/photos/{id}', requests: 1, failed: 1, bytesOut: 1000 },
    ]);
    const { sessions } = await ask(server.url, '/api/phone-sessions', { query });
    const session = await ask(server.url, '/api/phone-sessions/{session}', { session: sessions[0]?.session ?? '' });
    expect(session.entries.map(({ kind, what }) => `${kind} ${what}`).sort()).toEqual([
      'crash java.lang.IllegalStateException on Photo',
      'launch cold start',
      'request photos.round.example/photos/{id}',
      'screen Photo',
      'tap Keep photo',
    ]);
  },
);
