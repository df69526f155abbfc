// Writes the app's types from the API's description.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import openapiTS, { astToString, type OpenAPI3 } from 'openapi-typescript';
import { openApi } from '../server/src/contract/open-api';

const types = await openapiTS(openApi('/') as unknown as OpenAPI3);
const banner = '// Made by `npm run api-types` from the description that the server gives at /api/openapi.json. Not edited by hand.\n';
writeFileSync(join(import.meta.dirname, '..', 'app', 'src', 'data', 'api-types.ts'), banner + astToString(types));
