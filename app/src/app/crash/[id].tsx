import { useLocalSearchParams } from 'expo-router';
import { CrashPage } from '@/places/phone/crash-page';

export default function CrashRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CrashPage key={id} id={id} />;
}
