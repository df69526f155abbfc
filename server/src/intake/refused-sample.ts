const LONGEST = 120;

/**
 * A refused record in a few words, by which its sender finds it again.
 *
 * @param name what it calls itself, or what it says; without secrets
 * @param atUs microseconds since the epoch, as it was told: of a refused record that may be anything
 * @example refusedSample('span', 'POST /pay', 1_795_593_600_000_000) // 'span “POST /pay” of 2026-11-25T08:00:00.000Z'
 */
export function refusedSample(kind: string, name: string, atUs: number): string {
  const said = name.length > LONGEST ? `${name.slice(0, LONGEST)}…` : name;
  const at = new Date(atUs / 1000);
  const when = atUs > 0 && !Number.isNaN(at.getTime()) ? ` of ${at.toISOString()}` : '';
  return `${kind}${said === '' ? '' : ` “${said}”`}${when}`;
}
