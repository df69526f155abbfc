import { StandingPage } from '@/places/promises/standing-page';

export default function StandingRoute() {
  return <StandingPage />;
}
