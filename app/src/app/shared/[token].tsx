import { useLocalSearchParams } from 'expo-router';
import { SharedBoard } from '@/places/boards/shared-board';

export default function SharedRoute() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <SharedBoard key={token} token={token} />;
}
