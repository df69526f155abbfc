import { useLocalSearchParams } from 'expo-router';
import { PromisePage } from '@/places/promises/promise-page';

export default function PromiseRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <PromisePage key={name} name={name} />;
}
