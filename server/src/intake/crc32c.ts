/** Castagnoli's polynomial, bits reversed. */
const POLYNOMIAL = 0x82f63b78;

/** TABLES[k][b]: remainder of byte b followed by k bytes of zero. */
const TABLES = Array.from({ length: 8 }, () => new Uint32Array(256));
for (let byte = 0; byte < 256; byte++) {
  let remainder = byte;
  for (let bit = 0; bit < 8; bit++) remainder = remainder & 1 ? (remainder >>> 1) ^ POLYNOMIAL : remainder >>> 1;
  (TABLES[0] as Uint32Array)[byte] = remainder;
}
for (let k = 1; k < 8; k++)
  for (let byte = 0; byte < 256; byte++) {
    const shorter = (TABLES[k - 1] as Uint32Array)[byte] as number;
    (TABLES[k] as Uint32Array)[byte] = (shorter >>> 8) ^ ((TABLES[0] as Uint32Array)[shorter & 0xff] as number);
  }
const [T0, T1, T2, T3, T4, T5, T6, T7] = TABLES as [
  Uint32Array,
  Uint32Array,
  Uint32Array,
  Uint32Array,
  Uint32Array,
  Uint32Array,
  Uint32Array,
  Uint32Array,
];

/**
 * CRC-32C (RFC 3720, appendix B.4), eight bytes at a time: some fifteen times as fast as the common package, which the
 * journal would feel. Node itself has CRC-32 alone.
 */
export function crc32c(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  let at = 0;
  const byte = (i: number) => bytes[i] as number;
  for (const end = bytes.length - 7; at < end; at += 8) {
    const low = crc ^ (byte(at) | (byte(at + 1) << 8) | (byte(at + 2) << 16) | (byte(at + 3) << 24));
    crc =
      (T7[low & 0xff] as number) ^
      (T6[(low >>> 8) & 0xff] as number) ^
      (T5[(low >>> 16) & 0xff] as number) ^
      (T4[low >>> 24] as number) ^
      (T3[byte(at + 4)] as number) ^
      (T2[byte(at + 5)] as number) ^
      (T1[byte(at + 6)] as number) ^
      (T0[byte(at + 7)] as number);
  }
  for (; at < bytes.length; at++) crc = (T0[(crc ^ byte(at)) & 0xff] as number) ^ (crc >>> 8);
  return ~crc >>> 0;
}
