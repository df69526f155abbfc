import type { components, paths } from './api-types';

export type Schemas = components['schemas'];
export type WorstFirst = Schemas['WorstFirst'];
export type Row = Schemas['Row'];
export type Incident = Schemas['Incident'];
export type Series = Schemas['Series'];
export type Handoff = Schemas['Handoff'];
export type HandoffSummary = Schemas['HandoffSummary'];
export type FlowTable = Schemas['FlowTable'];
export type FlowRow = Schemas['FlowRow'];
export type FlowPage = Schemas['FlowPage'];
export type Settings = Schemas['Settings'];
export type ServerState = Schemas['ServerState'];

/** The server said what is wrong (problem+json), or could not be reached. */
export class ApiProblem extends Error {
  override name = 'ApiProblem';
  constructor(
    message: string,
    readonly status: number,
    readonly field?: string,
  ) {
    super(message);
  }
}

/** Nobody is signed in, or not any more. */
export const isSignedOut = (error: unknown): boolean => error instanceof ApiProblem && error.status === 401;

/** @throws ApiProblem with one sentence for people, when the server cannot be reached or says what is wrong */
async function reach(path: string, init?: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiProblem('The server cannot be reached.', 0);
  }
  if (response.ok) return response;
  const problem = (await response.json().catch(() => undefined)) as Schemas['Problem'] | undefined;
  throw new ApiProblem(problem?.detail ?? `The server answered ${response.status}.`, response.status, problem?.field);
}

/** @throws ApiProblem with one sentence for people */
export async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await reach(path, init);
  return (await response.json().catch(() => undefined)) as T;
}

type Method = 'get' | 'post' | 'delete';
type PathWith<M extends Method> = {
  [P in keyof paths]: paths[P] extends { [K in M]: object } ? P : never;
}[keyof paths];
type OperationAt<P extends keyof paths, M extends Method> = Extract<paths[P][M], object>;

/** What stands in the placeholders of a path, and behind its question mark. */
type ParametersOf<Operation> = (Operation extends { parameters: { path: infer Path } }
  ? { path: { [Name in keyof Path]: string | number } }
  : { path?: never }) &
  (Operation extends { parameters: { query?: infer Query } } ? { query?: Query } : { query?: never });

/** What is answered when all is well. */
type AnswerOf<Operation> = Operation extends { responses: infer Responses }
  ? {
      [Status in keyof Responses & (200 | 201)]: Responses[Status] extends {
        content: { 'application/json': infer Answer };
      }
        ? Answer
        : never;
    }[keyof Responses & (200 | 201)]
  : never;
type BodyOf<Operation> = Operation extends { requestBody: { content: { 'application/json': infer Body } } }
  ? Body
  : object;

/** The address of a path of the API. */
export function addressOf(
  template: string,
  { path = {}, query = {} }: { path?: Record<string, string | number>; query?: object } = {},
): string {
  const place = template.replace(/\{(\w+)\}/g, (_whole, name: string) => encodeURIComponent(String(path[name])));
  // Of a list each value comes under the name (OpenAPI: style form, exploded).
  const given = Object.entries(query).flatMap(([name, value]: [string, unknown]) =>
    (Array.isArray(value) ? value : [value])
      .filter((one) => one !== undefined)
      .map((one): [string, string] => [name, String(one)]),
  );
  return given.length > 0 ? `${place}?${new URLSearchParams(given).toString()}` : place;
}

/** Asks a path of the API: which there are, what they take and what they answer is checked against its description. */
export const get = <P extends PathWith<'get'>>(
  path: P,
  parameters: ParametersOf<OperationAt<P, 'get'>>,
): Promise<AnswerOf<OperationAt<P, 'get'>>> => ask(addressOf(path, parameters));

export const post = <P extends PathWith<'post'>>(
  path: P,
  parameters: ParametersOf<OperationAt<P, 'post'>> & {
    body: BodyOf<OperationAt<P, 'post'>>;
    headers?: Record<string, string>;
  },
): Promise<AnswerOf<OperationAt<P, 'post'>>> => send(addressOf(path, parameters), parameters.body, parameters.headers);

export const remove = (
  path: PathWith<'delete'>,
  parameters: ParametersOf<OperationAt<PathWith<'delete'>, 'delete'>>,
): Promise<undefined> => ask(addressOf(path, parameters), { method: 'DELETE' });

const posted = (body: object, headers: Record<string, string>): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json', ...headers },
  body: JSON.stringify(body),
});

export const send = <T>(path: string, body: object, headers: Record<string, string> = {}): Promise<T> =>
  ask<T>(path, posted(body, headers));

/** For answers that are no JSON: files. */
export const getText = async (path: string): Promise<string> => (await reach(path)).text();

/** The same of what is sent something. */
export const sendForText = async (path: string, body: object, headers: Record<string, string> = {}): Promise<string> =>
  (await reach(path, posted(body, headers))).text();
