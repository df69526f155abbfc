import { emptyWork, type Layer, type Work } from '@toplens/core/sites';
import { normalDeviate, seededRandom, type Random } from '@toplens/core/stats';
import { pick } from '../seeds';

/** An invented company at work for some hours, and what is wrong in it. */
export interface Company {
  work: Work;
  /** `undefined`: nothing is wrong */
  cause: { layer: Layer; id: number; factor: number } | undefined;
}

const CAUSES = ['application', 'server', 'line', 'device'] as const;

const between = (random: Random, low: number, high: number) => low + (high - low) * random();

/**
 * Sites, servers and people in random numbers; each person works at one site, mostly with the near server, some with
 * another. People differ by a tenth, sites and servers by some hundredths; one company in three has nothing wrong.
 */
export function company(seed: number): Company {
  const random = seededRandom(seed);
  const sites = Math.floor(between(random, 4, 13));
  const servers = Math.floor(between(random, 2, 5));
  const people = Math.floor(sites * between(random, 12, 40));
  const attempts = between(random, 10, 60);
  const isWrong = random() < 2 / 3;
  const layer = pick(CAUSES, random());
  const factor = between(random, 1.5, 4);
  const ofSite = Array.from({ length: sites }, () => 0.02 * normalDeviate(random));
  const ofServer = Array.from({ length: servers }, () => 0.02 * normalDeviate(random));
  const ids = { application: 0, server: 1 + Math.floor(random() * servers), line: 1 + Math.floor(random() * sites) };
  const bad = isWrong
    ? { layer, id: layer === 'device' ? 1 + Math.floor(random() * people) : ids[layer], factor }
    : undefined;
  const work = emptyWork();
  for (let person = 1; person <= people; person++) {
    const site = 1 + ((person - 1) % sites);
    const near = site % servers;
    const server = 1 + ((near + (random() < 0.3 ? 1 : 0)) % servers);
    const station = random() < 0.25 ? 2 : 1;
    const own = 0.1 * normalDeviate(random) + (ofSite[site - 1] as number) + (ofServer[server - 1] as number);
    const isHit =
      bad !== undefined &&
      bad.id === { application: 0, server, line: site, device: person, serverOrLine: -1 }[bad.layer];
    const count = Math.floor(attempts * between(random, 0.4, 1.6));
    for (let i = 0; i < count; i++) {
      work.person.push(person);
      work.site.push(site);
      work.server.push(server);
      work.station.push(station);
      work.excess.push(own + 0.35 * normalDeviate(random) + (isHit ? Math.log(factor) : 0));
    }
  }
  return { work, cause: bad };
}
