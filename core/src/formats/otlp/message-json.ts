import { cleanLines, cleanText, DEEPEST_VALUE, type AttributeValue, type TelemetryLimits } from '../../telemetry';
import { asArray, asObject, readTime, type Json } from './json-values';
import { RecordCount } from './malformed';
import type { Field, Message, Shape } from './shape';

/**
 * A message in the JSON mapping of the OTLP specification 1.x, read by its shape: ids in hexadecimal, 64-bit numbers as
 * decimal text or number, unknown keys ignored.
 *
 * @param json what JSON.parse gave
 * @throws MalformedTelemetry naming the field, when the form is not that of the protocol
 */
export function messageFromJson<S extends Shape>(json: unknown, shape: S, limits: TelemetryLimits): Message<S> {
  const reading = { limits, count: new RecordCount(limits.records) };
  return readMessage(asObject(json, 'request body'), shape, '', reading) as Message<S>;
}

interface Reading {
  limits: TelemetryLimits;
  count: RecordCount;
}

function readMessage(json: Json, shape: Shape, path: string, reading: Reading): Record<string, unknown> {
  const message: Record<string, unknown> = {};
  for (const [name, [, type, many]] of Object.entries(shape)) {
    const place = path === '' ? name : `${path}.${name}`;
    const value = json[name];
    if (type === 'attributes') message[name] = readAttributes(value, place, reading.limits);
    else if (many) message[name] = readMany(asArray(value, place), type, place, reading);
    // proto3 writes null for what is not set.
    else if (value !== undefined && value !== null) message[name] = readOne(value, type, place, reading);
  }
  return message;
}

/** One bucket more than there may be is read, so that it is noticed. */
function readMany(list: unknown[], type: Exclude<Field[1], 'attributes'>, path: string, reading: Reading): unknown[] {
  const isMessage = typeof type === 'object';
  return (isMessage ? list : list.slice(0, reading.limits.buckets + 1)).map((one, i) => {
    if (isMessage) reading.count.add(path);
    return readOne(one, type, `${path}[${i}]`, reading);
  });
}

function readOne(value: unknown, type: Exclude<Field[1], 'attributes'>, path: string, reading: Reading): unknown {
  if (typeof type === 'object') return readMessage(asObject(value, path), type, path, reading);
  switch (type) {
    case 'text':
      return cleanText(typeof value === 'string' ? value : '', reading.limits.lengths.text);
    case 'id':
      return typeof value === 'string' ? value.toLowerCase() : '';
    case 'flag':
      return value === true;
    case 'time':
      return readTime(value);
    case 'value': {
      const any = anyValue(value, 0);
      return any === undefined
        ? ''
        : cleanLines(typeof any === 'string' ? any : JSON.stringify(any), reading.limits.lengths.value);
    }
    default:
      // Numbers that JSON has no form for are written as text: "NaN", "Infinity".
      return typeof value === 'number' || typeof value === 'string' ? Number(value) : NaN;
  }
}

function readAttributes(
  list: unknown,
  path: string,
  { attributes: most, lengths }: TelemetryLimits,
): Record<string, AttributeValue> {
  const attributes = Object.create(null) as Record<string, AttributeValue>;
  let n = 0;
  for (const entry of asArray(list, path)) {
    const { key, value } = asObject(entry, path);
    const any = anyValue(value, 0);
    if (typeof key !== 'string' || key === '' || any === undefined || any === null || n >= most) continue;
    n++;
    const plain = typeof any === 'object' ? JSON.stringify(any) : (any as AttributeValue);
    attributes[cleanText(key, lengths.text)] = typeof plain === 'string' ? cleanLines(plain, lengths.value) : plain;
  }
  return attributes;
}

/** AnyValue: text, flag, number, list, named values, bytes (base64 in JSON, told as hexadecimal). */
function anyValue(value: unknown, depth: number): unknown {
  if (value === null || typeof value !== 'object' || depth > DEEPEST_VALUE) return undefined;
  const any = value as Json;
  if (typeof any.stringValue === 'string') return any.stringValue;
  if (typeof any.boolValue === 'boolean') return any.boolValue;
  const number = any.intValue ?? any.doubleValue;
  if (typeof number === 'number' || typeof number === 'string')
    return Number.isFinite(Number(number)) ? Number(number) : undefined;
  if (typeof any.bytesValue === 'string') return hexOfBase64(any.bytesValue);
  if (any.arrayValue) return listOf(any.arrayValue).map((one) => anyValue(one, depth + 1) ?? null);
  if (any.kvlistValue)
    return Object.fromEntries(
      listOf(any.kvlistValue).map((one) => {
        const { key, value: inner } = asObject(one, 'kvlistValue.values');
        return [typeof key === 'string' ? key : '', anyValue(inner, depth + 1) ?? null];
      }),
    );
  return undefined;
}

const listOf = (holder: unknown): unknown[] => {
  const values = (holder as Json).values;
  return Array.isArray(values) ? values : [];
};

function hexOfBase64(text: string): string {
  const clean = text.replace(/[^A-Za-z0-9+/]/g, '');
  // A single character left over tells no byte, and would be refused.
  const whole = clean.length % 4 === 1 ? clean.slice(0, -1) : clean;
  return Array.from(atob(whole), (char) => char.charCodeAt(0).toString(16).padStart(2, '0')).join('');
}
