import { createConfig, lintFromString } from '@redocly/openapi-core';
import { number, object, string } from 'yup';
import { jsonSchemaOf, queryParameters } from './from-yup';
import { openApi } from './open-api';

interface Schema {
  type?: string;
  $ref?: string;
  description?: string;
  'x-unit'?: string;
  examples?: unknown[];
  properties?: Record<string, Schema>;
  items?: Schema;
  anyOf?: Schema[];
}

const document = openApi('https://toplens.example') as {
  components: { schemas: Record<string, Schema> };
  paths: Record<string, Record<string, unknown>>;
};

/** Every field of a schema, with its place. */
function* fieldsOf(schema: Schema, place: string): Generator<[string, Schema]> {
  for (const [name, field] of Object.entries(schema.properties ?? {})) {
    yield [`${place}.${name}`, field];
    yield* fieldsOf(field, `${place}.${name}`);
  }
  if (schema.items) yield* fieldsOf(schema.items, place);
  for (const one of schema.anyOf ?? []) yield* fieldsOf(one, place);
}
const fields = Object.entries(document.components.schemas).flatMap(([name, schema]) => [...fieldsOf(schema, name)]);

test('a linter of OpenAPI finds nothing wrong', async () => {
  const config = await createConfig({ extends: ['recommended'] });
  const problems = await lintFromString({ source: JSON.stringify(document), config });
  expect(problems.map(({ ruleId, message, location }) => `${ruleId}: ${message} ${location[0]?.pointer}`)).toEqual([]);
}, 30_000);

test('every field says what it means; numbers say their unit; what is no record of fields gives an example', () => {
  expect(fields.length).toBeGreaterThan(900);
  const without = fields.filter(([, { description = '' }]) => description === '').map(([place]) => place);
  expect(without).toEqual([]);
  const plain = fields
    .map(([place, field]) => [place, field.anyOf?.[0] ?? field] as const)
    .filter(([, { type }]) => type === 'number' || type === 'integer');
  expect(plain.length).toBeGreaterThan(300);
  expect(plain.filter(([, field]) => !field['x-unit']).map(([place]) => place)).toEqual([]);
  const shown = fields.filter(([, { $ref, properties }]) => $ref === undefined && properties === undefined);
  expect(shown.filter(([, { examples }]) => examples?.length !== 1).map(([place]) => place)).toEqual([]);
  const isEmpty = (example: unknown) => Array.isArray(example) && example.length === 0;
  expect(shown.filter(([, { examples }]) => isEmpty(examples?.[0])).map(([place]) => place)).toEqual([]);
});

test('every operation has a name of its own', () => {
  const ids = Object.values(document.paths).flatMap((methods) =>
    Object.values(methods).map((one) => (one as { operationId: string }).operationId),
  );
  expect(ids).toContain('getIncidentsByIdLostByTier');
  expect(new Set(ids).size).toBe(ids.length);
});

test('inputs are described by the schemas that check them', () => {
  const schema = object({
    team: string().trim().min(1).max(200).required().meta({ description: 'to whom', example: 'Slots Team' }),
    last: number().integer().min(1).default(60).meta({ unit: 'min' }),
    untilMs: number().positive().nullable(),
  });
  expect(jsonSchemaOf(schema)).toEqual({
    type: 'object',
    properties: {
      team: { type: 'string', minLength: 1, maxLength: 200, description: 'to whom', examples: ['Slots Team'] },
      last: { type: 'integer', minimum: 1, default: 60, 'x-unit': 'min' },
      untilMs: { type: ['number', 'null'], exclusiveMinimum: 0 },
    },
    required: ['team'],
  });
  expect(queryParameters(schema).map(({ name, required }) => [name, required])).toEqual([
    ['team', true],
    ['last', false],
    ['untilMs', false],
  ]);
});
