import {
  Type,
  type Static,
  type TNumber,
  type TInteger,
  type TObject,
  type TProperties,
  type TSchema,
} from '@sinclair/typebox';

/**
 * In which the API's resources are described (JSON Schema 2020-12, as OpenAPI 3.1 takes it): each field with what it
 * means, its unit and an example. The server's types follow from the descriptions, the app's from the document that is
 * made of them.
 */

/** Units of numbers that a screen has to know; others are written out. '1': a ratio or a count of itself. */
export const EPOCH_MS = 'ms since the epoch';
export const MS = 'ms';
export const US = 'µs';
export const SHARE = 'share, 0 to 1';
/** Harm: one point is one minute waited. */
export const POINTS = 'point';
export const CURRENCY = 'units of the currency';

export const text = (description: string, example: string) => Type.String({ description, examples: [example] });
export const flag = (description: string) => Type.Boolean({ description, examples: [true] });
export const number = (description: string, unit: string, example: number): TNumber =>
  Type.Number({ description, 'x-unit': unit, examples: [example] });
export const integer = (description: string, unit: string, example: number): TInteger =>
  Type.Integer({ description, 'x-unit': unit, examples: [example] });

/** One of a list that core has. */
export const oneOf = <const Value extends string>(values: readonly Value[], description: string) =>
  Type.Unsafe<Value>({ type: 'string', enum: [...values], description, examples: [values[0]] });

export const orNull = <Schema extends TSchema>(schema: Schema) => {
  const { description, examples } = schema as { description?: string; examples?: unknown[] };
  return Type.Union([schema, Type.Null()], { description, examples });
};

export const list = <Schema extends TSchema>(
  items: Schema,
  description: string,
  length: { minItems?: number; maxItems?: number } = {},
) => Type.Array(items, { description, ...length });

export const texts = (description: string, example: readonly string[]) =>
  Type.Array(Type.String(), { description, examples: [example] });
export const numbers = (
  description: string,
  unit: string,
  example: readonly number[],
  length: { minItems?: number; maxItems?: number } = {},
) => Type.Array(Type.Number(), { description, 'x-unit': unit, examples: [example], ...length });
export const integers = (description: string, unit: string, example: readonly number[]) =>
  Type.Array(Type.Integer(), { description, 'x-unit': unit, examples: [example] });
/** Points of a series; null where nothing is known or nothing came. */
export const numbersOrNull = (description: string) =>
  Type.Array(Type.Union([Type.Number(), Type.Null()]), {
    description,
    'x-unit': 'unit of the measure',
    examples: [[420, 1380, null]],
  });

/** Of a form that others define. */
export const anything = (description: string, example: object) =>
  Type.Unsafe<object>({ type: 'object', description, additionalProperties: true, examples: [example] });

/** All members are required: what may be absent is null. */
export const record = <Properties extends TProperties>(properties: Properties, description?: string) =>
  Type.Object(properties, { additionalProperties: false, ...(description !== undefined && { description }) });

/** A resource of its own, which others refer to by its name. */
export const resource = <Properties extends TProperties>(
  title: string,
  description: string,
  properties: Properties,
): TObject<Properties> => Type.Object(properties, { title, description, additionalProperties: false });

/** A reference to a resource. */
export const ref = <Schema extends TSchema>(to: Schema, description?: string) =>
  Type.Unsafe<Static<Schema>>({
    $ref: `#/components/schemas/${to.title}`,
    ...(description !== undefined && { description }),
  });
