import { useLocalSearchParams } from 'expo-router';
import { ArrangePage } from '@/places/boards/arrange-page';

export default function ArrangeRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <ArrangePage key={name} name={name} />;
}
