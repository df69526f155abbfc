import { ProbesPlace } from '@/places/probes/probes-place';

export default function ProbesRoute() {
  return <ProbesPlace />;
}
