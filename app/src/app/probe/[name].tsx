import { useLocalSearchParams } from 'expo-router';
import { ProbePage } from '@/places/probes/probe-page';

export default function ProbeRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <ProbePage key={name} name={name} />;
}
