import { types } from 'node:util';
import type { Variable } from '@toplens/core/watch';

/** What was found, or a word about why nothing was read. */
export type Found = { value: unknown } | { why: string };

/**
 * Goes from a variable to what is wanted. Nothing of the service runs by it: properties that are computed, and proxies,
 * are left alone.
 *
 * @param root reads the variable itself; throws where it is not known
 */
export function readVariable(root: () => unknown, { steps }: Variable): Found {
  let value: unknown;
  try {
    value = root();
  } catch {
    return { why: 'not known at this line' };
  }
  for (const step of steps) {
    if (value === null || value === undefined) return { why: `${String(value)} has no ${step}` };
    // A text knows its length and its signs; other plain values have nothing of their own.
    const holder = Object(value) as object;
    if (types.isProxy(holder)) return { why: 'a proxy: not read' };
    const property = propertyOf(holder, String(step));
    if (property === undefined) return { why: `no ${step}` };
    if (!('value' in property)) return { why: `${step} is computed: not read` };
    value = property.value;
  }
  return { value };
}

function propertyOf(holder: object, name: string): PropertyDescriptor | undefined {
  for (let at: object | null = holder; at !== null; at = Object.getPrototypeOf(at) as object | null) {
    if (types.isProxy(at)) return undefined;
    const property = Object.getOwnPropertyDescriptor(at, name);
    if (property) return property;
  }
  return undefined;
}
