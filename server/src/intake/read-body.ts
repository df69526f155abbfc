import { createGunzip } from 'node:zlib';
import type { Request } from 'express';
import { Problem } from '../errors';
import type { IntakeLimits } from './limits';

/** Below so many bytes a body may be packed as tightly as it likes. */
const UNPACKED_FREELY = 1024 * 1024;

export interface BodyLimits extends Pick<IntakeLimits, 'unpackRatio' | 'bodiesBytes'> {
  /** of this body, unpacked */
  bytes: number;
}

/** Bytes of all bodies that are being read. */
let beingRead = 0;

/**
 * The unpacked body, never more of it in memory than it may have.
 * @throws Problem 'tooLarge', 'wrongType', 'badRequest'; 'cannotKeepUp' while the bodies of others take the room
 */
export async function readBody(request: Request, limits: BodyLimits): Promise<Uint8Array> {
  const packing = (request.headers['content-encoding'] ?? 'identity').toLowerCase();
  if (packing !== 'identity' && packing !== 'gzip')
    throw new Problem('wrongType', `content-encoding: expected gzip or none, got: ${packing.slice(0, 100)}`, {
      field: 'content-encoding',
    });
  const tooLarge = (words: string) => new Problem('tooLarge', words, { field: 'request body' });
  const larger = `the body is larger than ${limits.bytes} bytes: send smaller batches`;
  if (Number(request.headers['content-length'] ?? 0) > limits.bytes) throw tooLarge(larger);
  let [packed, size] = [0, 0];
  const whyTooMuch = (): Problem | undefined => {
    if (size > limits.bytes) return tooLarge(larger);
    if (size > UNPACKED_FREELY && size > limits.unpackRatio * packed)
      return tooLarge(
        `the body unpacks to more than ${limits.unpackRatio} times its size: send it less tightly packed, or in smaller batches`,
      );
    if (beingRead > limits.bodiesBytes)
      return new Problem(
        'cannotKeepUp',
        'Too many large requests are being read. Nothing of this one was taken: send it again.',
        { retryAfterS: 1 },
      );
    return undefined;
  };
  try {
    return await new Promise<Uint8Array>((resolve, reject) => {
      const chunks: Buffer[] = [];
      const source = packing === 'gzip' ? createGunzip() : request;
      if (packing === 'gzip') {
        request.on('data', (chunk: Buffer) => (packed += chunk.length));
        request.pipe(source as ReturnType<typeof createGunzip>);
      }
      const take = (chunk: Buffer) => {
        size += chunk.length;
        beingRead += chunk.length;
        if (packing !== 'gzip') packed = size;
        const problem = whyTooMuch();
        if (!problem) return void chunks.push(chunk);
        chunks.length = 0;
        source.off('data', take);
        request.unpipe();
        reject(problem);
      };
      source.on('data', take);
      source.on('end', () => resolve(chunks.length === 1 ? (chunks[0] as Buffer) : Buffer.concat(chunks)));
      source.on('error', (error: Error) =>
        reject(new Problem('badRequest', `the body cannot be unpacked: ${error.message}`, { field: 'request body' })),
      );
      request.on('aborted', () => reject(new Problem('badRequest', 'the connection ended before the body did')));
    });
  } finally {
    beingRead -= size;
  }
}
