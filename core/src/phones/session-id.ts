/**
 * A session's number as the interface names it: 8 hexadecimal digits.
 *
 * @example sessionId(0xc0ffee) // "00c0ffee"
 */
export const sessionId = (session: number): string => session.toString(16).padStart(8, '0');
