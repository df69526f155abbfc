import * as zlib from 'node:zlib';

/**
 * CRC-32 (ISO 3309), by Node itself; `before` goes on with an earlier sum. Its types for Node 20 do not list it yet.
 */
export const crc32 = (zlib as unknown as { crc32: (data: Uint8Array, before?: number) => number }).crc32;
