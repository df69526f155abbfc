import { addMethod, setLocale, StringSchema } from 'yup';

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  date: 'a time as 2026-03-10T10:00:00Z',
  string: 'a text',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
};
const LONGEST_TOLD = 60;

function told(value: unknown): string {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing');
  return text.length > LONGEST_TOLD ? `${text.slice(0, LONGEST_TOLD)}…` : text;
}

/**
 * What is wrong with a value, in a sentence that names the field and what is expected; the library's own words tell of
 * types and casts. Takes effect for schemas that are made after this module was read: whatever makes one imports it.
 */
setLocale({
  mixed: {
    required: '${path}: is missing',
    notNull: '${path}: is missing',
    defined: '${path}: is missing',
    oneOf: '${path}: expected one of ${values}',
    notType: ({ path, type, originalValue }: { path: string; type: string; originalValue?: unknown }) =>
      `${path}: expected ${KINDS[type] ?? type}, got: ${told(originalValue)}`,
  },
  number: {
    min: '${path}: expected at least ${min}',
    max: '${path}: expected at most ${max}',
    positive: '${path}: expected more than 0',
    integer: '${path}: expected a whole number',
  },
  string: { min: '${path}: expected at least ${min} characters', max: '${path}: expected at most ${max} characters' },
  array: { min: '${path}: expected at least ${min} of them', max: '${path}: expected at most ${max} of them' },
  object: { noUnknown: '${path}: these fields are not known: ${unknown}' },
});

/** Yup's own calls `trim` of whatever came in, also of a list. */
addMethod(StringSchema, 'trim', function trim() {
  return this.transform((value: unknown) => (typeof value === 'string' ? value.trim() : value));
});
