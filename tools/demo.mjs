// `npm run demo`: sets up what is missing, starts the team desk, the server and the demo world, prints the address.
// The world is loaded once; `npm run demo -- --fresh` throws it away and loads a new one.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { MEMORY } from './memory.mjs';
import { app, BUNDLE, bundles, packages, root } from './setup.mjs';

packages();
app();
bundles();

const port = process.env.TOPLENS_PORT ?? '4400';
const deskPort = process.env.TOPLENS_DESK_PORT ?? '4410';
const smtpPort = process.env.TOPLENS_DEMO_SMTP_PORT ?? '4411';
const mailboxPort = process.env.TOPLENS_MAILBOX_PORT ?? '4412';
const messagesPort = process.env.TOPLENS_MESSAGES_PORT ?? '4413';
const roundPort = process.env.TOPLENS_ROUND_PORT ?? '4420';
const ROUND_KEY = 'demo-round';
const ROUND = `127.0.0.1:${roundPort}`;
/** A service whose code can really be watched. */
const SCALES = 'parcel-scales';
const data = join(root, process.env.TOPLENS_DATA ?? 'data/demo');
const url = `http://127.0.0.1:${port}`;
const stamp = join(data, 'world.json');
// After a day without the demo its trouble would be a day old: then a new world is made.
const isOld = () => Date.now() - JSON.parse(readFileSync(stamp, 'utf8')).playedMs > 86_400_000;
if (process.argv.includes('--fresh') || !existsSync(stamp) || isOld()) rmSync(data, { recursive: true, force: true });
mkdirSync(data, { recursive: true });

const env = {
  ...MEMORY,
  ...process.env,
  TOPLENS_PORT: port,
  TOPLENS_DATA: data,
  TOPLENS_DEMO: '1',
  TOPLENS_SETTINGS: 'config/pellwick.json',
  TOPLENS_DESK_URL: `http://127.0.0.1:${deskPort}/handoffs`,
  TOPLENS_SMTP_URL: process.env.TOPLENS_SMTP_URL ?? `smtp://127.0.0.1:${smtpPort}`,
  TOPLENS_MESSAGE_URL: process.env.TOPLENS_MESSAGE_URL ?? `http://127.0.0.1:${messagesPort}/messages`,
  TOPLENS_DESK_TOKEN: process.env.TOPLENS_DESK_TOKEN ?? 'demo-desk',
  TOPLENS_BROWSER_KEYS:
    process.env.TOPLENS_BROWSER_KEYS ?? 'portal-browser=demo-portal@https://portal.pellwick.example',
  TOPLENS_PHONE_KEYS: process.env.TOPLENS_PHONE_KEYS ?? `round-app=${ROUND_KEY}`,
  TOPLENS_DEMO_ROUND_URL: `http://${ROUND}`,
  TOPLENS_SCENARIO_BROWSER_KEY: 'demo-portal',
  TOPLENS_DEMO_PEOPLE: process.env.TOPLENS_DEMO_PEOPLE ?? 'config/pellwick-people.json',
  TOPLENS_PERSON_KEYS: process.env.TOPLENS_PERSON_KEYS ?? 'first support=demo',
  TOPLENS_LOG: process.env.TOPLENS_LOG ?? 'warn',
};
const children = [];
const bundled = (name) => join(root, BUNDLE, `${name}.mjs`);
const start = (name, ...args) => {
  const child = spawn(process.execPath, [bundled(name), ...args], { cwd: root, env, stdio: 'inherit' });
  children.push(child);
  return child;
};
const stop = () => {
  for (const child of children) child.kill('SIGTERM');
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);

const server = start('main');
server.on('exit', (code) => {
  stop();
  process.exitCode = code ?? 0;
});
start('desk-main', deskPort, 'config/pellwick.json');
start('mailbox-main', smtpPort, mailboxPort);
start('messages-main', messagesPort);
start('round-main', roundPort, url, ROUND_KEY);

for (let tries = 0; ; tries++) {
  const ready = await fetch(`${url}/healthz`).then(
    (response) => response.ok,
    () => false,
  );
  if (ready) break;
  if (tries > 240 || server.exitCode !== null) {
    console.error('the server did not start; what it said stands above');
    stop();
    process.exit(1);
  }
  await new Promise((resolve) => setTimeout(resolve, 250));
}
// One probe that really runs; those of the depots are part of the demo world.
start(
  'probe-main',
  ...['--site', 'Head office', '--host', 'probe-head-office', '--server', url, '--spool', join(data, 'probe')],
  ...['--allow', ROUND, '--set', `round=http://${ROUND}`],
);
const known = existsSync(stamp) ? JSON.parse(readFileSync(stamp, 'utf8')) : undefined;
const fromMs = known?.nowMs ?? Date.now();
const scales = spawn(process.execPath, ['--import', bundled('watch'), join(root, 'watch/example/scales.mjs')], {
  cwd: root,
  env: { ...env, OTEL_SERVICE_NAME: SCALES, TOPLENS_WATCH_URL: url, TOPLENS_WATCH_VERSION: '2.4.0' },
  stdio: 'inherit',
});
children.push(scales);
console.log(
  known
    ? 'the demo world goes on where it stopped'
    : 'loading this morning of the demo world; the two weeks before it follow while you look …',
);
const world = spawn(process.execPath, [bundled('load-and-play'), url, join(data, 'truth.json')], {
  cwd: root,
  env: {
    ...env,
    TOPLENS_SCENARIO_NOW: String(fromMs),
    ...(known && { TOPLENS_SCENARIO_RESUME: String(known.playedMs) }),
  },
  stdio: ['ignore', 'pipe', 'inherit'],
});
children.push(world);
const remember = () => writeFileSync(stamp, JSON.stringify({ nowMs: fromMs, playedMs: Date.now() }));
world.stdout.on('data', (chunk) => {
  const text = String(chunk);
  process.stdout.write(text);
  if (text.includes('this morning: 100 %')) console.log(`\nTop Lens is at ${url}\n`);
  // A world that was stopped before it was whole is loaded anew.
  if (!/(?:earlier days|since it was stopped): 100 %/.test(text)) return;
  remember();
  setInterval(remember, 5_000).unref();
  if (!known) start('past-handoffs', url, `http://127.0.0.1:${deskPort}`);
});
if (known) console.log(`\nTop Lens is at ${url}\n`);
