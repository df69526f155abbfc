import {
  PHONE_DIMENSIONS,
  versionFigures,
  type PhoneDimension,
  type VersionFigures,
  type VersionTally,
} from '@toplens/core/phones';
import { quantileSorted, rateRatio, sortedCopy } from '@toplens/core/stats';
import { maskText } from '@toplens/core/masking';
import type { Window } from '@toplens/core/time';
import type { CrashGroupPageShape, CrashGroupShape, PhoneShape, PhoneVersionShape } from '../contract/phones';
import type { Database } from '../store/database';
import {
  crashesWithin,
  launchesBy,
  launchesOverTime,
  launchesByVersion,
  launchFlows,
  loadCrash,
  type LaunchFlows,
  type StoredCrash,
} from '../store/phones';
import { momentsByVersion } from '../store/phone-moments';
import { everythingIn, phoneScope, type PhoneScope, type PhoneValues } from '../store/phone-scope';
import { firstSeen } from '../store/releases';
import { CrashReader, type ReadCrash } from './read-crash';

export interface PhoneQuestion {
  window: Window;
  /** of this application alone */
  application: string | undefined;
  /** with these values alone */
  values: PhoneValues;
}

/** Each may have a stack of 8,000 characters. */
const MOST_CRASHES = 20_000;
const MOST_GROUPS = 60;
const MOST_VERSIONS = 12;
const MOST_VALUES = 8;
const MOST_LISTED = 20;
/** So many crashes of the newest version would have been expected: then none of them is said to be gone. */
const FEWEST_EXPECTED = 3;

interface Group extends ReadCrash {
  id: string;
  /** newest first */
  crashes: StoredCrash[];
}

/** Versions of phone applications side by side, and their crashes in groups, by people. */
export async function phone(database: Database, { window, application, values }: PhoneQuestion): Promise<PhoneShape> {
  const scope = await phoneScope(database, window, values);
  const applications = await launchFlows(database);
  const wanted = applications.filter((one) => application === undefined || one.application === application);
  const all = await crashesWithin(database, scope, MOST_CRASHES);
  const crashes = all.filter((crash) => application === undefined || crash.application === application);
  const groups = await groupsOf(database, crashes);
  const versions = new Map<string, PhoneVersionShape[]>();
  const shapes: PhoneShape['applications'] = [];
  for (const flows of wanted) {
    const ofIt = crashes.filter((crash) => crash.application === flows.application);
    const own = await versionShapes(database, flows, { scope, crashes: ofIt });
    versions.set(flows.application, own);
    shapes.push({
      application: flows.application,
      launches: sumOf(own, ({ launches }) => launches),
      crashes: ofIt.length,
      peopleCrashed: peopleOf(ofIt),
      versions: own.slice(0, MOST_VERSIONS),
      countries: (await valuesBy(database, flows, { scope, dimension: 'country', crashes: ofIt })).map(
        ({ value, crashes: met, ...told }) => ({ country: value, crashes: met, ...told }),
      ),
      spread: await spreadOf(database, flows, scope, own),
    });
  }
  return {
    window,
    isCut: all.length === MOST_CRASHES,
    applications: shapes,
    groups: groups
      .map((group) => groupShape(group, versions.get(group.crashes[0]?.application ?? '') ?? []))
      .sort((a, b) => b.people - a.people || b.crashes - a.crashes)
      .slice(0, MOST_GROUPS),
  };
}

/**
 * The group of a crash: where it happens more often than elsewhere, and its newest crashes; null when there is no such
 * crash. A group is asked for by a crash of it: names that are restored later give a group another key.
 */
export async function crashGroup(
  database: Database,
  { crash, window }: { crash: string; window: Window },
): Promise<CrashGroupPageShape | null> {
  const one = await loadCrash(database, crash);
  if (!one) return null;
  const { group: key } = await new CrashReader(database).read(one);
  const scope = everythingIn(window);
  const all = await groupsOf(database, await crashesWithin(database, scope, MOST_CRASHES));
  const group = all.find(({ id }) => id === key);
  if (!group) return null;
  const application = (group.crashes[0] as StoredCrash).application;
  const flows = (await launchFlows(database)).find((one) => one.application === application);
  const ofApplication = flows ? await versionShapes(database, flows, { scope, crashes: group.crashes }) : [];
  return {
    window,
    group: groupShape(group, ofApplication),
    frames: group.frames,
    where: [
      ...(flows
        ? await Promise.all(
            PHONE_DIMENSIONS.map((dimension) => whereShape(database, flows, { scope, dimension, group })),
          )
        : []),
      sharesBy(group, 'system'),
      sharesBy(group, 'screen'),
    ].filter(({ values }) => values.length > 0),
    newest: group.crashes.slice(0, MOST_LISTED).map(({ id: crash, atMs, version, device, system, screen }) => ({
      id: crash,
      atMs,
      version,
      device,
      system,
      screen,
    })),
  };
}

