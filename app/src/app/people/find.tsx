import { FindPlace } from '@/places/people/find-place';

export default function FindRoute() {
  return <FindPlace />;
}
