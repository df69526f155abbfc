import { SHORTEST_PASSWORD } from '@toplens/core/access';
import { string } from 'yup';

/** What the server asks for besides, it says itself. */
export const newPassword = string()
  .min(SHORTEST_PASSWORD, `At least ${SHORTEST_PASSWORD} characters.`)
  .required('Choose a password.');
export const NEW_PASSWORD_HINT = `At least ${SHORTEST_PASSWORD} characters, of any kind. Four words that have nothing to do with each other do well.`;
