import { useLocalSearchParams } from 'expo-router';
import { ProbeRunPage } from '@/places/probes/run-page';

export default function ProbeRunRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProbeRunPage key={id} id={id} />;
}
