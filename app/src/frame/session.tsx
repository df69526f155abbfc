import { RIGHTS, RIGHT_WORDS, whomToAsk, type Right } from '@toplens/core/access';
import { createContext, useContext, type ReactNode } from 'react';
import type { SessionState } from '@/data/session';
import { Words } from '@/look/text';

type Known = Pick<SessionState, 'who' | 'isVisitor' | 'rights' | 'mustSetUpFactor'>;

/** Who looks at this page. */
export const Session = createContext<Known>({
  who: null,
  isVisitor: true,
  rights: [...RIGHTS],
  mustSetUpFactor: false,
});

export const useSession = (): Known => useContext(Session);

/** May they do it, about this or something else? The server decides by what it is about. */
export const useMay = (right: Right): boolean => useSession().rights.includes(right);

/** What somebody may do; in its place, whom to ask for it. */
export function Needs({ right, children }: { right: Right; children: ReactNode }) {
  if (useMay(right)) return children;
  return (
    <Words kind="small" testID={`needs-${right}`}>
      {lacking(right)}
    </Words>
  );
}

/** "You may not send incidents to teams. Ask somebody of support or an administrator." */
export const lacking = (right: Right): string =>
  `You may not ${RIGHT_WORDS[right].split(':')[0]}. Ask ${whomToAsk(right, {}, [], 0)}.`;
