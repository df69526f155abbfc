import { EstatePlace } from '@/places/estate/estate-place';

export default function EstateRoute() {
  return <EstatePlace />;
}
