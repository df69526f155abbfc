import { HappenedPage } from '@/places/happened/happened-page';

export default function HappenedRoute() {
  return <HappenedPage />;
}
