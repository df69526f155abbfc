import { array, object, string, type AnyObject, type ObjectSchema, type Schema } from 'yup';
import { settingsSchema } from './settings';

/** Parts of the settings file that are changed in place as a whole, each with who and when. */
export const SECTIONS = [
  'currency',
  'exchangeRates',
  'flows',
  'entryServices',
  'ignored',
  'atOnceMs',
  'ownership',
  'keyTiers',
  'journeys',
  'businessEvents',
  'promises',
  'probes',
  'handoffs',
  'retention',
  'receivers',
  'alertRules',
  'boards',
] as const;
export type Section = (typeof SECTIONS)[number];

/** What each is called, as people read it. */
export const SECTION_WORDS: Readonly<Record<Section, string>> = {
  currency: 'currency',
  exchangeRates: 'exchange rates',
  flows: 'rules of flows',
  entryServices: 'entry services',
  ignored: 'what is ignored',
  atOnceMs: 'what is answered at once',
  ownership: 'owners',
  keyTiers: 'key customers',
  journeys: 'named journeys',
  businessEvents: 'business events',
  promises: 'promises',
  probes: 'probes',
  handoffs: 'handoffs',
  retention: 'how long data is kept',
  receivers: 'receivers of alerts',
  alertRules: 'rules of alerts',
  boards: 'boards',
};

export const isSection = (key: string): key is Section => (SECTIONS as readonly string[]).includes(key);

/** What a section holds; a list cannot be checked by itself, so it stands under its name. */
export const sectionSchema = (section: Section): ObjectSchema<AnyObject> =>
  object({
    [section]:
      section === 'keyTiers'
        ? array(string().trim().min(1).required()).required()
        : (settingsSchema.fields[section] as Schema),
  }).noUnknown();
