import type { components } from './api-types';

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

const posted = (body: object, headers: Record<string, string>): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json', ...headers },
  body: JSON.stringify(body),
});

export const send = <T>(path: string, body: object, headers: Record<string, string> = {}): Promise<T> => ask<T>(path, posted(body, headers));

/** For answers that are no JSON: files. */
export const sendForText = async (path: string, body: object, headers: Record<string, string> = {}): Promise<string> =>
  (await reach(path, posted(body, headers))).text();
