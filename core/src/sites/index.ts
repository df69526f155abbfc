export {
  proveChange,
  strataFor,
  STRATA,
  stratumOf,
  VERDICTS,
  type ChangeProof,
  type SiteBeforeAfter,
  type SiteChange,
  type SiteTime,
  type Strata,
  type Verdict,
} from './before-after';
export { cellsOf } from './cells';
export { compareWork, LAYERS, type ComparedPerson, type Layer, type Off } from './find-off';
export { isLike, LikePeople, LIKENESSES, type AgainstLike, type Likeness } from './like-people';
export { onOneScale, type ActivityOf, type OnOneScale } from './one-scale';
export { healthWords, type DeviceHealth } from './device-health';
export { offWords, type OffNames } from './off-words';
export { emptyWork, WORK_COLUMNS, WORK_DIMENSIONS, type Work, type WorkCell, type WorkDimension } from './work';
