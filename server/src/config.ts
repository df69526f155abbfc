import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

export interface Config {
  host: string;
  port: number;
  dataDir: string;
  settingsFile: string;
  /** folder of the exported app; empty: only the API is served */
  appDir: string;
  /** script that pages include; missing: it is not served */
  snippetFile: string;
  /** takes telemetry without a key */
  demo: boolean;
  /** `source=key` pairs */
  ingestKeys: Map<string, string>;
  /** keys of pages: what their scripts tell is taken from these origins alone */
  browserKeys: Map<string, BrowserKey>;
  /** `who=key` pairs of those who may see persons by name */
  personKeys: Map<string, string>;
  /** bytes of one request, as sent and unpacked */
  maxBodyBytes: number;
  /** spans that wait for the database before senders are told to come back */
  maxBacklogRecords: number;
  /** where the team desk takes handoffs */
  deskUrl: string;
  /** secret that the desk sends with its answers */
  deskToken: string;
  /** how people reach this server; links in briefs begin with it */
  publicUrl: string;
  logLevel: string;
  /** hours that spans below the entries are kept */
  keepSpansHours: number;
  /** traces of usual attempts that are kept of a minute once it is some hours old; all that went wrong stay */
  usualTracesAMinute: number;
  /** days that attempts are kept */
  keepAttemptsDays: number;
}

/** Whose pages send with a key, and where these pages come from. */
export interface BrowserKey {
  /** component that all of it is told of, whatever a browser claims */
  component: string;
  origins: readonly string[];
}

/** The folder with the workspace's package.json, from the working directory upwards. */
export function projectRoot(from = process.cwd()): string {
  for (let dir = resolve(from); ; dir = dirname(dir)) {
    const file = join(dir, 'package.json');
    if (existsSync(file) && (JSON.parse(readFileSync(file, 'utf8')) as { name?: string }).name === 'toplens') return dir;
    if (dir === dirname(dir)) throw new Error(`no Top Lens folder at or above ${from}: start the server from its checkout`);
  }
}

/**
 * Everything that can be configured, with its default. The README lists the variables.
 * @throws Error naming the variable, when a value cannot be used
 */
export function readConfig(env: NodeJS.ProcessEnv = process.env): Config {
  const root = projectRoot();
  const port = whole(env, 'TOPLENS_PORT', 4400, 0, 65535);
  const host = env.TOPLENS_HOST ?? '127.0.0.1';
  return {
    host,
    port,
    dataDir: resolve(root, env.TOPLENS_DATA ?? 'data'),
    settingsFile: resolve(root, env.TOPLENS_SETTINGS ?? 'config/settings.json'),
    appDir: env.TOPLENS_APP === '' ? '' : resolve(root, env.TOPLENS_APP ?? 'app/dist'),
    snippetFile: join(root, 'dist', 'snippet.js'),
    demo: env.TOPLENS_DEMO === '1',
    ingestKeys: readKeys(env.TOPLENS_INGEST_KEYS ?? '', 'TOPLENS_INGEST_KEYS'),
    browserKeys: readBrowserKeys(env.TOPLENS_BROWSER_KEYS ?? ''),
    personKeys: readKeys(env.TOPLENS_PERSON_KEYS ?? '', 'TOPLENS_PERSON_KEYS'),
    maxBodyBytes: whole(env, 'TOPLENS_MAX_BODY_MB', 16, 1, 1024) * 1024 * 1024,
    maxBacklogRecords: whole(env, 'TOPLENS_MAX_BACKLOG', 120_000, 100, 10_000_000),
    deskUrl: env.TOPLENS_DESK_URL ?? '',
    deskToken: env.TOPLENS_DESK_TOKEN ?? '',
    publicUrl: env.TOPLENS_PUBLIC_URL ?? `http://${host}:${port}`,
    logLevel: env.TOPLENS_LOG ?? 'info',
    keepSpansHours: whole(env, 'TOPLENS_KEEP_SPANS_HOURS', 48, 1, 24 * 365),
    usualTracesAMinute: whole(env, 'TOPLENS_USUAL_TRACES_A_MINUTE', 600, 1, 1_000_000),
    keepAttemptsDays: whole(env, 'TOPLENS_KEEP_ATTEMPTS_DAYS', 35, 1, 3650),
  };
}

function whole(env: NodeJS.ProcessEnv, name: string, fallback: number, least: number, most: number): number {
  const text = env[name];
  if (text === undefined || text === '') return fallback;
  const value = Number(text);
  if (!Number.isInteger(value) || value < least || value > most) throw new Error(`${name}: expected a whole number from ${least} to ${most}, got: ${text}`);
  return value;
}

/** name=key pairs, by key. */
function readKeys(text: string, variable: string): Map<string, string> {
  const keys = new Map<string, string>();
  for (const pair of text.split(',').filter(Boolean)) {
    const at = pair.indexOf('=');
    if (at < 1 || at === pair.length - 1) throw new Error(`${variable}: expected name=key, separated by commas`);
    keys.set(pair.slice(at + 1).trim(), pair.slice(0, at).trim());
  }
  return keys;
}

/** component=key@origin|origin, separated by commas. A key stands in the page for everybody to read: it is worth no more than its origins. */
function readBrowserKeys(text: string): Map<string, BrowserKey> {
  const expected = 'TOPLENS_BROWSER_KEYS: expected component=key@https://page.example|https://other.example, separated by commas';
  const keys = new Map<string, BrowserKey>();
  for (const entry of text.split(',').filter(Boolean)) {
    const [, component = '', key = '', list = ''] = /^([^=]+)=([^@]+)@(.+)$/.exec(entry.trim()) ?? [];
    const origins = list.split('|');
    if (component === '' || !origins.every((origin) => URL.canParse(origin) && new URL(origin).origin === origin)) throw new Error(expected);
    keys.set(key, { component, origins });
  }
  return keys;
}
