/** An object with a member for each name of a list. @example byName(['a', 'b'], (name) => name + name) // { a: 'aa', b: 'bb' } */
export const byName = <Name extends string, Value>(
  names: readonly Name[],
  valueOf: (name: Name, i: number) => Value,
): Record<Name, Value> => Object.fromEntries(names.map((name, i) => [name, valueOf(name, i)])) as Record<Name, Value>;
