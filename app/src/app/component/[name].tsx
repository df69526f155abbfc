import { useLocalSearchParams } from 'expo-router';
import { ComponentPage } from '@/places/component/component-page';

export default function ComponentRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <ComponentPage key={name} name={name} />;
}
