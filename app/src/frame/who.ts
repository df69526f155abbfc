import { useState } from 'react';
import { string } from 'yup';

const NAME = 'toplens.who';

/** For forms that change a setting. */
export const whoChanges = string().trim().required('Say who changes this.');

/** The name under which decisions and changes are kept; remembered by this browser. */
export function useWho(): [who: string, setWho: (who: string) => void] {
  const [who, setWho] = useState(() => {
    try {
      return localStorage.getItem(NAME) ?? '';
    } catch {
      return '';
    }
  });
  return [
    who,
    (next) => {
      setWho(next);
      try {
        localStorage.setItem(NAME, next);
      } catch {
        // Storage may be forbidden: then the name lives as long as the page.
      }
    },
  ];
}
