import { launchFlow, screenFlow } from '../flows';
import { count, counted, durationWords, percent } from '../words';

/** What is told of a group of crashes. */
export interface GroupFacts {
  type: string;
  message: string;
  /** class and method; '' when not told */
  place: string;
  crashes: number;
  people: number;
  /** newest first */
  versions: readonly { version: string; crashes: number; launches: number }[];
}

/** One crash of the group, as an example. */
export interface CrashFacts {
  atMs: number;
  device: string;
  system: string;
  frames: readonly { module: string; method: string; file: string; line: number; isOwn: boolean }[];
  trail: readonly { atMs: number; what: string }[];
}

const MOST_FRAMES = 4;
const MOST_TRAIL = 5;

/**
 * A group of crashes as a brief tells it, a line each: what and how many, in which versions, where in the code, and
 * what was done just before.
 *
 * @param newest version of the application, with its share of launches; `undefined` when it is not known
 */
export function crashLines(
  { type, message, place, crashes, people, versions }: GroupFacts,
  example: CrashFacts | undefined,
  newest: { version: string; shareOfLaunches: number } | undefined,
): string[] {
  const byVersion = versions.map(versionText).join('; ');
  const isFixed = newest && !versions.some(({ version }) => version === newest.version);
  const own = example?.frames.filter(({ isOwn }) => isOwn).slice(0, MOST_FRAMES) ?? [];
  const trail = example?.trail.slice(-MOST_TRAIL) ?? [];
  return [
    `${place ? `${place}: ` : ''}${type}: ${message}. ${counted(crashes, 'crash', 'crashes')} for ${counted(people, 'person', 'people')}`,
    `${byVersion}${isFixed ? `. ${newest.version} has none so far; ${percent(newest.shareOfLaunches)} of launches are of it` : ''}`,
    ...(own.length > 0 ? [`in ${own.map(frameText).join(', called by ')}`] : []),
    ...(example && trail.length > 0
      ? [`before one of them${on(example)}: ${trail.map((one) => trailText(one, example.atMs)).join(', ')}`]
      : []),
  ];
}

function versionText({ version, crashes, launches }: GroupFacts['versions'][number]): string {
  const of = launches > 0 ? ` of ${counted(launches, 'launch', 'launches')}` : '';
  return `${version || 'version not told'}: ${count(crashes)}${of}`;
}

const trailText = ({ what, atMs }: CrashFacts['trail'][number], crashMs: number): string =>
  `${what} (${durationWords(Math.max(0, crashMs - atMs))} before)`;

const on = ({ device, system }: CrashFacts): string => {
  const told = [device, system].filter(Boolean).join(', ');
  return told && ` on ${told}`;
};

const frameText = ({ module, method, file, line }: CrashFacts['frames'][number]): string =>
  `${module}.${method}${file ? ` (${[file, line || ''].filter(Boolean).join(':')})` : ''}`;

/** Does a crash on one of these screens fail attempts of the flow? '' stands for a crash before any screen. */
export const isFlowOfScreens = (technicalName: string, screens: readonly string[]): boolean =>
  screens.some((screen) => technicalName === (screen === '' ? launchFlow('cold') : screenFlow(screen)));
