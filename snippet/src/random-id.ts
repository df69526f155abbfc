/** Random hexadecimal digits, two a byte; never all zero. */
export function randomId(bytes: 8 | 16): string {
  const values = crypto.getRandomValues(new Uint8Array(bytes));
  values[0] = (values[0] as number) | 1;
  return Array.from(values, (byte) => byte.toString(16).padStart(2, '0')).join('');
}
