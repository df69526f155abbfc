import { string } from 'yup';

/** What every look at persons by name needs: the right, and a reason that is kept. */
export const personKey = string().trim().required('Your key: whoever runs the server gives it out.');
export const lookReason = string()
  .trim()
  .min(3, 'Say in a few words what this is for.')
  .max(300, 'At most 300 characters.')
  .required('Say what this is for.');
