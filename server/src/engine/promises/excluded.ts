import type { ServicePromise } from '@toplens/core/promises';
import { overlap, type Window } from '@toplens/core/time';
import type { PromisePageShape } from '../../contract/promises';
import { CALENDAR_KEY } from '../../settings/settings-book';
import type { EngineState } from '../state/engine-state';

type Stretch = Window & { reason: string };

/** Stretches of a period that a promise does not count: its own, and agreed maintenance; with who took them out. */
export function excludedIn(
  { settings }: Pick<EngineState, 'settings'>,
  promise: ServicePromise,
  period: Window,
): PromisePageShape['excluded'] {
  const inPeriod = (stretches: readonly Stretch[]) => stretches.filter((one) => overlap(one, period));
  const own = inPeriod(promise.excluded).map(({ fromMs, toMs, reason }) => ({
    ...{ fromMs, toMs, reason },
    isMaintenance: false,
    by: whoSet(settings.changesOf('promises'), (value) =>
      listOf<ServicePromise>(value).some(
        ({ name, excluded }) => name === promise.name && holds(excluded, { fromMs, toMs }),
      ),
    ),
  }));
  const maintenance = inPeriod(settings.calendarAt(period.toMs).maintenance ?? []).map(({ fromMs, toMs, reason }) => ({
    ...{ fromMs, toMs, reason },
    isMaintenance: true,
    by: whoSet(settings.changesOf(CALENDAR_KEY), (value) =>
      holds((value as { maintenance?: readonly Window[] } | null)?.maintenance, { fromMs, toMs }),
    ),
  }));
  return [...own, ...maintenance].sort((a, b) => a.fromMs - b.fromMs);
}

const listOf = <Row>(value: unknown): readonly Row[] => (Array.isArray(value) ? (value as Row[]) : []);

const holds = (stretches: readonly Window[] | undefined, { fromMs, toMs }: Window): boolean =>
  stretches?.some((one) => one.fromMs === fromMs && one.toMs === toMs) ?? false;

/** Who made the first change that holds it; null when it stands in the settings file. */
const whoSet = (
  changes: readonly { who: string; value: unknown }[],
  isIn: (value: unknown) => boolean,
): string | null => changes.find(({ value }) => isIn(value))?.who ?? null;
