/**
 * Times that are taken, microseconds since the epoch: what is older is not kept any more, what is newer comes from a
 * wrong clock.
 */
export interface TimeRange {
  earliestUs: number;
  latestUs: number;
}

/**
 * What is wrong with a time, in words for the person who runs the sender, to stand behind the field's name; `undefined`
 * when nothing is.
 */
export function whyTimeRejected(atUs: number, { earliestUs, latestUs }: TimeRange): string | undefined {
  if (!(atUs > 0)) return 'missing or not a time';
  if (atUs > latestUs) return "lies ahead of this server's clock; check the sender's clock";
  if (atUs < earliestUs) return "is older than what is kept; check the sender's clock";
  return undefined;
}
