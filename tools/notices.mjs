// `npm run notices`: writes NOTICES.md, the packages that Top Lens runs with and their licences, as package-lock.json
// has them. `-- --check` fails when the file is not up to date.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup.mjs';

const FILE = join(root, 'NOTICES.md');
const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
const IN_MODULES = 'node_modules/';

const used = Object.entries(packages)
  .filter(([path, { dev, devOptional, link }]) => path.startsWith(IN_MODULES) && !dev && !devOptional && !link)
  .map(([path, { version, license }]) => ({
    name: path.slice(path.lastIndexOf(IN_MODULES) + IN_MODULES.length),
    version,
    license,
  }));
const byLicense = new Map();
for (const { name, version, license } of used)
  byLicense.set(license, (byLicense.get(license) ?? new Set()).add(`${name} ${version}`));
const text = [
  '# What Top Lens is made with',
  '',
  'Packages that it runs or is built with, by licence; written by `npm run notices` from package-lock.json.',
  ...[...byLicense]
    .sort(([a], [b]) => a.localeCompare(b))
    .flatMap(([license, names]) => ['', `## ${license}`, '', [...names].sort().join(', ')]),
  '',
].join('\n');

if (!process.argv.includes('--check')) writeFileSync(FILE, text);
else if (readFileSync(FILE, 'utf8') !== text) {
  console.error('NOTICES.md is not up to date: run npm run notices');
  process.exit(1);
}
