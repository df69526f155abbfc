import { createHash } from 'node:crypto';
import { rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Logger } from 'pino';
import { backupStream, type BackupSource } from '../store/backup';

/** Longest path of a socket that all systems take. */
const LONGEST_PATH = 100;

/** Where a running server listens for whoever may read its folder. */
export function adminSocketPath(dataDir: string): string {
  const path = join(resolve(dataDir), 'admin.sock');
  return path.length <= LONGEST_PATH
    ? path
    : join(tmpdir(), `toplens-${createHash('sha256').update(path).digest('hex').slice(0, 16)}.sock`);
}

/** A socket in the data folder, for those who may read that: `GET /backup` is a backup, streamed. */
export class AdminSocket {
  private constructor(
    private readonly server: Server,
    private readonly path: string,
  ) {}

  static async open(dataDir: string, source: BackupSource, log: Logger): Promise<AdminSocket> {
    const path = adminSocketPath(dataDir);
    rmSync(path, { force: true });
    const server = createServer((request, response) => {
      if (request.method !== 'GET' || request.url !== '/backup') return void response.writeHead(404).end();
      const stream = backupStream(source);
      stream.on('error', (error) => {
        log.error({ err: error }, 'a backup could not be made');
        response.destroy(error);
      });
      response.on('close', () => stream.destroy());
      response.writeHead(200, { 'content-type': 'application/gzip' });
      stream.pipe(response);
    });
    await new Promise<void>((done) => {
      // Without it there are no backups on demand; all else works.
      server.once('error', (error) => {
        log.error({ err: error, path }, 'the socket for maintenance cannot be opened');
        done();
      });
      server.listen(path, done);
    });
    return new AdminSocket(server, path);
  }

  async close(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((done) => this.server.close(done));
    rmSync(this.path, { force: true });
  }
}
