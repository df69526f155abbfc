/** Cold: the application was not running. Warm: it was brought back from the background. */
export const LAUNCHES = ['cold', 'warm'] as const;
export type Launch = (typeof LAUNCHES)[number];

/** Technical name of the flow that launches are attempts of; cold and warm ones differ in what is usual. */
export const launchFlow = (launch: Launch): string => `launch, ${launch}`;

/** Technical name of the flow that showing a screen is an attempt of. */
export const screenFlow = (screen: string): string => `screen ${screen}`;

/** Is a flow launches of an application? Told by its technical name. */
export const isLaunch = (technicalName: string): boolean =>
  LAUNCHES.some((launch) => technicalName === launchFlow(launch));

/** Is a flow a screen or a launch? */
export const isOnPhone = (technicalName: string): boolean =>
  technicalName.startsWith(screenFlow('')) || isLaunch(technicalName);

/** How a sender tells a launch: our own attribute, or that of mobile instrumentations. Hot starts are warm ones. */
export function launchOf(value: string | undefined): Launch | undefined {
  if (value === 'hot') return 'warm';
  return LAUNCHES.find((one) => one === value);
}
