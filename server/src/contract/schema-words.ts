/** Words in which the API's schemas are written (JSON Schema 2020-12). */
export type Schema = Record<string, unknown>;

export const number: Schema = { type: 'number' };
export const integer: Schema = { type: 'integer' };
export const text: Schema = { type: 'string' };
export const flag: Schema = { type: 'boolean' };
export const oneOf = (values: readonly string[]): Schema => ({ type: 'string', enum: values });
export const list = (items: Schema): Schema => ({ type: 'array', items });
export const orNull = (schema: Schema): Schema => ({ oneOf: [schema, { type: 'null' }] });
export const ref = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` });
/** All properties are required: what may be absent is null. */
export const record = (properties: Record<string, Schema>): Schema => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
});
