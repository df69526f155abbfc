/** A column as ISO 8601 in UTC. */
export const iso = (column: string): string => `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/** A column in milliseconds since the epoch. */
export const epochMs = (column: string): string => `(extract(epoch FROM ${column}) * 1000)::float8`;
