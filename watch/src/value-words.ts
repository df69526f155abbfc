import { types } from 'node:util';
import { hideSecrets } from '@toplens/core/masking';
import { cleanText } from '@toplens/core/telemetry';
import type { Found } from './read-variable';

const LONGEST_TEXT = 200;
const LONGEST = 1_000;
const MOST_PARTS = 12;
const DEEPEST = 2;

/**
 * What a variable holds, in a line: short, without secrets, and without running anything of the service.
 *
 * @param name of the variable: behind "password" stands one
 */
export function valueWords(name: string, found: Found): string {
  if ('why' in found) return `(${found.why})`;
  const lead = `${name}: `;
  const told = hideSecrets(`${lead}${shown(found.value, 0)}`);
  // Of one that cannot be stored, all that are sent with it would be refused.
  return cleanText(cut(told.startsWith(lead) ? told.slice(lead.length) : told, LONGEST), LONGEST + 1);
}

const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most)}…` : text);

function shown(value: unknown, depth: number): string {
  switch (typeof value) {
    case 'string':
      return JSON.stringify(cut(value, LONGEST_TEXT));
    case 'bigint':
      return `${value}n`;
    case 'function':
      return types.isProxy(value) ? '(a proxy)' : `(function ${ownText(value, 'name')})`;
    case 'object':
      return value === null ? 'null' : shownObject(value, depth);
    default:
      return String(value);
  }
}

function shownObject(value: object, depth: number): string {
  if (types.isProxy(value)) return '(a proxy)';
  if (types.isDate(value)) return Number.isNaN(Number(value)) ? '(no date)' : Date.prototype.toISOString.call(value);
  if (types.isNativeError(value)) return `(error ${cut(ownText(value, 'message'), LONGEST_TEXT)})`;
  if (types.isMap(value)) return `(map of ${sizeOf(Map.prototype, value)})`;
  if (types.isSet(value)) return `(set of ${sizeOf(Set.prototype, value)})`;
  if (types.isPromise(value)) return '(a promise)';
  if (ArrayBuffer.isView(value)) return `(${value.byteLength} bytes)`;
  // The first places alone: a list may have millions.
  if (Array.isArray(value)) {
    const places = Array.from({ length: Math.min(value.length, MOST_PARTS) }, (_, i) => String(i));
    return list('[', value.length, partsOf(value, depth, places), ']');
  }
  const names = Object.keys(value);
  return list('{', names.length, partsOf(value, depth, names), '}');
}

/** The size of a map or set as it is, whatever its class says of itself. */
const sizeOf = (prototype: object, value: object): number =>
  Number(Object.getOwnPropertyDescriptor(prototype, 'size')?.get?.call(value));

function list(open: string, all: number, parts: string[] | undefined, close: string): string {
  if (parts === undefined) return `${open}${all === 0 ? '' : '…'}${close}`;
  const more = all > parts.length ? `, … ${all - parts.length} more` : '';
  return `${open}${parts.join(', ')}${more}${close}`;
}

/** Undefined where it is too deep to be told. */
function partsOf(value: object, depth: number, names: readonly string[]): string[] | undefined {
  if (depth >= DEEPEST) return undefined;
  return names.slice(0, MOST_PARTS).map((name) => {
    const property = Object.getOwnPropertyDescriptor(value, name) ?? { value: undefined };
    const part = 'value' in property ? shown(property.value, depth + 1) : '(computed)';
    return Array.isArray(value) ? part : `${name}: ${part}`;
  });
}

function ownText(value: object, name: string): string {
  const told: unknown = Object.getOwnPropertyDescriptor(value, name)?.value;
  return typeof told === 'string' ? told : '';
}
