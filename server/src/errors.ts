/** Every error that the API can answer with: code → HTTP status and what the person who sees it can do. */
export const PROBLEMS = {
  badRequest: [400, 'The request cannot be read'],
  badInput: [400, 'A value in the request is not right'],
  noKey: [401, 'A key is needed'],
  notSignedIn: [401, 'You are not signed in'],
  forbidden: [403, 'This is not allowed'],
  notFound: [404, 'There is no such thing here'],
  wrongMethod: [405, 'This address is asked in another way'],
  conflict: [409, 'That does not fit the present state'],
  wrongHost: [421, 'The server is not called so'],
  tooLarge: [413, 'The request is too large'],
  wrongType: [415, 'This content type cannot be read'],
  tooMany: [429, 'Too many requests'],
  cannotKeepUp: [503, 'The server cannot keep up at the moment'],
  diskFull: [503, 'The disk is full'],
  recovering: [503, 'The server is mending itself'],
  stopping: [503, 'The server is stopping'],
  tooHeavy: [503, 'The question is too heavy'],
  providerAway: [503, 'The sign-in service cannot be reached'],
  starting: [503, 'The server is starting'],
  damaged: [500, 'A part of the database is damaged'],
  internal: [500, 'Something went wrong on the server'],
} as const satisfies Record<string, readonly [number, string]>;

export type ProblemCode = keyof typeof PROBLEMS;

/** An error with a place in the catalogue; becomes problem+json (RFC 9457) at the border. */
export class Problem extends Error {
  override name = 'Problem';

  constructor(
    readonly code: ProblemCode,
    /** what is wrong here, and the way on; for people */
    readonly detail: string,
    readonly extra: { field?: string; retryAfterS?: number; allow?: readonly string[] } = {},
  ) {
    super(detail);
  }

  get status(): number {
    return PROBLEMS[this.code][0];
  }
}
