import { useLocalSearchParams } from 'expo-router';
import { SessionPage } from '@/places/phone/session-page';

export default function SessionRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SessionPage key={id} id={id} />;
}
