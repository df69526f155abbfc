import type {
  AnyObject,
  ObjectSchema,
  Schema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup';

/** What a Yup schema cannot say by itself: in `meta()`. */
interface Meta {
  description?: string;
  example?: unknown;
  unit?: string;
}

export type JsonSchema = Record<string, unknown>;

const TESTS: Readonly<Record<string, Readonly<Record<string, readonly [keyword: string, param: string]>>>> = {
  string: { min: ['minLength', 'min'], max: ['maxLength', 'max'] },
  number: { min: ['minimum', 'min'], max: ['maximum', 'max'] },
  array: { min: ['minItems', 'min'], max: ['maxItems', 'max'] },
};

/** JSON Schema of what a Yup schema takes: inputs are described once, where they are checked. */
export const jsonSchemaOf = (schema: Schema): JsonSchema => fromDescription(schema.describe());

function fromDescription(field: SchemaFieldDescription): JsonSchema {
  const one = field as SchemaDescription;
  const { description, example, unit } = (one.meta ?? {}) as Meta;
  const told: JsonSchema = {
    ...typeOf(one),
    ...(description !== undefined && { description }),
    ...(unit !== undefined && { 'x-unit': unit }),
    ...(example !== undefined && { examples: [example] }),
    ...(one.oneOf.length > 0 && { enum: one.oneOf }),
    ...(one.default !== undefined && typeof one.default !== 'object' && { default: one.default }),
  };
  for (const { name, params } of one.tests) {
    const [keyword, param] = TESTS[one.type]?.[name ?? ''] ?? [];
    if (keyword !== undefined && param !== undefined) told[keyword] = params?.[param];
    if (one.type === 'string' && params?.regex instanceof RegExp) told.pattern = params.regex.source;
    // Yup says "more than 0" and "at least 1" with one name.
    if (one.type !== 'number' || name !== 'min' || params?.more === undefined) continue;
    told.exclusiveMinimum = params.more;
    delete told.minimum;
  }
  return one.nullable && told.type !== undefined ? { ...told, type: [told.type, 'null'] } : told;
}

function typeOf(one: SchemaDescription): JsonSchema {
  switch (one.type) {
    case 'number':
      return { type: one.tests.some(({ name }) => name === 'integer') ? 'integer' : 'number' };
    case 'date':
      return { type: 'string', format: 'date-time' };
    case 'array':
      return {
        type: 'array',
        items: fromDescription((one as SchemaInnerTypeDescription).innerType as SchemaFieldDescription),
      };
    case 'object': {
      const { fields } = one as SchemaObjectDescription;
      const required = Object.entries(fields).flatMap(([name, field]) => (isRequired(field) ? [name] : []));
      const properties = Object.fromEntries(
        Object.entries(fields).map(([name, field]) => [name, fromDescription(field)]),
      );
      if (Object.keys(fields).length === 0) return { type: 'object', additionalProperties: true };
      return {
        type: 'object',
        properties,
        ...(required.length > 0 && { required }),
        ...(one.tests.some(({ name }) => name === 'noUnknown') && { additionalProperties: false }),
      };
    }
    case 'mixed':
      return {};
    default:
      return { type: one.type };
  }
}

const isRequired = (field: SchemaFieldDescription) =>
  !(field as SchemaDescription).optional && (field as SchemaDescription).default === undefined;

/** The parameters of a query that is checked by a Yup schema. */
export const queryParameters = (schema: ObjectSchema<AnyObject>): JsonSchema[] =>
  Object.entries(schema.describe().fields).map(([name, field]) => {
    const { description, ...rest } = fromDescription(field);
    return { name, in: 'query', required: isRequired(field), description, schema: rest };
  });
