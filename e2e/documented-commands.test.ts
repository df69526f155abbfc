import { execFile } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { removeFolder, ROOT, startServerProcess, stop, temporaryFolder, type ServerProcess } from './processes';

/** What README and docs tell people to type, as far as it asks a server: run as it stands there. */
const DOCUMENTS = ['README.md', 'docs/attributes.md', 'docs/operations.md'];
const documented = DOCUMENTS.flatMap((document) => {
  const text = readFileSync(join(ROOT, document), 'utf8');
  const blocks = [...text.matchAll(/^```sh\n([\s\S]*?)^```/gm)].map(([, block = '']) => block.trim());
  const inline = [...text.replace(/^```[\s\S]*?^```/gm, '').matchAll(/`(curl [^`]+)`/g)].map(
    ([, command = '']) => command,
  );
  return [...blocks, ...inline]
    .filter((command) => command.includes('curl '))
    .map((command): [document: string, command: string] => [document, command]);
});

let server: ServerProcess;
let dataDir: string;
let folder: string;
beforeAll(async () => {
  dataDir = temporaryFolder();
  folder = temporaryFolder();
  const startedDateTime = new Date(Date.now() - 60_000).toISOString();
  const page = { startedDateTime, id: 'page_1', title: 'https://shop.example/', pageTimings: { onLoad: 900 } };
  const entry = {
    pageref: 'page_1',
    startedDateTime,
    time: 120,
    request: { method: 'GET', url: 'https://shop.example/', headers: [] },
    response: { status: 200, headers: [], content: { size: 10 } },
    timings: { send: 1, wait: 100, receive: 19 },
  };
  writeFileSync(
    join(folder, 'file.har'),
    JSON.stringify({ log: { version: '1.2', creator: { name: 'x', version: '1' }, pages: [page], entries: [entry] } }),
  );
  server = await startServerProcess(dataDir, { TOPLENS_DEMO: '0', TOPLENS_INGEST_KEYS: 'shop=a-secret' });
}, 60_000);
afterAll(async () => {
  await stop(server.process);
  removeFolder(dataDir);
  removeFolder(folder);
});

test('there are commands to run', () => expect(documented.length).toBeGreaterThanOrEqual(4));

test.each(documented)('%s: %s', async (_document, command) => {
  const typed = command
    .replaceAll('http://127.0.0.1:4400', server.url)
    .replaceAll('curl ', 'curl --silent --show-error --fail-with-body ');
  const { stdout } = await promisify(execFile)('bash', ['-c', typed], { cwd: folder });
  // Taken, and nothing of it refused.
  expect(JSON.parse(stdout)).not.toMatchObject({
    rejected: expect.any(Number) as number,
    errorMessage: expect.any(String) as string,
  });
});
