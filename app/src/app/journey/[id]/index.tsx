import { useLocalSearchParams } from 'expo-router';
import { JourneyPage } from '@/places/journey/journey-page';

export default function JourneyRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <JourneyPage key={id} id={id} />;
}
