// Writes the app's types from the API's description; with --check it says whether they are what they would be.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import openapiTS, { astToString, type OpenAPI3 } from 'openapi-typescript';
import { openApi } from '../server/src/contract/open-api';

const FILE = join(import.meta.dirname, '..', 'app', 'src', 'data', 'api-types.ts');
const BANNER =
  '// Made by `npm run api-types` from the description that the server gives at /api/openapi.json. Not edited by hand.\n';

/** Examples of lists are for readers of the document: here they would be half of the file. */
const withoutLongExamples = (name: string, value: unknown) =>
  name === 'examples' && Array.isArray(value) && typeof value[0] === 'object' ? undefined : value;
const document = JSON.parse(JSON.stringify(openApi('/'), withoutLongExamples)) as OpenAPI3;
const types = BANNER + astToString(await openapiTS(document));
if (!process.argv.includes('--check')) writeFileSync(FILE, types);
else if (readFileSync(FILE, 'utf8') !== types) {
  console.error('app/src/data/api-types.ts is not what the API says: run `npm run api-types`');
  process.exit(1);
}
