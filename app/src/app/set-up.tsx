import { SetUpPlace } from '@/places/set-up/set-up-place';

export default function SetUpRoute() {
  return <SetUpPlace />;
}
