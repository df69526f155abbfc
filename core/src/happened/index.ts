export { HAPPENING_KINDS, newestFirst, type Happening, type HappeningKind } from './happening';
export { calendarOfHappenings } from './calendar';
export { jsonFeed } from './json-feed';
