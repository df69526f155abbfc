import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { RunnerOptions } from './runner';

export const USAGE = `npm run probe -- --site NAME --server URL --key KEY

  --site NAME        where this runner stands; it runs the probes that name it
  --server URL       address of Top Lens
  --key KEY          an ingest key (or TOPLENS_PROBE_KEY, which other users of the machine do not see)
  --allow HOST       an inner address that scripts may ask, as host or host:port; may be given several times
  --set NAME=VALUE   what {{NAME}} in scripts stands for here; may be given several times
  --host NAME        name of this machine; its own when left out
  --spool DIR        where runs wait while the server is away
  --browser PATH     Chromium, for steps that need one`;

/** @throws Error that names what is missing or wrong */
export function readArguments(argv: readonly string[], env: NodeJS.ProcessEnv): Omit<RunnerOptions, 'log'> {
  const { values } = parseArgs({
    args: [...argv],
    options: {
      site: { type: 'string' },
      server: { type: 'string' },
      key: { type: 'string' },
      allow: { type: 'string', multiple: true },
      set: { type: 'string', multiple: true },
      host: { type: 'string' },
      spool: { type: 'string' },
      browser: { type: 'string' },
    },
  });
  const { site = '', server = '', allow = [], set = [], host = hostname() } = values;
  if (site.trim() === '') throw new Error('--site: say where this runner stands');
  if (!URL.canParse(server) || !/^https?:$/.test(new URL(server).protocol))
    throw new Error('--server: expected the address of Top Lens, as http://127.0.0.1:4400');
  const told = set.map((pair) => /^(\w+)=(.+)$/.exec(pair));
  if (told.some((match) => match === null)) throw new Error('--set: expected NAME=VALUE');
  return {
    site: site.trim(),
    host,
    server: server.replace(/\/+$/, ''),
    key: values.key ?? env.TOPLENS_PROBE_KEY ?? '',
    allow,
    values: Object.fromEntries(told.map((match) => [match?.[1] ?? '', match?.[2] ?? ''])),
    spool: values.spool ?? join(tmpdir(), `toplens-probe-${site.trim().replace(/[^\w-]+/g, '-')}`),
    browserPath: values.browser,
  };
}
