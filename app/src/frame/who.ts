import { string } from 'yup';
import { useRemembered } from './remembered';

/** For forms that change a setting. */
export const whoChanges = string().trim().required('Say who changes this.');

/** The name under which decisions and changes are kept; remembered by this browser. */
export const useWho = (): [who: string, setWho: (who: string) => void] => useRemembered('toplens.who');
