import { useLocalSearchParams } from 'expo-router';
import { Wall } from '@/places/boards/wall';

export default function WallRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <Wall key={name} name={name} />;
}
