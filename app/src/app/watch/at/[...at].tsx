import { useLocalSearchParams } from 'expo-router';
import { WatchPlace } from '@/places/watch/watch-place';

export default function WatchAtRoute() {
  const { at } = useLocalSearchParams<{ at: string[] }>();
  return <WatchPlace key={at.join('/')} at={at} />;
}
