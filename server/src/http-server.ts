import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';

/** What is under way when a server closes has so long. */
const GRACE_MS = 1_000;

/**
 * A server that lets nobody hold a connection without sending; it does not listen yet.
 *
 * @param tls certificate and key, PEM: it speaks HTTPS
 * @throws Error when these do not belong together
 */
export function httpServer(maxConnections: number, tls?: { cert: string; key: string }): Server {
  const options = {
    connectionsCheckingInterval: 5_000,
    headersTimeout: 20_000,
    requestTimeout: 60_000,
    keepAliveTimeout: 65_000,
  };
  const http = tls ? createTlsServer({ ...options, ...tls, minVersion: 'TLSv1.2' }) : createServer(options);
  http.maxConnections = maxConnections;
  return http;
}

/** @param port 0: any free one @returns the port @throws NodeJS.ErrnoException when it cannot be opened */
export async function listen(http: Server, { host, port }: { host: string; port: number }): Promise<number> {
  await new Promise<void>((resolve, reject) => {
    http.once('error', reject);
    http.listen(port, host, resolve);
  });
  return (http.address() as AddressInfo).port;
}

/** What is under way may end; what takes longer is cut. */
export async function closeHttp(http: Server): Promise<void> {
  const closed = new Promise((resolve) => http.close(resolve));
  http.closeIdleConnections();
  const cut = setTimeout(() => http.closeAllConnections(), GRACE_MS);
  await closed;
  clearTimeout(cut);
}
