import { removeFolder, getJson, startServerProcess, stop, temporaryFolder, until } from './processes';

const ROUNDS = 10;
const SPANS = 50;

const hex = (n: number, length: number) => n.toString(16).padStart(length, '0');
let next = 1;

function batch() {
  const spans = Array.from({ length: SPANS }, () => {
    const id = next++;
    const startMs = Date.now() - 1000;
    return {
      traceId: hex(id, 32),
      spanId: hex(id, 16),
      name: 'x',
      kind: 2,
      startTimeUnixNano: `${startMs}000000`,
      endTimeUnixNano: `${startMs + 5}000000`,
      attributes: [{ key: 'toplens.flow', value: { stringValue: 'counted' } }],
    };
  });
  return JSON.stringify({ resourceSpans: [{ resource: { attributes: [{ key: 'service.name', value: { stringValue: 'shop' } }] }, scopeSpans: [{ spans }] }] });
}

test(`kill -9 in the middle of taking data, ${ROUNDS} rounds: nothing acknowledged is lost, nothing is counted twice`, async () => {
  const dataDir = temporaryFolder();
  let acknowledged = 0;
  let mayBeIn = 0;
  const unanswered: string[] = [];
  try {
    for (let round = 0; round < ROUNDS; round++) {
      const { url, process: server } = await startServerProcess(dataDir);
      const post = (body: string) => fetch(`${url}/v1/traces`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
      // What was not acknowledged before is sent again, as an exporter would: it may be there already.
      for (const body of unanswered.splice(0)) if ((await post(body)).ok) acknowledged += SPANS;
      let running = true;
      const senders = Array.from({ length: 4 }, async () => {
        while (running) {
          const body = batch();
          const ok = await post(body).then(
            async (response) => response.ok && (await response.text(), true),
            () => false,
          );
          if (ok) acknowledged += SPANS;
          else unanswered.push(body);
        }
      });
      await new Promise((resolve) => setTimeout(resolve, 300 + 130 * round));
      await stop(server, 'SIGKILL');
      running = false;
      await Promise.all(senders);
    }
    mayBeIn = unanswered.length * SPANS;
    const { url, process: server } = await startServerProcess(dataDir);
    const count = () => getJson<{ flows: { attempts: number }[] }>(`${url}/api/flow-counts`).then(({ flows }) => flows[0]?.attempts ?? 0);
    const stored = await until('all of it', async () => {
      const n = await count();
      return n >= acknowledged && n;
    });
    expect(acknowledged).toBeGreaterThan(ROUNDS * SPANS);
    expect(stored).toBeGreaterThanOrEqual(acknowledged);
    expect(stored).toBeLessThanOrEqual(acknowledged + mayBeIn);
    await stop(server);
  } finally {
    removeFolder(dataDir);
  }
}, 300_000);
