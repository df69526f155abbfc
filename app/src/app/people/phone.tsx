import { PhonePlace } from '@/places/phone/phone-place';

export default function PhoneRoute() {
  return <PhonePlace />;
}
