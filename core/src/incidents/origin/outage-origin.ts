import { percent, rateWords } from '../../words';

/** A component that usually serves what no longer comes, with what it did before and while it was missing. */
export interface ServingComponent {
  component: string;
  /** steps below the attempt's first span, mean */
  depth: number;
  /** spans a minute, of all that it serves */
  usualPerMinute: number;
  nowPerMinute: number;
  hosts: readonly { host: string; usualPerMinute: number; nowPerMinute: number }[];
}

/** silent: next to nothing came; less: clearly less than usual. */
export type ServingState = 'silent' | 'less' | 'usual';

export interface OutageOrigin {
  /** from the begin of the way downwards */
  path: (ServingComponent & { state: ServingState; silentHosts: string[] })[];
  /** what it comes to, in sentences */
  words: string[];
}

const SILENT = 0.1;
const LESS = 0.6;

const stateOf = ({ usualPerMinute, nowPerMinute }: { usualPerMinute: number; nowPerMinute: number }): ServingState =>
  nowPerMinute <= SILENT * usualPerMinute ? 'silent' : nowPerMinute <= LESS * usualPerMinute ? 'less' : 'usual';

/**
 * Where attempts that never came may have been lost: told by what the components that usually serve them did meanwhile.
 * Where the first of them still serves others, the loss is before this flow alone; where nothing reaches it from
 * anybody, it is before all of them; where some of its hosts fell silent, it may be there.
 *
 * @param serving components on the way of usual attempts, in any order
 */
export function outageOrigin(serving: readonly ServingComponent[]): OutageOrigin {
  const path = [...serving]
    .sort((a, b) => a.depth - b.depth || a.component.localeCompare(b.component))
    .map((one) => {
      const silent = one.hosts.filter((host) => host.usualPerMinute > 0 && stateOf(host) === 'silent');
      // Where all are silent, the component is: no single host stands out.
      return {
        ...one,
        state: stateOf(one),
        silentHosts: silent.length < one.hosts.length ? silent.map(({ host }) => host) : [],
      };
    });
  const [front, ...behind] = path;
  if (!front) return { path, words: [] };
  const words = [frontWords(front)];
  for (const { component, silentHosts } of path)
    if (silentHosts.length > 0)
      words.push(`${component} fell silent on ${silentHosts.join(', ')}; its other hosts still work.`);
  const stopped = behind.filter(({ state }) => state === 'silent').map(({ component }) => component);
  if (stopped.length > 0 && front.state !== 'silent')
    words.push(`Behind it ${stopped.join(', ')} fell silent as well.`);
  return { path, words };
}

function frontWords({ component, state, usualPerMinute, nowPerMinute }: OutageOrigin['path'][number]): string {
  const was = `${rateWords(nowPerMinute)} a minute, usually ${rateWords(usualPerMinute)}`;
  if (state === 'silent')
    return `Nothing reaches ${component}, the first component on the way (${was}): look at what lies in front of it – network, sign-in, whoever sends.`;
  if (state === 'less')
    return `${component}, the first component on the way, gets ${percent(nowPerMinute / usualPerMinute)} of its usual (${was}): look at what lies in front of it, for this flow above all.`;
  return `${component}, the first component on the way, still serves others as usual (${was}): look at what leads to this flow alone – the page or application before it, sign-in, links.`;
}
