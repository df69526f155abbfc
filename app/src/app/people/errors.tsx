import { ErrorsPlace } from '@/places/pages/errors-place';

export default function ErrorsRoute() {
  return <ErrorsPlace />;
}
