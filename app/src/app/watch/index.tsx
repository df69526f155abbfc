import { WatchPlace } from '@/places/watch/watch-place';

const NOTHING: readonly string[] = [];

export default function WatchRoute() {
  return <WatchPlace at={NOTHING} />;
}
