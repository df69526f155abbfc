import { SitesPlace } from '@/places/sites/sites-place';

export default function SitesRoute() {
  return <SitesPlace />;
}
