import { textOf, type Attributes } from './attributes';

const PHONES: ReadonlySet<string> = new Set(['android', 'ios', 'ipados']);

/**
 * Did it run on a person's own device, in a browser or on a phone? Told by its resource (OpenTelemetry semantic
 * conventions: browser, device, os).
 */
export function isUserSide(resource: Attributes): boolean {
  if (textOf(resource['telemetry.sdk.language']) === 'webjs') return true;
  return stationOf(resource) !== undefined || isBrowser(resource) || isOnHandheld(resource);
}

const isBrowser = (resource: Attributes): boolean =>
  resource['browser.platform'] !== undefined ||
  resource['browser.mobile'] !== undefined ||
  resource['browser.language'] !== undefined;

/** Is it an application on a phone or tablet, and not a page in a browser there? Told by its resource. */
export const isPhone = (resource: Attributes): boolean =>
  isOnHandheld(resource) && !isBrowser(resource) && resource['user_agent.name'] === undefined;

/** Kind of a device at work, as its application tells: "desktop", "remote desktop", "tablet". */
const stationOf = (resource: Attributes) => textOf(resource['toplens.station']);

/** A device at work that tells its kind says so itself; else whoever tells a model of device is a phone. */
function isOnHandheld(resource: Attributes): boolean {
  const type = stationOf(resource);
  if (type !== undefined) return /phone|tablet|handheld/i.test(type);
  return modelOf(resource) !== undefined || PHONES.has((textOf(resource['os.name']) ?? '').toLowerCase());
}

/**
 * The person's device as far as it is told: "Pixel 9 · Android 16", "Firefox 128 · Linux"; '' for what runs elsewhere.
 */
export function ranOnOf(resource: Attributes): string {
  if (!isUserSide(resource)) return '';
  const { device, browser } = outfitOf((name) => textOf(resource[name]) ?? '');
  const system = [textOf(resource['os.name']) ?? textOf(resource['browser.platform']), textOf(resource['os.version'])]
    .filter(Boolean)
    .join(' ');
  return [device, browser, system].filter(Boolean).join(' · ');
}

/**
 * Held in the hand, phone or tablet? Told by the device's resource, or by a browser's User-Agent header: "Mobi" stands
 * in those of phones (MDN, "Browser detection using the user agent"); tablets name themselves or Android.
 */
export function isHandheld(resource: Attributes, userAgent: string): boolean {
  if (isOnHandheld(resource)) return true;
  if (/^(?:true|1)$/.test(textOf(resource['browser.mobile']) ?? '')) return true;
  return /Mobi|Android|iPad|Tablet/.test(userAgent);
}

/** With what a person works, as far as it is told by name; '' for what is not. */
export interface Outfit {
  device: string;
  /** "Firefox 128" */
  browser: string;
  system: string;
  carrier: string;
}

/**
 * A phone's or browser's own resource tells it; a server that was told by them passes it on as attributes of its span.
 * Names are those of the OpenTelemetry semantic conventions (device, user agent, os, network).
 *
 * @param text an attribute of the span, else of its resource; '' without
 */
export function outfitOf(text: (name: keyof Attributes) => string): Outfit {
  const browser = text('user_agent.name');
  const device = text('device.model.name') || text('device.model.identifier');
  // The system of a server is no person's.
  const isPersons =
    browser !== '' || device !== '' || text('toplens.station') !== '' || PHONES.has(text('os.name').toLowerCase());
  return {
    device,
    browser: [browser, browser && text('user_agent.version').split('.')[0]].filter(Boolean).join(' '),
    system: isPersons ? text('os.name') : '',
    carrier: text('network.carrier.name'),
  };
}

const modelOf = (resource: Attributes) =>
  textOf(resource['device.model.name']) ?? textOf(resource['device.model.identifier']);
