import { cleanLines, cleanText, DEEPEST_VALUE, type AttributeValue, type TelemetryLimits } from '../../telemetry';
import { RecordCount } from './malformed';
import { Reader } from './reader';
import type { Field, Message, Shape } from './shape';

/**
 * A message in protobuf, read by its shape; fields that the shape does not list are skipped by their length.
 *
 * @throws MalformedTelemetry when the bytes end early or a length is impossible
 */
export function messageFromProtobuf<S extends Shape>(bytes: Uint8Array, shape: S, limits: TelemetryLimits): Message<S> {
  const reading = { reader: new Reader(bytes), limits, count: new RecordCount(limits.records) };
  return readMessage(reading, bytes.length, shape) as Message<S>;
}

interface Reading {
  reader: Reader;
  limits: TelemetryLimits;
  count: RecordCount;
}

const fieldsOf = new WeakMap<Shape, ReadonlyMap<number, readonly [name: string, field: Field]>>();

function byNumber(shape: Shape): ReadonlyMap<number, readonly [name: string, field: Field]> {
  let fields = fieldsOf.get(shape);
  if (!fields)
    fieldsOf.set(shape, (fields = new Map(Object.entries(shape).map(([name, field]) => [field[0], [name, field]]))));
  return fields;
}

function readMessage(reading: Reading, length: number, shape: Shape): Record<string, unknown> {
  const { reader, limits, count } = reading;
  const message: Record<string, unknown> = {};
  for (const [name, [, type, many]] of Object.entries(shape))
    if (many) message[name] = [];
    else if (type === 'attributes') message[name] = Object.create(null);
  const fields = byNumber(shape);
  reader.message(length, (number, wireType) => {
    const known = fields.get(number);
    if (!known) return false;
    const [name, [, type, many]] = known;
    if (type === 'attributes') readAttribute(reader, message[name] as Record<string, AttributeValue>, limits);
    else if (typeof type === 'object') {
      if (many) count.add(name);
      const inner = readMessage(reading, reader.length(), type);
      if (many) (message[name] as unknown[]).push(inner);
      else message[name] = inner;
    } else if (many)
      reader.numbers(
        wireType,
        () => readScalar(reading, type) as number,
        message[name] as number[],
        limits.buckets + 1,
      );
    else message[name] = readScalar(reading, type);
    return true;
  });
  return message;
}

function readScalar(
  { reader, limits: { lengths } }: Reading,
  type: Exclude<Field[1], Shape | 'attributes'>,
): string | number | boolean {
  switch (type) {
    case 'text':
      return cleanText(reader.text(), lengths.text);
    case 'id':
      return reader.hex();
    case 'flag':
      return reader.varint() !== 0;
    case 'time':
      return reader.nanosAsMicros();
    case 'count':
      return reader.fixed64();
    case 'signedCount':
      return reader.signedFixed64();
    case 'integer':
      return reader.signedVarint();
    case 'zigzag':
      return reader.zigzag();
    case 'double':
      return reader.double();
    case 'value': {
      const value = readAnyValue(reader, 0);
      return value === undefined
        ? ''
        : cleanLines(typeof value === 'string' ? value : JSON.stringify(value), lengths.value);
    }
  }
}

function readAttribute(
  reader: Reader,
  into: Record<string, AttributeValue>,
  { attributes: most, lengths }: TelemetryLimits,
): void {
  let key = '';
  let value: unknown;
  reader.message(reader.length(), (field) => {
    if (field === 1) key = cleanText(reader.text(), lengths.text);
    else if (field === 2) value = readAnyValue(reader, 0);
    else return false;
    return true;
  });
  if (key === '' || value === undefined || value === null || Object.keys(into).length >= most) return;
  const plain = typeof value === 'object' ? JSON.stringify(value) : (value as AttributeValue);
  into[key] = typeof plain === 'string' ? cleanLines(plain, lengths.value) : plain;
}

/** AnyValue: text, flag, whole number, number, list, named values, bytes (as hexadecimal). */
function readAnyValue(reader: Reader, depth: number): unknown {
  let value: unknown;
  reader.message(reader.length(), (field) => {
    if (field === 1) value = reader.text();
    else if (field === 2) value = reader.varint() !== 0;
    else if (field === 3) value = reader.signedVarint();
    else if (field === 4) {
      const number = reader.double();
      value = Number.isFinite(number) ? number : undefined;
    } else if (field === 5 && depth < DEEPEST_VALUE) {
      const list: unknown[] = [];
      reader.message(reader.length(), (inner) => inner === 1 && list.push(readAnyValue(reader, depth + 1) ?? null) > 0);
      value = list;
    } else if (field === 6 && depth < DEEPEST_VALUE) {
      const named: [string, unknown][] = [];
      reader.message(reader.length(), (inner) => inner === 1 && named.push(readNamed(reader, depth + 1)) > 0);
      value = Object.fromEntries(named);
    } else if (field === 7) value = reader.hex();
    else return false;
    return true;
  });
  return value;
}

function readNamed(reader: Reader, depth: number): [string, unknown] {
  let key = '';
  let value: unknown = null;
  reader.message(reader.length(), (field) => {
    if (field === 1) key = reader.text();
    else if (field === 2) value = readAnyValue(reader, depth) ?? null;
    else return false;
    return true;
  });
  return [key, value];
}