async function groupsOf(database: Database, crashes: readonly StoredCrash[]): Promise<Group[]> {
  const reader = new CrashReader(database);
  const groups = new Map<string, Group>();
  for (const crash of crashes) {
    const read = await reader.read(crash);
    const group = groups.get(read.group);
    if (group) group.crashes.push(crash);
    else groups.set(read.group, { ...read, id: read.group, crashes: [crash] });
  }
  return [...groups.values()];
}

const sumOf = <One>(ones: readonly One[], value: (one: One) => number) =>
  ones.reduce((sum, one) => sum + value(one), 0);

/** Where nobody is named each session stands for somebody, and each crash without one. */
const peopleOf = (crashes: readonly StoredCrash[]): number =>
  new Set(crashes.map(({ person, session, id }) => (person !== 0 ? `p${person}` : session !== 0 ? `s${session}` : id)))
    .size;

async function versionShapes(
  database: Database,
  flows: LaunchFlows,
  { scope, crashes }: { scope: PhoneScope; crashes: readonly StoredCrash[] },
): Promise<PhoneVersionShape[]> {
  const stored = await launchesByVersion(database, flows, scope);
  const moments = new Map(
    (await momentsByVersion(database, flows.application, scope)).map(({ version, ...one }) => [version, one]),
  );
  const first = await firstSeen(database, flows.application);
  const told = new Set(stored.map(({ version }) => version));
  const silent = [...new Set(crashes.map(({ version }) => version))].filter((version) => !told.has(version));
  const all = [
    ...stored,
    ...silent.map((version) => ({ version, launches: 0, people: 0, coldMs: [], warmMs: [] })),
  ].sort((a, b) => (first.get(b.version) ?? 0) - (first.get(a.version) ?? 0) || newerFirst(a.version, b.version));
  const launches = sumOf(all, (one) => one.launches);
  const tallies = all.map((one): VersionTally => {
    const own = crashes.filter(({ version }) => version === one.version);
    return {
      ...(moments.get(one.version) ?? NO_MOMENTS),
      version: one.version,
      launches: one.launches,
      people: one.people,
      crashes: own.length,
      peopleCrashed: Math.min(one.people, peopleOf(own)),
      coldStartsMs: one.coldMs,
      warmStartsMs: one.warmMs,
    };
  });
  const figures = versionFigures(tallies);
  return tallies.map((tally, i) => ({
    ...versionShape(tally, figures[i] as VersionFigures),
    firstMs: first.get(tally.version) ?? null,
    shareOfLaunches: launches > 0 ? tally.launches / launches : 0,
  }));
}

const NO_MOMENTS = { sessions: 0, requests: 0, requestsFailed: 0, requestsMs: [], errors: 0, cpu: [], memory: [] };

/** Steps in which a window is told: so many that a release is seen spreading. */
const SPREAD_STEPS = 24;

async function spreadOf(
  database: Database,
  flows: LaunchFlows,
  scope: PhoneScope,
  versions: readonly PhoneVersionShape[],
): Promise<PhoneShape['applications'][number]['spread']> {
  const { window } = scope;
  const stepMs = Math.max(1, Math.ceil((window.toMs - window.fromMs) / SPREAD_STEPS));
  const told = await launchesOverTime(database, flows, { scope, stepMs });
  return {
    startMs: window.fromMs,
    stepMs,
    versions: versions.slice(0, MOST_VERSIONS).map(({ version }) => {
      const launches = new Array<number>(SPREAD_STEPS).fill(0);
      for (const one of told) if (one.version === version && one.step < SPREAD_STEPS) launches[one.step] = one.launches;
      return { version, launches };
    }),
  };
}

/** "7.10.0" is newer than "7.9.0". */
const newerFirst = (a: string, b: string) => b.localeCompare(a, 'en', { numeric: true });

const versionShape = (
  { coldStartsMs, warmStartsMs, requestsMs, cpu, memory, ...told }: VersionTally,
  { crashRate, crashFree, standsOut }: VersionFigures,
) => ({
  ...told,
  crashRate: crashRate ?? null,
  crashFree: crashFree ?? null,
  cold: startsOf(coldStartsMs),
  warm: startsOf(warmStartsMs),
  requestMedianMs: medianOf(requestsMs),
  cpu: medianOf(cpu),
  memory: medianOf(memory),
  standsOut: standsOut.map(({ times, ...one }) => ({ ...one, times: Number.isFinite(times) ? times : null })),
});

const medianOf = (values: readonly number[]): number | null => quantileSorted(sortedCopy(values), 0.5) ?? null;

function startsOf(ms: readonly number[]): PhoneVersionShape['cold'] {
  if (ms.length === 0) return null;
  const sorted = sortedCopy(ms);
  const at = (p: number) => quantileSorted(sorted, p) as number;
  return { starts: ms.length, medianMs: at(0.5), p75Ms: at(0.75), p95Ms: at(0.95) };
}

