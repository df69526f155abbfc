import { useLocalSearchParams } from 'expo-router';
import { HandoffPage } from '@/places/sent/handoff-page';

export default function HandoffRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HandoffPage key={id} id={id} />;
}
