/**
 * A session's text as a whole number of 32 bits, 0 for none: FNV-1a with the final mix of MurmurHash3 (both public
 * domain; from memory). Among a million sessions of a day about a hundred pairs share a number, which no figure
 * notices.
 */
export function sessionNumber(text: string): number {
  if (text === '') return 0;
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0 || 1;
}