/** @param versions of its application, newest first */
function groupShape(
  { id, crashes, frames, isRestored }: Group,
  versions: readonly PhoneVersionShape[],
): CrashGroupShape {
  const newest = crashes[0] as StoredCrash;
  const own = frames.find(({ isOwn }) => isOwn) ?? frames[0];
  const byVersion = new Map<string, number>();
  for (const { version } of crashes) byVersion.set(version, (byVersion.get(version) ?? 0) + 1);
  const launches = sumOf(versions, (one) => one.launches);
  const ordered = [...byVersion].sort(([a], [b]) => orderOf(versions, a) - orderOf(versions, b));
  return {
    id,
    application: newest.application,
    type: newest.type,
    message: maskText(newest.message),
    place: own ? `${(own.module.split(/[./]/).at(-1) ?? own.module) || own.file}.${own.method}` : '',
    crashes: crashes.length,
    people: peopleOf(crashes),
    devices: new Set(crashes.map(({ device }) => device).filter(Boolean)).size,
    screens: [...new Set(crashes.map(({ screen }) => screen))].slice(0, MOST_VALUES),
    shareOfLaunches: launches > 0 ? Math.min(1, crashes.length / launches) : null,
    firstMs: (crashes.at(-1) as StoredCrash).atMs,
    lastMs: newest.atMs,
    versions: ordered.map(([version, count]) => ({
      version,
      crashes: count,
      launches: versions.find((one) => one.version === version)?.launches ?? 0,
    })),
    state: stateOf(byVersion, versions),
    isRestored,
    sample: newest.id,
  };
}

const orderOf = (versions: readonly PhoneVersionShape[], version: string): number => {
  const at = versions.findIndex((one) => one.version === version);
  return at < 0 ? versions.length : at;
};

/**
 * New: only the newest version has it. Gone: the newest has none, where at the rate of the others some were due. Come
 * back: the newest has it, and the one before had none where some were due, and an older one has it.
 */
export function stateOf(
  byVersion: ReadonlyMap<string, number>,
  versions: readonly PhoneVersionShape[],
): CrashGroupShape['state'] {
  const [newest, ...others] = versions;
  if (!newest || others.length === 0) return 'known';
  const inNewest = byVersion.get(newest.version) ?? 0;
  const inOthers = sumOf(others, ({ version }) => byVersion.get(version) ?? 0);
  if (inNewest > 0 && inOthers === 0) return 'new';
  if (inNewest === 0) return isDue(byVersion, others, newest) ? 'gone' : 'known';
  const [before, ...older] = others as [PhoneVersionShape, ...PhoneVersionShape[]];
  const isBack = !byVersion.get(before.version) && isDue(byVersion, older, before);
  return isBack ? 'back' : 'known';
}

/** At the rate of other versions, were some crashes of this one due? */
function isDue(
  byVersion: ReadonlyMap<string, number>,
  others: readonly PhoneVersionShape[],
  { launches }: PhoneVersionShape,
): boolean {
  const crashes = sumOf(others, ({ version }) => byVersion.get(version) ?? 0);
  const among = sumOf(others, (one) => one.launches);
  return among > 0 && (crashes / among) * launches >= FEWEST_EXPECTED;
}

/** How often launches with each value of a dimension end in some crashes, against all other launches. */
async function valuesBy(
  database: Database,
  flows: LaunchFlows,
  { scope, dimension, crashes }: { scope: PhoneScope; dimension: PhoneDimension; crashes: readonly StoredCrash[] },
) {
  const told = await launchesBy(database, flows, { scope, dimension });
  const launches = sumOf(told, (one) => one.launches);
  return told.map(({ value, launches: own }) => {
    const met = crashes.filter((crash) => crash[dimension] === value).length;
    const ratio = own > 0 && launches > own ? rateRatio(met, own, crashes.length - met, launches - own) : undefined;
    return {
      value,
      crashes: met,
      launches: own,
      times: ratio && Number.isFinite(ratio.ratio) ? ratio.ratio : null,
      low: ratio?.low ?? null,
      high: ratio && Number.isFinite(ratio.high) ? ratio.high : null,
    };
  });
}

/** Where a group happens, the values with most of its crashes first. */
async function whereShape(
  database: Database,
  flows: LaunchFlows,
  { scope, dimension, group }: { scope: PhoneScope; dimension: PhoneDimension; group: Group },
): Promise<CrashGroupPageShape['where'][number]> {
  const values = (await valuesBy(database, flows, { scope, dimension, crashes: group.crashes }))
    .filter((one) => one.crashes > 0)
    .sort((a, b) => b.crashes - a.crashes)
    .slice(0, MOST_VALUES);
  return { dimension, values };
}

/** Where launches do not tell a value, its share of the crashes is all that is known. */
function sharesBy({ crashes }: Group, dimension: 'system' | 'screen'): CrashGroupPageShape['where'][number] {
  const counts = new Map<string, number>();
  for (const crash of crashes)
    if (crash[dimension] !== '') counts.set(crash[dimension], (counts.get(crash[dimension]) ?? 0) + 1);
  const values = [...counts]
    .sort(([a, inA], [b, inB]) => inB - inA || (a < b ? -1 : 1))
    .slice(0, MOST_VALUES)
    .map(([value, count]) => ({ value, crashes: count, launches: null, times: null, low: null, high: null }));
  return { dimension, values };
}
