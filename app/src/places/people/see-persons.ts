import { string } from 'yup';
import { useMay, useSession } from '@/frame/session';

/** What every look at persons by name needs: the right, and a reason that is kept. */
export const lookReason = string()
  .trim()
  .min(3, 'Say in a few words what this is for.')
  .max(300, 'At most 300 characters.')
  .required('Say what this is for.');

/** A key, where the right is not one's own. */
export const personKey = (isAsked: boolean) =>
  isAsked ? string().trim().required('Your key: whoever runs the server gives it out.') : string().default('');

/** By what somebody sees persons: their own right, or a key, which a visitor of the demo gives. */
export function useSeesPersons(): { isByKey: boolean; may: boolean } {
  const { who } = useSession();
  const hasRight = useMay('persons');
  return { isByKey: who === null, may: who === null || hasRight };
}
