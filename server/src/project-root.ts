import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

/** The folder with the workspace's package.json, from the working directory upwards. */
export function projectRoot(from = process.cwd()): string {
  for (let dir = resolve(from); ; dir = dirname(dir)) {
    const file = join(dir, 'package.json');
    if (existsSync(file) && (JSON.parse(readFileSync(file, 'utf8')) as { name?: string }).name === 'toplens')
      return dir;
    if (dir === dirname(dir))
      throw new Error(`no Top Lens folder at or above ${from}: start the server from its checkout`);
  }
}

/** Which version of Top Lens this is, by its package.json. */
export const VERSION = (JSON.parse(readFileSync(join(projectRoot(), 'package.json'), 'utf8')) as { version: string })
  .version;
