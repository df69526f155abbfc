import { outfitOf } from '../telemetry';

/**
 * Which application on which phone tells of something, by the names of the OpenTelemetry semantic conventions.
 *
 * @param text the first of these attributes that is told; '' without
 */
export function senderOf(text: (...names: string[]) => string) {
  const component = text('service.name') || 'unknown application';
  const { device, carrier } = outfitOf((name) => text(name));
  return {
    component,
    application: text('toplens.application', 'service.namespace') || component,
    version: text('service.version'),
    session: text('session.id'),
    device,
    carrier,
    country: text('toplens.region', 'geo.country.iso_code'),
  };
}
