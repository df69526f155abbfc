/**
 * A session's text as a whole number of 53 bits, 0 for none. Two 32-bit multiplicative hashes with a final mix
 * (the construction known as cyrb53, public domain; from memory). Among a million sessions the chance of any
 * collision is about 1 in 18,000.
 */
export function sessionNumber(text: string): number {
  if (text === '') return 0;
  let a = 0xdeadbeef;
  let b = 0x41c6ce57;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return 4294967296 * (2097151 & b) + (a >>> 0) || 1;
}
