import { Problem } from '../errors';

/** The id of an incident in a path. @throws Problem 'notFound' for what can be none */
export function incidentIn(text: string | undefined): number {
  const id = Number(text);
  if (!Number.isInteger(id) || id <= 0) throw noIncident(text);
  return id;
}

export const noIncident = (text: string | number | undefined): Problem =>
  new Problem('notFound', `there is no incident ${text}; it may have been withdrawn when later data came in`, {
    field: 'id',
  });
