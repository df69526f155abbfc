import { useLocalSearchParams } from 'expo-router';
import { WorstFirstPlace } from '@/places/worst-first/worst-first-place';

export default function IncidentRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WorstFirstPlace chosenId={Number(id)} />;
}
