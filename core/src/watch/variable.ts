/** A variable, and the way from it to what is wanted: `order.items[0].price`. */
export interface Variable {
  /** name of the variable, or `this` */
  root: string;
  /** names of properties and places in lists, in order */
  steps: readonly (string | number)[];
}

export const LONGEST_VARIABLE = 120;

/** Words that are no names of variables: ECMA-262 (2025), 12.7.2, with those of strict code; `this` is one. */
const RESERVED = new Set(
  'await break case catch class const continue debugger default delete do else enum export extends false finally for function if import in instanceof new null return super switch throw true try typeof var void while with yield let static implements interface package private protected public'.split(
    ' ',
  ),
);

const ROOT = /^[\p{ID_Start}$_][\p{ID_Continue}$]*/u;
const STEP = /\.(?<name>[\p{ID_Start}$_][\p{ID_Continue}$]*)|\[(?<place>\d{1,9})\]|\["(?<key>[^"\\\n]{0,80})"\]/uy;

/**
 * Reads the name of a variable with its properties. Whatever calls, computes or assigns is none: what is written here
 * runs inside of somebody's service.
 *
 * @returns undefined when it is anything else
 * @example parseVariable('order.items[0]["unit price"]')
 * // { root: 'order', steps: ['items', 0, 'unit price'] }
 */
export function parseVariable(text: string): Variable | undefined {
  const root = ROOT.exec(text)?.[0];
  if (root === undefined || RESERVED.has(root) || text.length > LONGEST_VARIABLE) return undefined;
  const steps: (string | number)[] = [];
  for (STEP.lastIndex = root.length; STEP.lastIndex < text.length;) {
    const { name, place, key } = STEP.exec(text)?.groups ?? {};
    if (place !== undefined) steps.push(Number(place));
    else if (name !== undefined) steps.push(name);
    else if (key !== undefined) steps.push(key);
    else return undefined;
  }
  return { root, steps };
}
