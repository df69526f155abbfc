export interface Result {
  what: string;
  value: string;
  goal: string;
  met: boolean;
}

/** What was measured in this run, in order. */
export const results: Result[] = [];

/** Prints a figure beside its goal, and keeps it for the table at the end. */
export function report(
  what: string,
  value: number,
  { unit = '', goal, met }: { unit?: string; goal: string; met: boolean },
): void {
  const shown = `${value >= 100 ? value.toFixed(0) : value.toFixed(2)}${unit}`;
  results.push({ what, value: shown, goal, met });
  console.log(`${met ? 'met ' : 'MISS'}  ${what}: ${shown} (goal ${goal})`);
}
