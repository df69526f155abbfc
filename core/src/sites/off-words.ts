import { count, times } from '../words';
import type { Likeness } from './like-people';
import type { Off } from './find-off';

/** Names of what an `Off` is about. */
export interface OffNames {
  application: string;
  /** of the site, server or person */
  name: string;
  /** of the server beside a site */
  server: string;
}

const LIKE_WORDS: Readonly<Record<Likeness, string>> = {
  sameSiteServerStation: 'people of the same site, server and kind of device',
  sameSiteServer: 'people of the same site and server',
  sameSite: 'people of the same site',
  sameServer: 'people on the same server',
  everybody: 'people who work with the application',
};

/** Where it lies and why, in sentences that can be read out to whoever waits. */
export function offWords({ layer, factor, people, like }: Off, names: OffNames): string {
  const long = `${times(factor.estimate)} as long`;
  switch (layer) {
    case 'application':
      return `It is ${names.application} itself: people take ${long} as usual at every site and with every server.`;
    case 'server':
      return `It is the server ${names.name}: whoever works with it takes ${long}, from every site (${count(people)} people did enough to tell); on other servers people of the same sites do not.`;
    case 'line':
      return `It is the line of ${names.name}, or something else at that site: people there take ${long} with every server (${count(people)} did enough to tell); people of other sites on the same servers do not.`;
    case 'serverOrLine':
      return `It is ${names.name} or the server ${names.server}: people there take ${long} (${count(people)} did enough to tell), and nobody else works with that server.`;
    case 'device':
      return `It is this person's device, or what this person alone does: everything takes ${long} as for ${like ? `${count(like.people)} ${LIKE_WORDS[like.likeness]}` : 'others'}.`;
  }
}
