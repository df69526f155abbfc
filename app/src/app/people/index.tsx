import { PagesPlace } from '@/places/pages/pages-place';

export default function PeopleRoute() {
  return <PagesPlace />;
}
