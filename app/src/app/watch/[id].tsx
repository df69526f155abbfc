import { useLocalSearchParams } from 'expo-router';
import { WatchPage } from '@/places/watch/watch-page';

export default function WatchPointRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WatchPage key={id} id={Number(id)} />;
}
