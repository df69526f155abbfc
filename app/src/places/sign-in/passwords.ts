import { string } from 'yup';

const SHORTEST = 15;

/** What the server asks for besides, it says itself. */
export const newPassword = string().min(SHORTEST, `At least ${SHORTEST} characters.`).required('Choose a password.');
export const NEW_PASSWORD_HINT = `At least ${SHORTEST} characters, of any kind. Four words that have nothing to do with each other do well.`;
