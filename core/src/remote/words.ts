import { counted, times } from '../words';
import type { RemoteComparison } from './compare';

/** What it means, in a sentence that can be read out. @param name of the group: "Brackwater" */
export function remoteWords({ verdict, factor, activityFactor, sessions }: RemoteComparison, name: string): string {
  const way = factor === undefined ? '' : times(factor);
  const work = activityFactor === undefined ? '' : times(activityFactor);
  switch (verdict) {
    case 'line':
      return `It is the way to the desktop: from ${name} it takes ${way} as long as before, and what people do there ${work} as long as usual.`;
    case 'lineUnfelt':
      return `The way to the desktop takes ${way} as long as before from ${name}; what people do there does not take longer yet.`;
    case 'application':
      return `It is not the way to the desktop, which takes as long as before; what people do there takes ${work} as long as usual.`;
    case 'well':
      return 'As before.';
    case 'tooLittle':
      return `Too few sessions to tell: ${counted(sessions, 'session')}.`;
  }
}
