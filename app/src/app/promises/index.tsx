import { PromisesPlace } from '@/places/promises/promises-place';

export default function PromisesRoute() {
  return <PromisesPlace />;
}
