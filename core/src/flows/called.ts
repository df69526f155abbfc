import { textOf, type Attributes } from '../telemetry';

/**
 * The store that a span calls, as a component; '' for all that is no call to a store. Both generations of the database
 * conventions are read: `db.namespace`, `db.system.name` and `server.address`, and `db.name`, `db.system` and
 * `net.peer.name` of before 1.24, which many libraries still send.
 *
 * @param service who calls: a database that is named like it is told apart by its kind
 * @example storeOf({ 'db.name': 'shop', 'db.system': 'postgresql' }, 'shop') // 'shop (postgresql)'
 */
export function storeOf(attributes: Attributes, service: string): string {
  const kind = textOf(attributes['db.system.name']) ?? textOf(attributes['db.system']);
  const name =
    textOf(attributes['db.namespace']) ?? textOf(attributes['db.name']) ?? (kind && (addressOf(attributes) ?? kind));
  if (!name) return '';
  return name === service ? `${name} (${kind ?? 'store'})` : name;
}

/** Whom a client span calls, where it says so: a host, or the name that the caller has for it; '' else. */
export const peerOf = (attributes: Attributes): string =>
  addressOf(attributes) ?? textOf(attributes['peer.service']) ?? hostOf(attributes) ?? '';

const addressOf = (attributes: Attributes): string | undefined =>
  textOf(attributes['server.address']) ?? textOf(attributes['net.peer.name']);

function hostOf(attributes: Attributes): string | undefined {
  const url = textOf(attributes['url.full']) ?? textOf(attributes['http.url']) ?? '';
  return URL.canParse(url) ? new URL(url).hostname : undefined;
}
