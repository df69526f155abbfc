import { string } from 'yup';
import { useRemembered } from './remembered';
import { useSession } from './session';

/** For forms that change a setting. */
export const whoChanges = string().trim().required('Say who changes this.');

/**
 * The name under which decisions and changes are kept: of who is signed in; a visitor of the demo says it, and the
 * browser remembers it.
 */
export function useWho(): [who: string, setWho: (who: string) => void] {
  const { who } = useSession();
  const [said, say] = useRemembered('toplens.who');
  return who === null ? [said, say] : [who.name, () => undefined];
}
