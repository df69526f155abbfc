/** Anything else would be an error of the database. */
export const isUuid = (id: string): boolean => /^[0-9a-f-]{36}$/i.test(id);
