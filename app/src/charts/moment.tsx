import { createContext, useContext, useState, type ReactNode } from 'react';

interface Moment {
  atMs: number | undefined;
  look: (atMs: number | undefined) => void;
}

const nowhere: Moment = { atMs: undefined, look: () => undefined };
const Shared = createContext<Moment>(nowhere);

/** Charts inside show one moment together: that on which the pointer, a finger or the arrow keys rest in any of them. */
export function SharedMoment({ children }: { children: ReactNode }) {
  const [atMs, look] = useState<number | undefined>();
  return <Shared.Provider value={{ atMs, look }}>{children}</Shared.Provider>;
}

export const useMoment = (): Moment => useContext(Shared);
