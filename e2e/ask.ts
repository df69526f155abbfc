import type { paths } from '../app/src/data/api-types';
import { getJson } from './processes';

type GetPath = { [P in keyof paths]: paths[P] extends { get: object } ? P : never }[keyof paths];

/** What a path of the API answers, by its description. */
export type AnswerTo<P extends GetPath> = paths[P] extends {
  get: { responses: { 200: { content: { 'application/json': infer Answer } } } };
}
  ? Answer
  : never;

/**
 * Asks a path of the API of a running server.
 *
 * @param query as it stands behind the question mark
 * @throws Error with the server's words when it refuses
 */
export const ask = <P extends GetPath>(
  server: string,
  path: P,
  { query = '', ...places }: Record<string, string | number | undefined> = {},
): Promise<AnswerTo<P>> =>
  getJson(
    `${server}${path.replace(/\{(\w+)\}/g, (_whole, name: string) => encodeURIComponent(String(places[name])))}` +
      (query === '' ? '' : `?${query}`),
  );
