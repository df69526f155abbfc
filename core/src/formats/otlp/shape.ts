import type { AttributeValue } from '../../telemetry';

/**
 * How a field of a message is written, in protobuf and in the JSON mapping of the OTLP specification 1.x:
 * - `text`; `id`: bytes, hexadecimal in JSON; `flag`: bool
 * - `time`: fixed64 nanoseconds, read as whole microseconds; `count`: fixed64; `signedCount`: sfixed64
 * - `integer`: varint; `zigzag`: sint32; `double`
 * - `attributes`: KeyValue list; `value`: AnyValue as text
 */
export type FieldType =
  'text' | 'id' | 'flag' | 'time' | 'count' | 'signedCount' | 'integer' | 'zigzag' | 'double' | 'attributes' | 'value';

/** Number of the field, its type or the shape of the message in it, and whether there may be many. */
export type Field = readonly [number: number, type: FieldType | Shape, many?: 'many'];

/** A message: its fields by their names in JSON. What is not listed is skipped. */
export interface Shape {
  readonly [name: string]: Field;
}

/** All attributes of a message by name; `null`-prototyped, since senders choose the names. */
export type AnyAttributes = Readonly<Record<string, AttributeValue>>;

interface Values {
  text: string;
  id: string;
  flag: boolean;
  time: number;
  count: number;
  signedCount: number;
  integer: number;
  zigzag: number;
  double: number;
  attributes: AnyAttributes;
  value: string;
}

type ValueOf<T> = T extends keyof Values ? Values[T] : T extends Shape ? Message<T> : never;

/** A message as read: fields that were not sent are missing, except lists, which are empty. */
export type Message<S extends Shape> = {
  readonly [Name in keyof S as S[Name] extends readonly [number, unknown, 'many'] ? Name : never]: readonly ValueOf<
    S[Name][1]
  >[];
} & {
  readonly [Name in keyof S as S[Name] extends readonly [number, unknown, 'many'] ? never : Name]?: ValueOf<S[Name][1]>;
};
