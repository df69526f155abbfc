import type { JsonSchema } from './from-yup';

interface Schema {
  $ref?: string;
  type?: string;
  examples?: unknown[];
  properties?: Record<string, Schema>;
  items?: Schema;
  anyOf?: Schema[];
}

/**
 * Gives each list, and whatever may be null, an example made of the examples of its members: plain fields have theirs.
 *
 * @param schemas by name; what they refer to is among them
 */
export function withExamples(schemas: Record<string, JsonSchema>): Record<string, JsonSchema> {
  const all = structuredClone(schemas) as Record<string, Schema>;
  const exampleOf = (schema: Schema, above: readonly string[]): unknown => {
    if (schema.examples) return schema.examples[0];
    if (schema.$ref !== undefined) {
      const name = schema.$ref.replace('#/components/schemas/', '');
      // One that holds itself: nothing more is to be seen in there.
      return above.includes(name) ? undefined : exampleOf(all[name] as Schema, [...above, name]);
    }
    if (schema.items) {
      const one = exampleOf(schema.items, above);
      return one === undefined ? [] : [one];
    }
    if (schema.properties)
      return Object.fromEntries(
        Object.entries(schema.properties).map(([name, field]) => [name, exampleOf(field, above)]),
      );
    const [first] = schema.anyOf ?? [];
    return first && exampleOf(first, above);
  };
  const fill = (schema: Schema, above: readonly string[]): void => {
    for (const inner of [...Object.values(schema.properties ?? {}), ...(schema.anyOf ?? [])]) fill(inner, above);
    if (schema.items) fill(schema.items, above);
    if (!schema.examples && (schema.items || schema.anyOf)) schema.examples = [exampleOf(schema, above)];
  };
  for (const [name, schema] of Object.entries(all)) fill(schema, [name]);
  return all as Record<string, JsonSchema>;
}
