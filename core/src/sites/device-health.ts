const and = new Intl.ListFormat('en-GB');

/** What a person's device tells of itself. */
export interface DeviceHealth {
  /** figures that it tells: "memory" */
  told: readonly string[];
  /** of them, those that are full, with how full */
  full: readonly { figure: string; share: number }[];
}

/** Whether the device agrees, in a sentence. */
export function healthWords({ told, full }: DeviceHealth): string {
  if (told.length === 0) return 'The device tells nothing of its health.';
  if (full.length === 0) return `The device is not full: it tells of ${and.format(told)}.`;
  return `The device agrees: its ${and.format(full.map(({ figure, share }) => `${figure} is at ${Math.round(share * 100)} %`))}.`;
}
