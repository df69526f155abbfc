import { useLocalSearchParams } from 'expo-router';
import { FlowPage } from '@/places/flow/flow-page';

export default function FlowRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FlowPage key={id} id={Number(id)} />;
}
