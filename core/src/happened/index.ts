export { HAPPENING_KINDS, newestFirst, type Happening, type HappeningKind } from './happening';
export { jsonFeed } from './json-feed';
