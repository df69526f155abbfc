import { BoardsPlace } from '@/places/boards/boards-place';

export default function BoardsRoute() {
  return <BoardsPlace />;
}
