/** A figure as the API tells it: null where it cannot be known. */
export const finiteOrNull = (value: number): number | null => (Number.isFinite(value) ? value : null);
