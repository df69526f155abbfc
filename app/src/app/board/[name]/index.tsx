import { useLocalSearchParams } from 'expo-router';
import { BoardPage } from '@/places/boards/board-page';

export default function BoardRoute() {
  const { name } = useLocalSearchParams<{ name: string }>();
  return <BoardPage key={name} name={name} />;
}
