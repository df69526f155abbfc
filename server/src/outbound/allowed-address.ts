import { lookup as resolveName, type LookupAddress } from 'node:dns';
import { isIP, type LookupFunction } from 'node:net';
import { isInner } from '@toplens/core/addresses';

/** An address that nobody allowed; told to whoever looks why a message did not go out. */
export class NotAllowed extends Error {
  override name = 'NotAllowed';
}

const words = (host: string) =>
  `${host} lies inside the network, and nobody allowed it: TOPLENS_WEBHOOK_HOSTS=${host} does`;

/**
 * Looks a name up for a connection, and refuses what lies inside the network unless its name is allowed. It is the
 * address that is connected to which is looked at, so a name that points elsewhere a moment later is no way around it.
 *
 * @param allowed names and addresses that an administrator allowed, in lower case
 * @throws NotAllowed, through the callback
 */
export function allowedLookup(allowed: ReadonlySet<string>): LookupFunction {
  return (host, options, callback) => {
    resolveName(host, { ...options, all: true }, (error, found: LookupAddress[]) => {
      if (error) return callback(error, '');
      const isAllowed = allowed.has(host.toLowerCase());
      const usable = isAllowed ? found : found.filter(({ address }) => !isInner(address));
      const [first] = usable;
      if (!first) return callback(new NotAllowed(words(host)), '');
      if (options.all) callback(null, usable);
      else callback(null, first.address, first.family);
    });
  };
}

/** An address that is written out is never looked up: it is checked before. @throws NotAllowed */
export function checkWrittenAddress(host: string, allowed: ReadonlySet<string>): void {
  const address = host.replace(/^\[|\]$/g, '');
  if (isIP(address) !== 0 && isInner(address) && !allowed.has(address)) throw new NotAllowed(words(address));
}
