import { createContext, useContext, useState, type ReactNode } from 'react';

interface Moment {
  atMs: number | undefined;
  look: (atMs: number | undefined) => void;
}

const nowhere: Moment = { atMs: undefined, look: () => undefined };
const Shared = createContext<Moment>(nowhere);

/**
 * Charts inside show one moment together: that on which the pointer, a finger or the arrow keys rest in any of them.
 */
export function SharedMoment({ children }: { children: ReactNode }) {
  const [atMs, look] = useState<number | undefined>();
  return <Shared.Provider value={{ atMs, look }}>{children}</Shared.Provider>;
}

export const useMoment = (): Moment => useContext(Shared);

/**
 * The shared moment on a drawing of some stretch: where it lies, and what makes the pointer over the drawing choose it.
 */
export function useMomentOn(
  fromMs: number,
  toMs: number,
  width: number,
): { atMs: number | undefined; x: number; handlers: object } {
  const { atMs, look } = useMoment();
  const isInside = atMs !== undefined && atMs >= fromMs && atMs <= toMs;
  const handlers = {
    onMouseMove: ({ clientX, currentTarget }: MouseEvent) => {
      const part = (clientX - (currentTarget as HTMLElement).getBoundingClientRect().left) / Math.max(1, width);
      look(fromMs + Math.min(1, Math.max(0, part)) * (toMs - fromMs));
    },
    onMouseLeave: () => look(undefined),
  };
  return {
    atMs: isInside ? atMs : undefined,
    x: isInside ? ((atMs - fromMs) / Math.max(1, toMs - fromMs)) * width : 0,
    handlers,
  };
}
