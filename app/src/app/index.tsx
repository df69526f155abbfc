import { WorstFirstPlace } from '@/places/worst-first/worst-first-place';

export default function WorstFirstRoute() {
  return <WorstFirstPlace />;
}
