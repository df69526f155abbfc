export {
  compareRemote,
  REMOTE_VERDICTS,
  type RemoteComparison,
  type RemoteSession,
  type RemoteVerdict,
} from './compare';
export {
  isRoundTrip,
  REMOTE_DIMENSIONS,
  remoteSampleOf,
  ROUND_TRIP,
  type RemoteDimension,
  type RemoteSample,
} from './sample';
export { remoteWords } from './words';
