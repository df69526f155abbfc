import * as zlib from 'node:zlib';

/** CRC-32 (ISO 3309), by Node itself. Its types for Node 20 do not list it yet. */
export const crc32 = (zlib as unknown as { crc32: (data: Uint8Array) => number }).crc32;
