import { useLocalSearchParams } from 'expo-router';
import { CrashGroupPage } from '@/places/phone/crash-group-page';

export default function CrashGroupRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CrashGroupPage key={id} crash={id} />;
}
