import { DAY_MS, floorTo, MINUTE_MS, WEEK_MS, type Window } from '@toplens/core/time';
import type { AgainstQuestion, WindowQuestion } from '../state/questions';
import { newestReleases } from '../../store/traces';
import type { EngineState } from '../state/engine-state';

/** A live window ends with the newest judged minute. */
export function resolveWindow(state: EngineState, question: WindowQuestion): Window {
  if ('fromMs' in question) return question;
  const toMs = state.judgedMs || floorTo(state.watermarkMs, MINUTE_MS) || MINUTE_MS;
  return { fromMs: toMs - question.lengthMs, toMs };
}

/** The moment at which a view is looked at: the end of a past window; Infinity, whatever comes, of a live one. */
export const momentOf = (question: WindowQuestion): number => ('fromMs' in question ? question.toMs : Infinity);

export interface Compared {
  window: Window;
  /** "last Tuesday", "the day before", "the hour before", "before 4.18.0" */
  words: string;
}

const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' });
const LONGEST_SINCE_RELEASE_MS = 7 * DAY_MS;

/** The window to compare with; `undefined` when there is none, as before a release that never was. */
export async function comparedWindow(
  state: EngineState,
  window: Window,
  against: AgainstQuestion,
  application?: string,
): Promise<Compared | undefined> {
  const length = window.toMs - window.fromMs;
  if (typeof against === 'object') return beforeRelease(state, window, against.releaseMs);
  const shifted = (by: number): Window => ({ fromMs: window.fromMs - by, toMs: window.toMs - by });
  switch (against) {
    case 'nothing':
      return undefined;
    case 'week':
      return { window: shifted(WEEK_MS), words: `last ${weekday.format(window.toMs - WEEK_MS)}` };
    case 'day':
      return { window: shifted(DAY_MS), words: 'the day before' };
    case 'before':
      return { window: shifted(length), words: 'just before' };
    case 'release': {
      const [release] = await releasesBefore(state, window.toMs, application);
      return release && before(release, length);
    }
  }
}

export interface KnownRelease {
  version: string;
  /** application or component */
  of: string;
  firstMs: number;
}

/** Releases of the week before a moment, the newest first: of applications, and of the components behind them. */
export async function releasesBefore(state: EngineState, toMs: number, application?: string): Promise<KnownRelease[]> {
  const since = { fromMs: toMs - LONGEST_SINCE_RELEASE_MS, toMs };
  const ofApplications = state.releases.filter(
    (one) =>
      one.firstMs >= since.fromMs &&
      one.firstMs < since.toMs &&
      (application === undefined || one.application === application) &&
      !isFirst(state, one),
  );
  const ofComponents = await newestReleases(state.database, application, since);
  return [
    ...ofComponents.map(({ component, version, firstMs }) => ({ version, of: component, firstMs })),
    ...ofApplications.map(({ application: of, version, firstMs }) => ({ version, of, firstMs })),
  ].sort((a, b) => b.firstMs - a.firstMs || a.of.localeCompare(b.of));
}

function before({ version, of, firstMs }: KnownRelease, length: number): Compared {
  const toMs = floorTo(firstMs, MINUTE_MS);
  return { window: { fromMs: toMs - length, toMs }, words: `before ${version} of ${of}` };
}

/** Before a release that was chosen; `undefined` when none is known of that moment. */
async function beforeRelease(state: EngineState, window: Window, releaseMs: number): Promise<Compared | undefined> {
  const known = await releasesBefore(state, window.toMs);
  const chosen = known.find(({ firstMs }) => floorTo(firstMs, MINUTE_MS) === floorTo(releaseMs, MINUTE_MS));
  return chosen && before(chosen, window.toMs - window.fromMs);
}

/** The first version of an application that was ever seen is no release. */
export const isFirst = (state: EngineState, release: { application: string; firstMs: number }): boolean =>
  !state.releases.some((other) => other.application === release.application && other.firstMs < release.firstMs);

/** Rates of a past window are those that were set then, unless today's are asked for. */
export const ratesAt = (question: { window: object; rates: 'then' | 'today' }, window: Window): number =>
  question.rates === 'then' && 'fromMs' in question.window ? window.toMs : Infinity;

const JUST_NOW_MS = 15 * MINUTE_MS;

/** The window ended a while before what is known: what it shows is told in the past. */
export const isPastWindow = ({ judgedMs }: Pick<EngineState, 'judgedMs'>, { toMs }: Window): boolean =>
  toMs < judgedMs - JUST_NOW_MS;
