import type { TSchema } from '@sinclair/typebox';
import type { AnyObject, ObjectSchema } from 'yup';
import { jsonSchemaOf, queryParameters, type JsonSchema } from './from-yup';

/** How the operations of a path are described. */
export type Paths = Record<`/${string}`, Partial<Record<'get' | 'post' | 'delete', JsonSchema>>>;

const reference = (schema: TSchema): JsonSchema => ({ $ref: `#/components/schemas/${schema.title}` });
const json = (schema: JsonSchema): JsonSchema => ({ content: { 'application/json': { schema } } });

/** An answer of one resource. */
export const ok = (answer: TSchema, description: string): JsonSchema => ({ description, ...json(reference(answer)) });

/** Every operation may answer with a problem. */
export const problem: JsonSchema = {
  description: 'what is wrong and the way on',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};

export const path = (name: string, description: string, example: string | number): JsonSchema => ({
  name,
  in: 'path',
  required: true,
  description,
  schema: { type: typeof example === 'number' ? 'integer' : 'string', examples: [example] },
});

interface Asked {
  /** placeholders of the path */
  path?: JsonSchema[];
  /** what is checked by these, in the query */
  query?: ObjectSchema<AnyObject>[];
}

const parametersOf = ({ path: placeholders = [], query = [] }: Asked) => [
  ...placeholders,
  ...query.flatMap(queryParameters),
];
export const get = (summary: string, answer: TSchema, asked: Asked = {}): JsonSchema => ({
  summary,
  parameters: parametersOf(asked),
  responses: { '200': ok(answer, summary), '4XX': problem, '5XX': problem },
});

export const post = (
  summary: string,
  {
    body,
    answers,
    headers = [],
    security,
    ...asked
  }: Asked & { body?: ObjectSchema<AnyObject>; answers: JsonSchema; headers?: JsonSchema[]; security?: JsonSchema[] },
): JsonSchema => ({
  summary,
  parameters: [...parametersOf(asked), ...headers],
  ...(body && { requestBody: { required: true, ...json(jsonSchemaOf(body)) } }),
  responses: { ...answers, '4XX': problem, '5XX': problem },
  ...(security && { security }),
});

export const incidentId = path('id', 'number of the incident', 7);
export const flowId = path('id', 'number of the flow', 3);
export const attemptIds = [
  path('traceId', '32 hexadecimal digits', '4bf92f3577b34da6a3ce929d0e0e4736'),
  path('spanId', '16 hexadecimal digits', '00f067aa0ba902b7'),
];
