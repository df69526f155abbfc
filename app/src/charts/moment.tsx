import { createContext, useContext, useState, type ReactNode } from 'react';

interface Moment {
  atMs: number | undefined;
  look: (atMs: number | undefined) => void;
}

export interface TimeRange {
  fromMs: number;
  toMs: number;
}

const nowhere: Moment = { atMs: undefined, look: () => undefined };
const Shared = createContext<Moment>(nowhere);
const Axis = createContext<TimeRange | undefined>(undefined);

export interface TimeMark {
  atMs: number;
  words: string;
}
const Marks = createContext<readonly TimeMark[]>([]);

/** Releases and changes that every chart of the page shows. */
export const useMarks = (): readonly TimeMark[] => useContext(Marks);

const NO_MARKS: readonly TimeMark[] = [];

/**
 * Charts inside show one moment together: that on which the pointer, a finger or the arrow keys rest in any of them.
 *
 * @param axis the time that all of them are drawn over, each in its own part of it; left out, each has its own
 * @param marks releases and changes that all of them show
 */
export function SharedMoment({
  axis,
  marks = NO_MARKS,
  children,
}: {
  axis?: TimeRange | undefined;
  marks?: readonly TimeMark[];
  children: ReactNode;
}) {
  const [atMs, look] = useState<number | undefined>();
  return (
    <Axis.Provider value={axis}>
      <Marks.Provider value={marks}>
        <Shared.Provider value={{ atMs, look }}>{children}</Shared.Provider>
      </Marks.Provider>
    </Axis.Provider>
  );
}

/** The time axis of the page; a chart that stands alone has its own. */
export const useTimeAxis = (own: TimeRange): TimeRange => useContext(Axis) ?? own;

/** The time that holds all of these. */
export const spanning = (ranges: readonly TimeRange[]): TimeRange => ({
  fromMs: Math.min(...ranges.map(({ fromMs }) => fromMs)),
  toMs: Math.max(...ranges.map(({ toMs }) => toMs)),
});

export const useMoment = (): Moment => useContext(Shared);

/** The shared moment, when it lies in a stretch. */
export function useMomentWithin(fromMs: number, toMs: number): number | undefined {
  const { atMs } = useMoment();
  return atMs !== undefined && atMs >= fromMs && atMs <= toMs ? atMs : undefined;
}

/** The step on which the shared moment rests, of `n` from a moment on; -1 for none. */
export function useStepAtMoment({ startMs, stepMs, n }: { startMs: number; stepMs: number; n: number }): number {
  const atMs = useMomentWithin(startMs, startMs + n * stepMs);
  return atMs === undefined ? -1 : Math.min(n - 1, Math.floor((atMs - startMs) / stepMs));
}

/**
 * The shared moment on a drawing of some stretch: where it lies, and what makes the pointer over the drawing choose it.
 */
export function useMomentOn(
  fromMs: number,
  toMs: number,
  width: number,
): { atMs: number | undefined; x: number; handlers: object } {
  const { look } = useMoment();
  const atMs = useMomentWithin(fromMs, toMs);
  const handlers = {
    onMouseMove: ({ clientX, currentTarget }: MouseEvent) => {
      const part = (clientX - (currentTarget as HTMLElement).getBoundingClientRect().left) / Math.max(1, width);
      look(fromMs + Math.min(1, Math.max(0, part)) * (toMs - fromMs));
    },
    onMouseLeave: () => look(undefined),
  };
  return {
    atMs,
    x: atMs === undefined ? 0 : ((atMs - fromMs) / Math.max(1, toMs - fromMs)) * width,
    handlers,
  };
}
