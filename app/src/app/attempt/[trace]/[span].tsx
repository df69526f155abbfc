import { useLocalSearchParams } from 'expo-router';
import { AttemptPage } from '@/places/attempt/attempt-page';

export default function AttemptRoute() {
  const { trace, span } = useLocalSearchParams<{ trace: string; span: string }>();
  return <AttemptPage key={`${trace}/${span}`} traceId={trace} spanId={span} />;
}
