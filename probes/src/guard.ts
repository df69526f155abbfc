import { lookup as lookUp, type LookupAddress, type LookupAllOptions } from 'node:dns';
import type { LookupFunction } from 'node:net';
import { isInner } from '@toplens/core/addresses';

/** A script asked for something inside that whoever runs the probe did not allow. */
export class InnerAddress extends Error {}

/** The resolver of this machine does not answer: that says nothing of whom a script asks. */
export class ResolverDead extends Error {}

/** getaddrinfo(3): "temporary failure in name resolution"; the others are those of c-ares. A name that is unknown is none. */
const DEAD: ReadonlySet<string | undefined> = new Set(['EAI_AGAIN', 'EAI_FAIL', 'ETIMEOUT', 'ESERVFAIL']);

/** `dns.lookup` of all addresses. */
type Resolve = (
  name: string,
  options: LookupAllOptions,
  done: (error: NodeJS.ErrnoException | null, addresses: LookupAddress[]) => void,
) => void;

/**
 * What a script may ask. Scripts come over the network: without a guard whoever writes one could ask whatever this
 * machine reaches. Inner addresses are asked only where the one who runs the probe allows them, by host or host:port.
 */
export class Guard {
  readonly #allowed: ReadonlySet<string>;

  /** @param resolve asks the resolver of this machine */
  constructor(
    allowed: readonly string[],
    private readonly resolve: Resolve = lookUp,
  ) {
    this.#allowed = new Set(allowed.map((one) => one.toLowerCase()));
  }

  allows = ({ hostname, host }: URL): boolean =>
    this.#allowed.has(hostname.toLowerCase()) || this.#allowed.has(host.toLowerCase());

  /** @throws InnerAddress when the address says by itself that it lies inside */
  check(url: URL): void {
    if (!this.allows(url) && isInner(url.hostname)) throw refusal(url.host, url.hostname);
  }

  /** Names are looked up once, and what they lead to is what is connected to: a name cannot change its mind between. */
  lookup =
    (url: URL): LookupFunction =>
    (name, options, done) => {
      this.resolve(name, { ...options, all: true }, (error, addresses) => {
        if (error)
          return done(
            DEAD.has(error.code) ? new ResolverDead(`its resolver does not answer (${error.code} for ${name})`) : error,
            '',
          );
        const inner = this.allows(url) ? undefined : addresses.find(({ address }) => isInner(address));
        if (inner) return done(refusal(url.host, inner.address), '');
        const [first] = addresses;
        if (options.all) done(null, addresses);
        else done(null, first?.address ?? '', first?.family);
      });
    };

  /** Before a browser asks, which looks names up itself. */
  async checkName(url: URL): Promise<void> {
    this.check(url);
    await new Promise<void>((resolve, reject) =>
      this.lookup(url)(url.hostname.replace(/^\[|\]$/g, ''), { all: true }, (error) =>
        error ? reject(error) : resolve(),
      ),
    );
  }
}

const refusal = (host: string, address: string) =>
  new InnerAddress(`${host} is an inner address (${address}); whoever runs the probe allows it with --allow ${host}`);
