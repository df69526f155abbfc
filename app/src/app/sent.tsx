import { SentPlace } from '@/places/sent/sent-place';

export default function SentRoute() {
  return <SentPlace />;
}
