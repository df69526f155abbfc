import { createGunzip } from 'node:zlib';
import type { Request } from 'express';
import { Problem } from '../errors';

/** The unpacked body, never more than `maxBytes` of it in memory. */
export function readBody(request: Request, maxBytes: number): Promise<Uint8Array> {
  const packing = (request.headers['content-encoding'] ?? 'identity').toLowerCase();
  if (packing !== 'identity' && packing !== 'gzip')
    throw new Problem('wrongType', `content-encoding: expected gzip or none, got: ${packing}`, { field: 'content-encoding' });
  const tooLarge = () => new Problem('tooLarge', `the body is larger than ${maxBytes} bytes: send smaller batches`, { field: 'request body' });
  if (Number(request.headers['content-length'] ?? 0) > maxBytes) throw tooLarge();
  const gunzip = packing === 'gzip' ? createGunzip() : undefined;
  const source = gunzip ? request.pipe(gunzip) : request;
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    let size = 0;
    source.on('data', (chunk: Buffer) => {
      size += chunk.length;
      if (size > maxBytes) {
        request.unpipe();
        source.removeAllListeners('data');
        reject(tooLarge());
      } else chunks.push(chunk);
    });
    source.on('end', () => resolve(chunks.length === 1 ? (chunks[0] as Buffer) : Buffer.concat(chunks)));
    source.on('error', (error: Error) => reject(new Problem('badRequest', `the body cannot be unpacked: ${error.message}`, { field: 'request body' })));
    request.on('aborted', () => reject(new Problem('badRequest', 'the connection ended before the body did')));
  });
}
