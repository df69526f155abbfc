import { useLocalSearchParams } from 'expo-router';
import { LoadPage } from '@/places/pages/load-page';

export default function LoadRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LoadPage key={id} id={id} />;
}
